import { create, parseDependencies, unitDependencies, type MathNode, type Unit } from 'mathjs';

const math = create({ ...parseDependencies, ...unitDependencies });

/** Exponents of the base dimensions in the order of the mathematics package (mass, length, time, …, angle at 7). */
export type Dimension = readonly number[];

/** Reads text into the package's tree. @throws SyntaxError with the place */
export function parseText(text: string): MathNode {
  return math.parse(text);
}

/** A unit: how many SI base units it is, and of which dimension. */
export interface ReadUnit {
  readonly si: number;
  readonly dimension: Dimension;
}

const known = new Map<string, ReadUnit | undefined>();

/** The unit of that name or compound; undefined where there is none, or where its zero is not zero (degrees Celsius). */
export function readUnit(name: string): ReadUnit | undefined {
  if (known.has(name)) return known.get(name);
  let read: ReadUnit | undefined;
  if (!/^[A-Za-z0-9/^ *]+$/.test(name)) read = undefined;
  else
    try {
      const unit = math.unit(1, name) as Unit & { dimensions: number[]; value: number };
      const zero = math.unit(0, name) as unknown as { value: number };
      if (zero.value === 0) read = { si: unit.value, dimension: unit.dimensions };
    } catch {
      // The package throws for what is no unit, which is an answer
      read = undefined;
    }
  if (known.size > 2000) known.clear();
  known.set(name, read);
  return read;
}
