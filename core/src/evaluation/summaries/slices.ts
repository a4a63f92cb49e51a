import type { Geometry } from '../../geometry/geometry.js';
import { sliceTags } from '../../drawing/slices.js';
import type { AlternativeSummary } from './summary.js';

/** The slices of a frame: tags of which members have more than one value, each with its values in order. */
export function slicesOf({ members }: Geometry): AlternativeSummary['slices'] {
  return sliceTags.flatMap((tag) => {
    const values = new Set<string | number>();
    for (const { tags } of members.values()) {
      const value = tags[tag];
      if (value !== undefined) values.add(value);
    }
    return values.size > 1 ? [{ tag, values: [...values].sort(inOrder) }] : [];
  });
}

/** Numbers by size, texts by the alphabet. */
export function inOrder(a: string | number, b: string | number): number {
  if (typeof a === 'number' && typeof b === 'number') return a - b;
  return String(a) < String(b) ? -1 : 1;
}
