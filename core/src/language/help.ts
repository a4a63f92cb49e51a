import { attempt } from '../base/problem.js';
import { quantities, type QuantityName } from '../units/quantities.js';
import { compile, type Names } from './compile.js';
import { dimensionOf, isPure, sameDimension } from './dimension.js';
import { functions } from './functions.js';
import { fits, tagTypes, type ValueType } from './types.js';
import { significant } from '../units/significant.js';
import type { Units } from '../units/units.js';

/** A word that can go on what is being typed. */
export interface Completion {
  readonly word: string;
  /** What it is: a parameter's title with its value, "function", "tag". */
  readonly about: string;
}

/** What is typed where a value is expected. */
export interface Expectation {
  /** Kind of quantity that the value must be of; absent: any. */
  readonly quantity?: QuantityName;
  /** It is a condition or formula on tags of members or nodes. */
  readonly tags?: boolean;
}

const place = { what: 'what is typed', where: {} };

/** The word that ends at a place in a text; empty where none does, and where it is the unit of a number. */
export function wordBefore(text: string, caret: number): string {
  const [, number, word] = /(\d\s*)?([A-Za-z][A-Za-z0-9_]*)$/.exec(text.slice(0, caret)) ?? [];
  return number === undefined ? (word ?? '') : '';
}

/** Names that begin with what is typed: parameters, then tags where they are at hand, then functions. */
export function completions(
  names: Names,
  titles: ReadonlyMap<string, string>,
  word: string,
  { tags = false }: Expectation = {},
): Completion[] {
  if (word === '') return [];
  const begins = (name: string) => name.toLowerCase().startsWith(word.toLowerCase()) && name !== word;
  const { units } = names;
  const parameters = [...names.parameters].map(([name, { value, quantity }]) => ({
    word: name,
    about: [
      titles.get(name),
      typeof value === 'number' && quantity ? units.withUnit(value, quantity) : String(value),
    ]
      .filter((part) => part !== undefined && part !== '')
      .join(', '),
  }));
  return [
    ...parameters,
    ...(tags ? [...tagTypes.keys()].map((name) => ({ word: name, about: 'tag' })) : []),
    ...[...functions.keys()].map((name) => ({ word: name, about: 'function' })),
  ].filter((one) => begins(one.word));
}

/**
 * The value of what is typed, in words; or what is wrong with it. A bare number is taken in the unit that is expected.
 *
 * @returns nothing where there is nothing to say: an empty text, or a formula of tags that is right
 */
export function valueAsTyped(
  names: Names,
  text: string,
  { quantity, tags = false }: Expectation = {},
): { readonly value?: string; readonly problem?: string } {
  if (text.trim() === '') return {};
  const { units } = names;
  const whole = quantity === undefined ? text : units.typed(text, quantity);
  const outcome = attempt(() => {
    const program = compile(whole, { ...names, tags }, place);
    return { type: program.type, value: program.reads.size > 0 ? undefined : program.run({}) };
  });
  if (!outcome.ok) return { problem: outcome.problems[0]!.message };
  const { type, value } = outcome.value;
  if (quantity !== undefined && !fits(type, dimensionOf(quantity)))
    return { problem: `This needs a value in ${units.of(quantity).unit || 'numbers without a unit'}.` };
  if (typeof value !== 'number') return {};
  if (!Number.isFinite(value)) return { problem: 'This has no finite value; look for a division by zero.' };
  return { value: told(value, quantity ?? quantityOfType(type), units) };
}

function told(value: number, quantity: QuantityName | undefined, units: Units): string {
  if (quantity === undefined) return significant(value, 6);
  const read = units.withUnit(value, quantity, 6);
  return read.includes('e') ? units.exact(value, quantity) : read;
}

/** The first kind of quantity that has a number's dimension. */
function quantityOfType(type: ValueType): QuantityName | undefined {
  if (type.kind !== 'number') return undefined;
  if (isPure(type.dimension)) return 'number';
  return (Object.keys(quantities) as QuantityName[]).find(
    (name) => name !== 'number' && sameDimension(dimensionOf(name), type.dimension),
  );
}
