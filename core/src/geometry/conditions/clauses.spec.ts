import { readFileSync } from 'node:fs';
import { built, designOf } from '../../testing/designs.js';
import { conditionProgram } from '../../language/evaluate.js';
import { Tagged } from '../select.js';
import { clausesOf, conditionOf, isTagClause, type Clause } from './clauses.js';

const demo = (name: string) =>
  designOf(
    JSON.parse(readFileSync(new URL(`../../../demo/${name}.json`, import.meta.url), 'utf8')) as object,
  );
const is = (tag: string, ...values: string[]): Clause => ({ tag, comparison: '==', values });

describe('clauses of a condition', () => {
  const examples: readonly [string, Clause[]][] = [
    ['true', []],
    ['(true)', []],
    ['role == "column"', [is('role', 'column')]],
    ['role == \'column\' and side == "left"', [is('role', 'column'), is('side', 'left')]],
    ['role == "column" or role == "rafter"', [is('role', 'column', 'rafter')]],
    [
      '(role == "beam-x" or role == "beam-y") and storey >= 2',
      [is('role', 'beam-x', 'beam-y'), { tag: 'storey', comparison: '>=', values: ['2'] }],
    ],
    ['z > eaves / 2 + 0.5 m', [{ tag: 'z', comparison: '>', values: ['eaves / 2 + 0.5 m'] }]],
    ['slope < atan(1/3)', [{ tag: 'slope', comparison: '<', values: ['atan(1/3)'] }]],
    ['role != "brace"', [{ tag: 'role', comparison: '!=', values: ['brace'] }]],
    // What is more than one tag compared stays as it is typed
    ['storey == 1 or storey == 3', [{ text: 'storey == 1 or storey == 3' }]],
    ['2 <= storey <= 4', [{ text: '2 <= storey <= 4' }]],
    ['role == "column" or side == "left"', [{ text: 'role == "column" or side == "left"' }]],
    [
      'role == "column" and (bay == 1 or side == "left")',
      [is('role', 'column'), { text: 'bay == 1 or side == "left"' }],
    ],
    ['role == "column" and mod(bay, 2) == 0', [is('role', 'column'), { text: 'mod(bay, 2) == 0' }]],
    ['bay > 1 ? storey == 1 : storey == 2', [{ text: 'bay > 1 ? storey == 1 : storey == 2' }]],
    // Words within names and texts part nothing
    ['step == "band and or"', [is('step', 'band and or')]],
    ['z < floor_and_wall', [{ tag: 'z', comparison: '<', values: ['floor_and_wall'] }]],
    ['not (role == "column")', [{ text: 'not (role == "column")' }]],
    ['unreadable ((', [{ text: 'unreadable ((' }]],
  ];
  for (const [condition, clauses] of examples)
    it(condition, () => {
      expect(clausesOf(condition)).toEqual(clauses);
      // Written out and read again they are the same
      expect(clausesOf(conditionOf(clauses))).toEqual(clauses);
    });

  it('bracket what would be read otherwise beside others', () => {
    const more = is('side', 'left');
    expect(conditionOf([is('role', 'column', 'rafter'), more])).toBe(
      '(role == "column" or role == "rafter") and side == "left"',
    );
    expect(conditionOf([{ text: 'bay == 1 or row == 2' }, more])).toBe(
      '(bay == 1 or row == 2) and side == "left"',
    );
    expect(conditionOf([{ text: 'bay == 1 or row == 2' }])).toBe('bay == 1 or row == 2');
    expect(conditionOf([])).toBe('true');
  });

  it('deny all texts where a tag is none of them', () => {
    expect(conditionOf([{ tag: 'role', comparison: '!=', values: ['column', 'rafter'] }])).toBe(
      'role != "column" and role != "rafter"',
    );
  });

  for (const name of ['slip-shed', 'boat-hall', 'quay-arch', 'lookout-tower', 'winch-bed'])
    it(`select the same of the ${name} as the rules that they come from`, () => {
      const design = demo(name);
      const { geometry, names } = built(design);
      const tagged = Tagged.of(geometry);
      const selected = (of: 'members' | 'nodes', condition: string) => {
        const matches = conditionProgram(condition, names, { what: 'the condition', where: {} });
        return (of === 'members' ? tagged.selectMembers(matches) : tagged.selectNodes(matches)).map(
          ({ id }) => id,
        );
      };
      let said = 0;
      for (const rule of design.rules) {
        const of = rule.members === undefined ? 'nodes' : 'members';
        const condition = rule.members ?? rule.nodes!;
        const clauses = clausesOf(condition);
        said += clauses.filter(isTagClause).length;
        expect(selected(of, conditionOf(clauses)))
          .withContext(condition)
          .toEqual(selected(of, condition));
      }
      expect(said).toBeGreaterThan(0);
    });
});
