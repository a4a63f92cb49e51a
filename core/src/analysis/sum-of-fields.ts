import type { MemberField } from './member-field.js';
import { shiftOrigin } from './polynomial.js';

/** A field that counts with a factor; its start lies `from` behind that of the sum, m. */
export interface FieldTerm {
  readonly field: MemberField;
  readonly factor: number;
  readonly from: number;
}

/** The sum of fields along one member, each on the stretch that it covers; breaks are those of all of them. */
export function sumOfFields(terms: readonly FieldTerm[], length: number): MemberField {
  const near = 1e-9 * length;
  const breaks = terms
    .flatMap(({ field, from }) => [...field.breaks].map((x) => x + from))
    .sort((a, b) => a - b)
    .filter((x, k, all) => k === 0 || x - all[k - 1]! > near);
  breaks[0] = 0;
  breaks[breaks.length - 1] = length;
  const forceTerms = Math.max(...terms.map(({ field }) => field.forceTerms));
  const displacementTerms = Math.max(...terms.map(({ field }) => field.displacementTerms));
  const count = breaks.length - 1;
  const forces = new Float64Array(6 * forceTerms * count);
  const displacements = new Float64Array(4 * displacementTerms * count);
  for (let s = 0; s < count; s++) {
    const middle = (breaks[s]! + breaks[s + 1]!) / 2;
    for (const { field, factor, from } of terms) {
      const last = field.breaks.length - 1;
      if (middle < from || middle > from + field.breaks[last]!) continue;
      let own = 0;
      while (own + 1 < last && middle > from + field.breaks[own + 1]!) own++;
      const shift = breaks[s]! - from - field.breaks[own]!;
      add(forces, 6, forceTerms, s, { of: field.forces, terms: field.forceTerms, own, shift, factor });
      add(displacements, 4, displacementTerms, s, {
        of: field.displacements,
        terms: field.displacementTerms,
        own,
        shift,
        factor,
      });
    }
  }
  return { breaks: Float64Array.from(breaks), forceTerms, forces, displacementTerms, displacements };
}

/** Adds the functions of one segment, moved to where the sum's segment begins. */
function add(
  out: Float64Array,
  functions: number,
  outTerms: number,
  segment: number,
  from: {
    readonly of: Float64Array;
    readonly terms: number;
    readonly own: number;
    readonly shift: number;
    readonly factor: number;
  },
): void {
  const { of, terms, own, shift, factor } = from;
  const moved = new Float64Array(terms);
  for (let k = 0; k < functions; k++) {
    const at = terms * (functions * own + k);
    moved.set(of.subarray(at, at + terms));
    shiftOrigin(moved, 0, terms, shift);
    const to = outTerms * (functions * segment + k);
    for (let i = 0; i < terms; i++) out[to + i]! += factor * moved[i]!;
  }
}
