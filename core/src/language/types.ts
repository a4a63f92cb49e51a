import type { QuantityName } from '../units/quantities.js';
import { describeDimension, dimensionOf, isPure, sameDimension, type Dimension } from './dimension.js';

/** What an expression gives: a number of some dimension, a truth value, or text. */
export type ValueType =
  | {
      readonly kind: 'number';
      readonly dimension: Dimension;
      /** A literal zero: it fits every unit. */
      readonly zero?: boolean;
      /** A pure number that atan and its like gave: an angle in rad. */
      readonly radians?: boolean;
    }
  | { readonly kind: 'truth' }
  | { readonly kind: 'text' };

/** SI base units for numbers. */
export type Value = number | boolean | string;

export const truth: ValueType = { kind: 'truth' };
export const text: ValueType = { kind: 'text' };
export const numberOf = (dimension: Dimension): ValueType => ({ kind: 'number', dimension });
export const typeOfQuantity = (quantity: QuantityName): ValueType => numberOf(dimensionOf(quantity));

/** A type in words. */
export function describeType(type: ValueType): string {
  if (type.kind === 'truth') return 'a truth value';
  if (type.kind === 'text') return 'text';
  return describeDimension(type.dimension);
}

/** Whether a number of this type can stand where that dimension is wanted. */
export function fits(type: ValueType, wanted: Dimension): boolean {
  if (type.kind !== 'number') return false;
  if (sameDimension(type.dimension, wanted) || type.zero) return true;
  return type.radians === true && isPure(type.dimension) && sameDimension(wanted, dimensionOf('angle'));
}

/** A named value that expressions can use. */
export interface Named {
  readonly type: ValueType;
  readonly value: Value;
  /** Of parameters, for reading. */
  readonly quantity?: QuantityName;
}

/** Named values: parameters. */
export type Scope = ReadonlyMap<string, Named>;

/** Tags of a node or member; numbers are SI. */
export type Tags = Readonly<Record<string, string | number | undefined>>;

/** Types of the tags that conditions and formulas may read. */
export const tagTypes: ReadonlyMap<string, ValueType> = new Map<string, ValueType>([
  ...['step', 'role', 'place', 'side', 'face', 'direction', 'part'].map((name) => [name, text] as const),
  ...['storey', 'bay', 'row', 'level'].map((name) => [name, typeOfQuantity('number')] as const),
  ...['length', 'x', 'y', 'z'].map((name) => [name, typeOfQuantity('length')] as const),
  ['slope', typeOfQuantity('angle')],
]);
