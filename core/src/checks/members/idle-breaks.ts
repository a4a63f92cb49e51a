import { shiftOrigin, type MemberField } from '../../analysis/index.js';

/** How far two polynomials may differ, of their greatest coefficient, and be the same. */
const same = 1e-9;

/**
 * A field without the breaks at which its forces go on as they were: where trains stand in other states nothing happens in this one, and
 * checks look at every break.
 */
export function withoutIdleBreaks(field: MemberField): MemberField {
  const { breaks, forces, forceTerms: terms } = field;
  const size = 6 * terms;
  const scale = new Float64Array(6);
  for (let i = 0; i < forces.length; i++) {
    const k = Math.floor(i / terms) % 6;
    const h = breaks[breaks.length - 1]! - breaks[0]!;
    scale[k] = Math.max(scale[k]!, Math.abs(forces[i]!) * h ** (i % terms));
  }
  const starts = [0];
  for (let s = 1; s + 1 < breaks.length; s++) {
    const from = starts[starts.length - 1]!;
    if (!continues(field, from, s, scale)) starts.push(s);
  }
  if (starts.length === breaks.length - 1) return field;
  const kept = new Float64Array(size * starts.length);
  starts.forEach((s, i) => kept.set(forces.subarray(size * s, size * (s + 1)), size * i));
  return Object.assign(Object.create(field) as MemberField, {
    breaks: Float64Array.from([...starts.map((s) => breaks[s]!), breaks[breaks.length - 1]!]),
    forces: kept,
  });
}

/** Whether the forces of a segment are those of an earlier one, further along. */
function continues(
  { breaks, forces, forceTerms: terms }: MemberField,
  from: number,
  s: number,
  scale: Float64Array,
): boolean {
  const h = breaks[breaks.length - 1]! - breaks[0]!;
  for (let k = 0; k < 6; k++) {
    const c = forces.slice(terms * (6 * from + k), terms * (6 * from + k + 1));
    shiftOrigin(c, 0, terms, breaks[s]! - breaks[from]!);
    for (let i = 0; i < terms; i++)
      if (Math.abs(c[i]! - forces[terms * (6 * s + k) + i]!) * h ** i > same * Math.max(scale[k]!, 1e-9))
        return false;
  }
  return true;
}
