import type { Sheet } from '../types';

/** Whether two sheets look alike: the same drawing under the same camera. A sheet that looks as before is not painted again. */
export function sameSheet(one: Sheet, other: Sheet): boolean {
  return (
    one.scene === other.scene &&
    one.phase === other.phase &&
    one.thumbnail === other.thumbnail &&
    one.dimensions === other.dimensions &&
    sameNumbers(one.size, other.size) &&
    sameNumbers(one.scales, other.scales) &&
    one.layers.join() === other.layers.join() &&
    (one.view === other.view || JSON.stringify(one.view) === JSON.stringify(other.view))
  );
}

function sameNumbers<T extends object>(one: T, other: T): boolean {
  return (Object.keys(one) as (keyof T)[]).every((key) => Object.is(one[key], other[key]));
}
