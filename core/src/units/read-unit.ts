import { siPrefixes, unitTable, type Dimension, type UnitEntry } from './unit-table.js';

/** A unit: how many SI base units it is, and of which dimension. */
export interface ReadUnit {
  readonly si: number;
  readonly dimension: Dimension;
}

const byName = new Map(unitTable.flatMap((entry) => entry.names.map((name) => [name, entry] as const)));
const prefixByName = new Map(
  siPrefixes.flatMap(([letters, word, power]) => [
    [`letters ${letters}`, power],
    [`words ${word}`, power],
  ]),
);
const longestPrefix = Math.max(...siPrefixes.map(([, word]) => word.length));

/**
 * The unit of a name, with a prefix or without (`kN`, `mm`, `kilogram`), or of names that are multiplied by a space or `*`, divided by `/`
 * (the next name alone) and raised by `^` to a whole number: `kN m/rad`, `N/mm^2`.
 *
 * @returns undefined where there is none, or where its zero is not zero (degrees Celsius)
 */
export function readUnit(text: string): ReadUnit | undefined {
  const parts = text.trim().split(/\s*([*/])\s*|\s+/);
  let si = 1;
  let dimension: Dimension = [0, 0, 0, 0, 0];
  let sign = 1;
  // Between two names there is what stood between them: `*`, `/`, or nothing
  for (const [i, part] of parts.entries()) {
    if (i % 2 === 1) {
      sign = part === '/' ? -1 : 1;
      continue;
    }
    const [, name, exponent = '1'] = /^([A-Za-z]+[A-Za-z0-9]*)(?:\s*\^\s*(\d+))?$/.exec(part) ?? [];
    const unit = name === undefined ? undefined : named(name);
    if (!unit) return undefined;
    const power = sign * Number(exponent);
    si *= unit.si ** power;
    dimension = dimension.map((one, k) => one + power * unit.dimension[k]!);
  }
  return { si, dimension };
}

/** A name of the table goes before one with a prefix: `min` is a minute, not a thousandth of an inch. */
function named(name: string): ReadUnit | undefined {
  const whole = byName.get(name);
  if (whole) return whole;
  for (let length = 1; length <= Math.min(longestPrefix, name.length - 1); length++) {
    const entry = byName.get(name.slice(length));
    const power = entry && prefixOf(entry, name.slice(0, length));
    if (power === undefined) continue;
    return { si: entry!.si * Number(`1e${power * entry!.power}`), dimension: entry!.dimension };
  }
  return undefined;
}

/** Power of ten of a prefix; undefined where the unit does not take it. */
function prefixOf({ prefixes }: UnitEntry, prefix: string): number | undefined {
  return prefixByName.get(`${prefixes} ${prefix}`);
}
