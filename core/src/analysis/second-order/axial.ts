import type { CaseLoads } from '../loads/case-loads.js';
import type { LoadField } from '../loads/member-loads.js';
import type { Prepared } from '../first-order/static.js';

/** Axial forces of a first-order state as the iteration takes them, by member. */
export function firstOrderAxial(
  prepared: Prepared,
  loads: CaseLoads,
  startN: (member: number) => number,
): Float64Array[] {
  return prepared.frame.memberIds.map((_, m) =>
    axialPolynomials(prepared.loads.breaks[m]!, prepared.loads.terms[m]!, loads.fields[m], startN(m)),
  );
}

/** N along a member from its value at the start: four coefficients a segment. */
export function axialPolynomials(
  breaks: Float64Array,
  terms: number,
  field: LoadField | undefined,
  startN: number,
): Float64Array {
  const out = new Float64Array(4 * (breaks.length - 1));
  for (let s = 0; s + 1 < breaks.length; s++) {
    if (field) for (let k = 0; k < 4; k++) out[4 * s + k] = field.forces[6 * terms * s + k]!;
    out[4 * s]! += startN;
  }
  return out;
}

/** Mean axial force of a member, N. `axial` four coefficients a segment between `breaks` (m). */
export function meanAxial(axial: Float64Array, breaks: Float64Array): number {
  let sum = 0;
  for (let s = 0; s + 1 < breaks.length; s++) {
    const h = breaks[s + 1]! - breaks[s]!;
    for (let k = 0; k < 4; k++) sum += (axial[4 * s + k]! * h ** (k + 1)) / (k + 1);
  }
  return sum / breaks[breaks.length - 1]!;
}
