import { fail } from '../base/problem.js';
import { greatestMagnitudes } from '../units/magnitudes.js';
import type { QuantityName } from '../units/quantities.js';
import { compile, type Names, type Program } from './compile.js';
import { dimensionOf, isPure } from './dimension.js';
import { readTree, reject, sentence, type Place } from './tree.js';
import { describeType, fits, type Tags, type ValueType } from './types.js';
import type { Units } from '../units/units.js';

/** What has tags; they are read only where an expression names one. */
export interface WithTags {
  readonly tags: Tags;
}

const noTags: WithTags = { tags: {} };

/** What a number of the document may be written as: an expression, or a JSON number where no unit is needed. */
export type Written = string | number;

/**
 * Evaluates an expression to an SI number of a kind of quantity.
 *
 * @throws ProblemError `unit` when the unit does not fit or is missing, `not-finite` for a division by zero and the like,
 *   and what {@link compile} throws
 */
export function quantityOf(written: Written, names: Names, quantity: QuantityName, place: Place): number {
  return quantityProgram(written, names, quantity, place)(noTags);
}

/** The same for many things: the number for each by its tags. */
export function quantityProgram(
  written: Written,
  names: Names,
  quantity: QuantityName,
  place: Place,
): (thing: WithTags) => number {
  const text = String(written);
  const program = compile(text, names, place);
  const { units } = names;
  expectQuantity(program, quantity, place, units);
  const bounds = { text: program.text, quantity, units };
  return (thing) => inRange(finite(program, thing, place), bounds, place);
}

/** @throws ProblemError `out-of-range` for what no frame has */
function inRange(
  value: number,
  {
    text,
    quantity,
    units,
  }: { readonly text: string; readonly quantity: QuantityName; readonly units: Units },
  place: Place,
): number {
  const most = greatestMagnitudes[quantity];
  if (Math.abs(value) <= most) return value;
  const { unit, factor } = units.of(quantity);
  const shown = (x: number) => `${Number((x * factor).toPrecision(6))}${unit === '' ? '' : ` ${unit}`}`;
  return fail(
    'out-of-range',
    `${sentence(place.what)}: "${text}" is ${shown(value)}; it may be up to ${shown(most)}.`,
    { ...place.where, expression: text },
  );
}

function expectQuantity({ type, text }: Program, quantity: QuantityName, place: Place, units: Units): void {
  if (fits(type, dimensionOf(quantity))) return;
  const { unit, expressionUnit } = units.of(quantity);
  const pure = type.kind === 'number' && isPure(type.dimension);
  const advice =
    pure && expressionUnit !== '' ? `; write its unit, e.g. "${suggested(text, expressionUnit)}"` : '';
  fail(
    'unit',
    `${sentence(place.what)} needs ${unit === '' ? 'a number without a unit' : `a value in ${unit}`}, but "${text}" gives ${describeType(type)}${advice}.`,
    { ...place.where, expression: text },
  );
}

const suggested = (text: string, unit: string) =>
  /^[\d.]+$/.test(text.trim()) ? `${text.trim()} ${unit}` : `(${text}) * 1 ${unit}`;

/** Runs a numeric program. @throws ProblemError `not-finite`; `unknown-name` for a tag that the thing does not have */
function finite(program: Program, thing: WithTags, place: Place): number {
  const { tags } = program.reads.size > 0 ? thing : noTags;
  const value = program.run(tags);
  if (value === undefined)
    return fail(
      'unknown-name',
      `${sentence(place.what)}: "${program.text}" reads a tag that ${String(tags['role'] ?? tags['place'] ?? 'this part')} does not have.`,
      { ...place.where, expression: program.text },
    );
  if (Number.isFinite(value)) return value as number;
  return fail(
    'not-finite',
    `${sentence(place.what)}: "${program.text}" has no finite value; look for a division by zero or a root of a negative number.`,
    { ...place.where, expression: program.text },
  );
}

/** A condition on the tags of a thing, with the names of the tags that it reads. */
export interface Condition {
  (tags: Tags): boolean;
  readonly reads: ReadonlySet<string>;
}

/** Reads a condition. @throws ProblemError `expression` when it is none */
export function conditionProgram(text: string, names: Names, place: Place): Condition {
  const program = compile(text, { ...names, tags: true }, place);
  if (program.type.kind !== 'truth')
    reject(
      place,
      text,
      `it gives ${describeType(program.type)}; a condition is true or false, such as role == "column"`,
    );
  return Object.assign((tags: Tags) => program.run(tags) === true, { reads: program.reads });
}

/** A place along a member: a fraction of its length (a pure number) or a length from its start. */
export type Position = { readonly fraction: number } | { readonly distance: number };

/** Reads a place along a member for the tags of each: pure numbers are shares, values in m lengths. */
export function positionProgram(written: Written, names: Names, place: Place): (thing: WithTags) => Position {
  const program = compile(String(written), names, place);
  const { type } = program;
  if (isFraction(type)) return (thing) => ({ fraction: finite(program, thing, place) });
  if (type.kind === 'number' && fits(type, dimensionOf('length')))
    return (thing) => ({ distance: finite(program, thing, place) });
  return fail(
    'unit',
    `${sentence(place.what)} needs a fraction of the length (0 to 1) or a length, but "${String(written)}" gives ${describeType(type)}.`,
    { ...place.where, expression: String(written) },
  );
}

const isFraction = (type: ValueType) => type.kind === 'number' && isPure(type.dimension);

/** Parts a list text at the commas (or semicolons) that stand in no brackets or quotes. */
export function splitList(text: string): string[] {
  const parts: string[] = [];
  let depth = 0;
  let quoted = false;
  let from = 0;
  for (let i = 0; i < text.length; i++) {
    const c = text[i]!;
    if (c === '"') quoted = !quoted;
    else if (quoted) continue;
    else if (c === '(') depth++;
    else if (c === ')') depth--;
    else if ((c === ',' || c === ';') && depth === 0) {
      parts.push(text.slice(from, i));
      from = i + 1;
    }
  }
  parts.push(text.slice(from));
  return parts.map((part) => part.trim());
}

/** `4 * 6 m` in a list: four of 6 m. */
const repeated = /^(\d+)\s*\*\s*(.+)$/s;

/** A list as the document writes it: items, one text, or a count of equal ones. */
export type WrittenList = readonly Written[] | string | { readonly count: Written; readonly each: Written };

/** Most items of one list. */
export const mostItems = 500;

/** The items of a list with repetitions written out. @throws ProblemError `too-many` */
export function listItems(written: WrittenList, names: Names, place: Place): Written[] {
  const limited = (count: number): number => {
    if (count > mostItems)
      fail(
        'too-many',
        `${sentence(place.what)} would have ${count} items; a list holds up to ${mostItems}.`,
        place.where,
      );
    return count;
  };
  const items: Written[] = [];
  // The same text means the same, as an item of a list or between the commas of one text
  const add = (part: string): void => {
    const many = repeated.exec(part);
    const count = many ? limited(Number(many[1])) : 1;
    limited(items.length + count);
    for (let i = 0; i < count; i++) items.push(many ? many[2]! : part);
  };
  if (typeof written === 'string') {
    const parts = splitList(written);
    for (const part of parts) {
      if (part !== '') add(part);
      else if (parts.length > 1) reject(place, written, 'an item between commas is empty');
    }
    return items;
  }
  if (Array.isArray(written)) {
    for (const item of written as readonly Written[])
      if (typeof item === 'string') add(item.trim());
      else items.push(item);
    limited(items.length);
    return items;
  }
  const { count, each } = written as { count: Written; each: Written };
  const n = countOf(count, names, { ...place, what: `${place.what}, count` }, { least: 0, most: mostItems });
  return Array.from({ length: n }, () => each);
}

/** A whole number within limits. @throws ProblemError `geometry` or `too-many` */
export function countOf(
  written: Written,
  names: Names,
  place: Place,
  { least, most }: { least: number; most: number },
): number {
  const value = quantityOf(written, names, 'number', place);
  const whole = Math.round(value);
  if (Math.abs(whole - value) > 1e-6 || whole < least)
    return fail(
      'geometry',
      `${sentence(place.what)} is ${String(Number(value.toPrecision(6)))}; it must be a whole number, at least ${least}.`,
      place.where,
    );
  if (whole > most)
    return fail(
      'too-many',
      `${sentence(place.what)} is ${whole}; at most ${most} are possible.`,
      place.where,
    );
  return whole;
}

const functionsAndWords = new Set(
  'and or not xor to in mod true false null undefined NaN Infinity i axis'.split(' '),
);

/** Names that have a meaning in the language itself. */
export const isReservedWord = (name: string): boolean => functionsAndWords.has(name);

/** The names that an expression uses. @throws ProblemError `expression` */
export { namesIn } from './tree.js';
export { readTree };
