import { ProblemError } from '../base/problem.js';
import type { QuantityName } from '../units/quantities.js';
import type { Names } from './compile.js';
import { conditionProgram, listItems, positionProgram, quantityOf, quantityProgram } from './evaluate.js';
import { text, typeOfQuantity, type Named } from './types.js';
import { metric } from '../units/units.js';

const place = { what: 'parameter "p"', where: { parameter: 'p' } };
const number = (value: number, quantity: QuantityName): Named => ({
  type: typeOfQuantity(quantity),
  value,
  quantity,
});
const named = (span = 22): Names => ({
  units: metric,
  parameters: new Map<string, Named>([
    ['span', number(span, 'length')],
    ['g', number(450, 'areaLoad')],
    ['n', number(3, 'number')],
    ['steel', { type: text, value: 'S355' }],
  ]),
});
const evaluateQuantity = (written: string, names: Names, quantity: QuantityName) =>
  quantityOf(written, names, quantity, place);
const scope = named();

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
  it('of what no frame has are refused with what they may be', () => {
    const place = { what: 'parameter "span"', where: {} };
    const names = { parameters: new Map(), units: metric };
    expect(() => quantityOf('1e13 m', names, 'length', place)).toThrowMatching(
      (e: Error) => e.message === 'Parameter "span": "1e13 m" is 10000000000000 m; it may be up to 100000 m.',
    );
    expect(() => quantityOf('-1e150 kN', names, 'force', place)).toThrowMatching((e: Error) =>
      e.message.includes('it may be up to 1000000000 kN'),
    );
    expect(quantityOf('100 km', names, 'length', place)).toBe(1e5);
  });

  it('give SI values whatever unit they are written in', () => {
    expect(evaluateQuantity('220 cm', scope, 'length')).toBeCloseTo(2.2, 12);
    expect(evaluateQuantity('9 deg', scope, 'angle')).toBeCloseTo(Math.PI / 20, 12);
    expect(evaluateQuantity('20000 kN m/rad', scope, 'rotationalSpring')).toBeCloseTo(2e7, 3);
    expect(evaluateQuantity('-(g * span / 4)', scope, 'lineLoad')).toBeCloseTo(-2475, 9);
    expect(evaluateQuantity('sqrt(span^2 + (5 m)^2)', scope, 'length')).toBeCloseTo(Math.hypot(22, 5), 12);
    expect(evaluateQuantity('n > 2 ? span : 1 m', scope, 'length')).toBe(22);
    expect(evaluateQuantity('0', scope, 'length')).toBe(0);
  });

  it('follow a changed value although programs are kept', () => {
    expect(evaluateQuantity('span / 8', scope, 'length')).toBe(2.75);
    expect(evaluateQuantity('span / 8', named(30), 'length')).toBe(3.75);
    expect(evaluateQuantity('span / 8', scope, 'length')).toBe(2.75);
  });

  it('take a parameter for its value although the same word was a unit or a tag before', () => {
    expect(evaluateQuantity('2 * ft', scope, 'length')).toBeCloseTo(0.6096, 12);
    const own: Names = { parameters: new Map([['ft', number(5, 'length')]]), units: metric };
    expect(evaluateQuantity('2 * ft', own, 'length')).toBe(10);
    expect(evaluateQuantity('2 * ft', scope, 'length')).toBeCloseTo(0.6096, 12);
    const low = conditionProgram('z < 2 m', { ...scope, tags: true }, place);
    expect([low({ z: 1 }), low({ z: 3 })]).toEqual([true, false]);
    // Without tags at hand the word is unknown, whatever was kept
    expect(messageOf(() => evaluateQuantity('z', scope, 'length'))).toContain('"z"');
  });

  it('have the usual functions, powers and precedences', () => {
    const of = (written: string) => evaluateQuantity(written, scope, 'number');
    expect(of('2 + 3 * 4 ^ 2 / 8 - 1')).toBe(7);
    expect(of('-2 ^ 2')).toBe(-4);
    expect(of('2 ^ 3 ^ 2')).toBe(512);
    expect(of('min(3, n, 7) + max(1, 2) + abs(-4)')).toBe(9);
    expect(of('floor(2.7) + ceil(2.1) + round(2.5)')).toBe(8);
    expect(of('sin(30 deg) + cos(60 deg) + tan(45 deg)')).toBeCloseTo(2, 12);
    expect(evaluateQuantity('atan(1)', scope, 'angle')).toBeCloseTo(Math.PI / 4, 12);
  });

  it('compare text and quantities in conditions', () => {
    const tags = { role: 'column', z: 4 };
    const holds = (condition: string) => conditionProgram(condition, scope, place)(tags);
    expect(holds('role == "column" and z > 3 m')).toBeTrue();
    expect(holds('role != "column" or z > 450 cm')).toBeFalse();
    expect(holds('not (z < 3 m) and z < span')).toBeTrue();
    // A tag that the part does not have makes a comparison false, in both directions
    expect(holds('storey == 2') || holds('storey > 2')).toBeFalse();
  });

  it('ask a thing for its tags only where they name one', () => {
    const asked: string[] = [];
    const thing = {
      get tags() {
        asked.push('tags');
        return { storey: 3 };
      },
    };
    expect(quantityProgram('2 * 3 kN', { ...scope, tags: true }, 'force', place)(thing)).toBe(6000);
    expect(asked).toEqual([]);
    expect(quantityProgram('storey * 3 kN', { ...scope, tags: true }, 'force', place)(thing)).toBe(9000);
    expect(asked).toEqual(['tags']);
  });

  it('give places along a member as shares or lengths', () => {
    expect(positionProgram('0.25', scope, place)({ tags: {} })).toEqual({ fraction: 0.25 });
    expect(positionProgram('span / 4', scope, place)({ tags: {} })).toEqual({ distance: 5.5 });
    expect(() => positionProgram('3 kN', scope, place)).toThrowError(/fraction of the length/);
  });

  it('stand in lists, as one text, repeated, or one by one', () => {
    const items = (written: string | string[]) => listItems(written, scope, place);
    expect(items('4 * 6 m').length).toBe(4);
    expect(items(['1 m', '2 m'])).toEqual(['1 m', '2 m']);
    expect(items('min(1 m, 2 m), 3 m')).toEqual(['min(1 m, 2 m)', '3 m']);
  });

  const wrong: [string, string][] = [
    ['spann / 8', 'uses "spann"'],
    ['span + 3', 'write the unit'],
    ['span * span', 'gives a value in cm²'],
    ['22', 'write its unit, e.g. "22 m"'],
    ['role', 'uses "role"'],
    ['steel', 'gives text'],
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
      const message = messageOf(() => evaluateQuantity(text, scope, 'length'));
      expect(message).toContain(words);
      expect(message).toContain('Parameter "p"');
    });
});
