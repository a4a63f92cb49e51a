import { ProblemError } from '../problem.js';
import { evaluateCondition, evaluateQuantity, type Scope, type ScopeValue } from './evaluate.js';

const place = { what: 'parameter "p"', where: { parameter: 'p' } };
const scope: Scope = new Map<string, ScopeValue>([
  ['span', { si: 22, quantity: 'length' }],
  ['g', { si: 450, quantity: 'areaLoad' }],
  ['n', { si: 3, quantity: 'number' }],
  ['role', 'column'],
  ['z', { si: 4, quantity: 'length' }],
]);

function messageOf(run: () => unknown): string {
  try {
    run();
  } catch (error) {
    if (error instanceof ProblemError) return error.message;
    throw error;
  }
  return 'no problem';
}

describe('expressions', () => {
  it('give SI values whatever unit they are written in', () => {
    expect(evaluateQuantity('220 cm', scope, 'length', place)).toBeCloseTo(2.2, 12);
    expect(evaluateQuantity('9 deg', scope, 'angle', place)).toBeCloseTo(Math.PI / 20, 12);
    expect(evaluateQuantity('20000 kN m/rad', scope, 'rotationalSpring', place)).toBeCloseTo(2e7, 3);
    expect(evaluateQuantity('-(g * span / 4)', scope, 'lineLoad', place)).toBeCloseTo(-2475, 9);
    expect(evaluateQuantity('sqrt(span^2 + (5 m)^2)', scope, 'length', place)).toBeCloseTo(
      Math.hypot(22, 5),
      12,
    );
    expect(evaluateQuantity('n > 2 ? span : 1 m', scope, 'length', place)).toBe(22);
    expect(evaluateQuantity('0', scope, 'length', place)).toBe(0);
  });

  it('follow a changed value although results are kept', () => {
    const other = new Map([...scope, ['span', { si: 30, quantity: 'length' }] as const]);
    expect(evaluateQuantity('span / 8', scope, 'length', place)).toBe(2.75);
    expect(evaluateQuantity('span / 8', other, 'length', place)).toBe(3.75);
    expect(evaluateQuantity('span / 8', scope, 'length', place)).toBe(2.75);
  });

  it('compare text and quantities in conditions', () => {
    expect(evaluateCondition('role == "column" and z > 3 m', scope, place)).toBeTrue();
    expect(evaluateCondition('role != "column" or z > 450 cm', scope, place)).toBeFalse();
  });

  const wrong: [string, string][] = [
    ['spann / 8', 'uses "spann"'],
    ['span + 3', 'write the unit'],
    ['span * span', 'gives a value in m^2'],
    ['22', 'write its unit, e.g. "22 m"'],
    ['role', 'gives the text "column"'],
    ['span / 0', 'no finite value'],
    ['sqrt(-4) * 1 m', 'no finite value'],
    ['a = 3 m', 'an assignment is not allowed'],
    ['f(x) = x', 'a definition is not allowed'],
    ['[1 m, 2 m]', 'an array is not allowed'],
    ['import("x")', 'no function "import"'],
    ['span.constructor', 'access to a part is not allowed'],
    ['evaluate("1 m")', 'no function "evaluate"'],
    ['span *', 'cannot be read'],
    ['1 m + '.repeat(100) + '1 m', 'longer than 400'],
  ];
  for (const [text, words] of wrong)
    it(`"${text.slice(0, 24)}" is refused in words`, () => {
      const message = messageOf(() => evaluateQuantity(text, scope, 'length', place));
      expect(message).toContain(words);
      expect(message).toContain('Parameter "p"');
    });
});
