import { slipShed } from '../testing/designs.js';
import { typedEnd } from './drawn-end.js';
import { resolveAlternative } from './resolve.js';

const design = slipShed();
const { names } = resolveAlternative(design, design.alternatives[0]!);
const from = [2, 0, 3] as const;
const of = (text: string, more: { towards?: readonly [number, number, number]; space?: 'solid' } = {}) => {
  const outcome = typedEnd(text, names, { from, space: 'plane', ...more });
  return outcome.ok ? outcome.value.coordinates : outcome.problems[0]!.message;
};

describe('the typed end of a drawn member', () => {
  it('is a length towards what is pointed at, 3-4-5', () => {
    expect(of('5 m', { towards: [5, 0, 7] })).toEqual(['5 m', '7 m']);
    expect(of('10', { towards: [5, 0, 7] })).toEqual(['8 m', '11 m']);
    // Nothing is pointed at: to the right
    expect(of('span / 2')).toEqual(['13 m', '3 m']);
    expect(of('7', { towards: [4, 3, 9], space: 'solid' })).toEqual(['4 m', '3 m', '9 m']);
  });

  it('or coordinates, which stay as they are typed', () => {
    expect(of('span / 2, 6.4')).toEqual(['span / 2', '6.4 m']);
    expect(of('1; 2 ft; 3', { space: 'solid' })).toEqual(['1 m', '2 ft', '3 m']);
  });

  it('or the beginning itself, by coordinates alone', () => {
    const begun = (text: string) => typedEnd(text, names, { space: 'plane' });
    expect(begun('span, 6.4')).toEqual({
      ok: true,
      value: { coordinates: ['span', '6.4 m'], at: [22, 0, 6.4] },
    });
    const length = begun('4 m');
    expect(length.ok ? '' : length.problems[0]!.message).toBe('Type 2 coordinates such as "3 m, 6 m".');
  });

  it('or a sentence that says what to type', () => {
    expect(of('1, 2, 3')).toContain('2 coordinates such as "3 m, 6 m"');
    expect(of('1, 2', { space: 'solid' })).toContain('3 coordinates');
    expect(of('-2 m')).toBe('The length must be above zero.');
    expect(of('3 kN')).toContain('needs a value in m');
    expect(of('')).toContain('Type a length');
  });
});
