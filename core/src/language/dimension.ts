import { quantities, type QuantityName } from '../units/quantities.js';
import { readUnit } from '../units/read-unit.js';
import type { Dimension } from '../units/unit-table.js';

export type { Dimension };

export const pureNumber: Dimension = [0, 0, 0, 0, 0];

/** Whether two dimensions are the same. */
export function sameDimension(a: Dimension, b: Dimension): boolean {
  return a.every((exponent, i) => Math.abs(exponent - b[i]!) < 1e-9);
}

/** Whether nothing remains of any base dimension. */
export function isPure(dimension: Dimension): boolean {
  return sameDimension(dimension, pureNumber);
}

/** a + factor · b, exponent by exponent: the dimension of a·bᶠ. */
export function combined(a: Dimension, b: Dimension, factor: number): Dimension {
  return a.map((exponent, i) => exponent + factor * b[i]!);
}

const known = new Map<QuantityName, Dimension>();

/** Dimension of a kind of quantity. */
export function dimensionOf(quantity: QuantityName): Dimension {
  let dimension = known.get(quantity);
  if (!dimension) {
    const unit = quantities[quantity].expressionUnit;
    dimension = unit === '' ? pureNumber : readUnit(unit)!.dimension;
    known.set(quantity, dimension);
  }
  return dimension;
}

/** The usual unit of a dimension, for messages: that of the first kind of quantity that has it. */
export function usualUnit(dimension: Dimension): string | undefined {
  for (const name of Object.keys(quantities) as QuantityName[])
    if (name !== 'number' && sameDimension(dimensionOf(name), dimension)) return quantities[name].unit;
  return undefined;
}

/** A dimension in words: `a value in kN/m`, `a pure number`. */
export function describeDimension(dimension: Dimension): string {
  if (isPure(dimension)) return 'a pure number';
  const unit = usualUnit(dimension);
  if (unit !== undefined) return `a value in ${unit}`;
  const names = ['kg', 'm', 's', 'K', 'rad'];
  const parts = dimension.flatMap((exponent, i) =>
    Math.abs(exponent) < 1e-9 ? [] : [exponent === 1 ? names[i]! : `${names[i]!}^${exponent}`],
  );
  return `a value in ${parts.join(' ')}`;
}
