import type { Unit } from 'mathjs';
import { fail } from '../problem.js';
import { quantities, type QuantityName } from '../units/quantities.js';
import {
  compileExpression,
  isUnit,
  reject,
  sentence,
  unitValue,
  type ExpressionValue,
  type Place,
} from './expression-language.js';

/** A number of a kind of quantity, in SI base units. */
export interface QuantityValue {
  readonly si: number;
  readonly quantity: QuantityName;
}

/** What a name stands for. */
export type ScopeValue = QuantityValue | string;

/** Names that an expression may use, and their values. */
export type Scope = ReadonlyMap<string, ScopeValue>;

/** Values already computed, by expression and the values of the names it uses: the same while something else is dragged. */
const kept = new Map<string, ExpressionValue>();
const mostKept = 20_000;

/**
 * Evaluates an expression with the names in scope.
 *
 * @throws ProblemError `unknown-name` for a name that is neither in scope nor a unit, `expression` when the arithmetic
 *   does not work out (units that do not fit among them)
 */
export function evaluateExpression(text: string, scope: Scope, place: Place): ExpressionValue {
  const code = compileExpression(text, place);
  let key = text;
  for (const name of code.names) {
    const value = scope.get(name);
    if (value === undefined) {
      if (!code.units.has(name))
        fail(
          'unknown-name',
          `${sentence(place.what)} uses "${name}" in "${text}", which is no parameter and no unit.`,
          { ...place.where, expression: text, name },
        );
    } else key += typeof value === 'string' ? `\u0000${value}` : `\u0001${value.si} ${value.quantity}`;
  }
  const known = kept.get(key);
  if (known !== undefined) return known;
  const values = new Map<string, ExpressionValue>();
  for (const name of code.names) {
    const value = scope.get(name);
    if (value !== undefined) values.set(name, typeof value === 'string' ? value : toLanguage(value));
  }
  let result: unknown;
  try {
    result = code.run(values);
  } catch (error) {
    return reject(place, text, explain(error));
  }
  if (
    typeof result !== 'number' &&
    typeof result !== 'boolean' &&
    typeof result !== 'string' &&
    !isUnit(result)
  )
    return reject(place, text, 'it gives neither a number, nor a truth value, nor text');
  if (kept.size >= mostKept) kept.clear();
  kept.set(key, result);
  return result;
}

function toLanguage({ si, quantity }: QuantityValue): ExpressionValue {
  const { expressionUnit, factor } = quantities[quantity];
  return expressionUnit === '' ? si : unitValue(si * factor, expressionUnit);
}

/**
 * Evaluates an expression to an SI number of a kind of quantity.
 *
 * @throws ProblemError `unit` when the unit does not fit or is missing, `not-finite` for a division by zero and the like
 */
export function evaluateQuantity(text: string, scope: Scope, quantity: QuantityName, place: Place): number {
  const number = toSI(evaluateExpression(text, scope, place), quantity, text, place);
  if (!Number.isFinite(number))
    fail(
      'not-finite',
      `${sentence(place.what)}: "${text}" has no finite value; look for a division by zero or a root of a negative number.`,
      { ...place.where, expression: text },
    );
  return number;
}

function toSI(value: ExpressionValue, quantity: QuantityName, text: string, place: Place): number {
  const { expressionUnit, unit, factor } = quantities[quantity];
  const wrong = (found: string): never =>
    fail(
      'unit',
      `${sentence(place.what)} needs ${unit === '' ? 'a number without a unit' : `a value in ${unit}`}, but "${text}" gives ${found}.`,
      { ...place.where, expression: text },
    );
  if (typeof value === 'boolean') return wrong('a truth value');
  if (typeof value === 'string') return wrong(`the text "${value}"`);
  if (typeof value === 'number') {
    // Zero, and what overflowed, is the same in every unit
    if (expressionUnit === '' || value === 0 || !Number.isFinite(value)) return value;
    return wrong(`the pure number ${value}; write its unit, e.g. "${value} ${expressionUnit}"`);
  }
  const known = converted.get(value);
  if (known?.quantity === quantity) return known.si;
  const expected = expressionUnit === '' ? undefined : baseOf(quantity, expressionUnit);
  if (!expected?.equalBase(value)) return wrong(describeUnit(value));
  const si = value.toNumber(expressionUnit) / factor;
  converted.set(value, { si, quantity });
  return si;
}

/** Conversions already made; values are kept and come again while something else is dragged. */
const converted = new WeakMap<Unit, QuantityValue>();

const bases = new Map<QuantityName, Unit>();
function baseOf(quantity: QuantityName, unit: string): Unit {
  let base = bases.get(quantity);
  if (!base) bases.set(quantity, (base = unitValue(1, unit)));
  return base;
}

function describeUnit(value: Unit): string {
  const name = value.toSI().formatUnits();
  return name === '' ? 'a pure number' : `a value in ${name}`;
}

/**
 * Evaluates a condition.
 *
 * @throws ProblemError `expression` when the result is not a truth value
 */
export function evaluateCondition(text: string, scope: Scope, place: Place): boolean {
  const value = evaluateExpression(text, scope, place);
  return typeof value === 'boolean' ? value : reject(place, text, 'it must be true or false');
}

/** The mathematics package's words for a sum of unlike things, in ours. */
function explain(error: unknown): string {
  const message = error instanceof Error ? error.message : String(error);
  return message.startsWith('Unexpected type of argument')
    ? 'it mixes a value with a unit and one without; write the unit beside each number'
    : message;
}
