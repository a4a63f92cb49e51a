import type { Rule } from '../document/types.js';
import { ruleWords } from './index.js';
import { withValues } from './words.js';

describe('a rule in words', () => {
  const texts = new Map([
    ['column_section', 'HEB 300'],
    ['steel', 'S355'],
    ['snow', '4.4 kN/m'],
    ['S', '3 m'],
  ]);
  const said = (rule: Partial<Rule>) =>
    ruleWords(withValues({ id: 'r', members: 'role == "S"', ...rule } as Rule, texts));

  it('tells the values of parameters, also of their opposites, and leaves names of other things', () => {
    expect(said({ section: { parameter: 'column_section' }, material: { parameter: 'steel' } })).toBe(
      'HEB 300 in S355',
    );
    const snow = said({ load: { case: 'S', direction: 'z', q: '-snow' } });
    expect(snow).toContain('−4.4 kN/m');
    expect(snow).toContain('in S');
    expect(snow).not.toContain('3 m in');
  });

  it('keeps what is more than a name, and names without a value', () => {
    expect(said({ section: { parameter: 'other' } })).toBe('other');
    const half = said({
      load: { case: 'S', direction: 'z', q: 'snow / 2' } as Rule['load'],
    });
    expect(half).toContain('snow / 2');
  });
});
