import type { Rule } from '../document/types.js';
import { ruleWords } from './index.js';
import { withValues } from '../fields/with-values.js';

describe('a rule in words', () => {
  const texts = new Map([
    ['column_section', 'HEB 300'],
    ['steel', 'S355'],
    ['snow', '4.4 kN/m'],
    ['S', '3 m'],
  ]);
  const said = (rule: Partial<Rule>) =>
    ruleWords(withValues({ id: 'r', members: 'role == "S"', ...rule }, texts));

  it('tells the values of parameters, also of their opposites, and leaves names of other things', () => {
    expect(said({ section: { parameter: 'column_section' }, material: { parameter: 'steel' } })).toBe(
      'HEB 300 in S355',
    );
    const snow = said({ load: { case: 'S', direction: 'z', q: '-snow' } });
    expect(snow).toContain('−4.4 kN/m');
    expect(snow).toContain('in S');
    expect(snow).not.toContain('3 m in');
  });

  it('puts values into formulas, and keeps names without a value', () => {
    expect(said({ section: { parameter: 'other' } })).toBe('other');
    const half = said({
      load: { case: 'S', direction: 'z', q: 'snow / 2' },
    });
    expect(half).toContain('4.4 kN/m / 2');
    const part = said({ load: { case: 'S', direction: 'z', q: '-0.7 * snow' } });
    expect(part).toContain('−0.7 × 4.4 kN/m');
    expect(said({ load: { case: 'S', direction: 'z', q: '2 * other' } })).toContain('2 * other');
  });
});
