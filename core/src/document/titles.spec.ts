import { titleWith } from './titles.js';

describe('titles with an ending', () => {
  it('keep the ending, and are cut before it where both are too long', () => {
    expect(titleWith('Shed', ', copy')).toBe('Shed, copy');
    expect(titleWith('a'.repeat(200), ', copy')).toBe(`${'a'.repeat(194)}, copy`);
    expect(titleWith('a'.repeat(200), '')).toBe('a'.repeat(200));
  });

  it('are not cut inside a character', () => {
    // Letters beyond the basic plane, and one with a joined accent
    const title = '𝔸'.repeat(200);
    expect(titleWith(title, ', copy')).toBe(`${'𝔸'.repeat(194)}, copy`);
    expect(titleWith(`${'a'.repeat(193)}e\u0301b`, ', copy')).toBe(`${'a'.repeat(193)}, copy`);
  });
});
