import { slipShed } from '../testing/designs.js';
import { resolveAlternative } from '../build/resolve.js';
import { completions, valueAsTyped, wordBefore } from './help.js';

const design = slipShed();
const { names } = resolveAlternative(design, design.alternatives[0]!);
const titles = new Map(design.parameters.map(({ name, title }) => [name, title]));
const plain = (text: string | undefined) => text?.replace(/\u00a0/g, ' ');

describe('help with expressions', () => {
  it('knows the word that is being typed', () => {
    expect(wordBefore('2 * spa', 7)).toBe('spa');
    expect(wordBefore('2 * spa', 3)).toBe('');
    expect(wordBefore('span/h2_b', 9)).toBe('h2_b');
    expect(wordBefore('', 0)).toBe('');
    // A unit is no beginning of a name
    expect([wordBefore('20 m', 4), wordBefore('3.5k', 4)]).toEqual(['', '']);
  });

  it('goes on with parameters, then tags, then functions', () => {
    const [first] = completions(names, titles, 'spa');
    expect(first!.word).toBe('span');
    expect(plain(first!.about)).toBe('Span, 22.0 m');
    expect(completions(names, titles, 'sq').map(({ word }) => word)).toEqual(['sqrt']);
    expect(completions(names, titles, 'sto').length).toBe(0);
    expect(completions(names, titles, 'sto', { tags: true })).toEqual([{ word: 'storey', about: 'tag' }]);
    // What is complete needs nothing
    expect(completions(names, titles, 'span').map(({ word }) => word)).not.toContain('span');
    expect(completions(names, titles, '')).toEqual([]);
  });

  it('tells the value of what is typed, a bare number in the unit that is expected', () => {
    const value = (text: string, quantity?: 'length' | 'angle') =>
      plain(valueAsTyped(names, text, quantity ? { quantity } : {}).value);
    expect(value('span / 10', 'length')).toBe('2.20000 m');
    expect(value('24', 'length')).toBe('24.0000 m');
    expect(value('9', 'angle')).toBe('9.00000°');
    expect(value('240 cm', 'length')).toBe('2.40000 m');
    expect(value('2 kN * 3 m')).toBe('6.00000 kN·m');
    expect(value('3 / 4')).toBe('0.750000');
    expect(value('')).toBeUndefined();
  });

  it('says what is wrong as it is typed', () => {
    const problem = (text: string, more = {}) => valueAsTyped(names, text, more).problem;
    expect(problem('span +')).toContain('span +');
    expect(problem('spam', { quantity: 'length' })).toContain('"spam"');
    expect(problem('2 kN', { quantity: 'length' })).toBe('This needs a value in m.');
    expect(problem('1 m / 0', { quantity: 'length' })).toContain('no finite value');
    // Conditions have no value to tell before there is a member
    expect(valueAsTyped(names, 'storey > 2', { tags: true })).toEqual({});
    expect(problem('storey > 2 m', { tags: true })).toContain('compares');
  });
});
