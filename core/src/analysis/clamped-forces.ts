import { fail } from '../problem.js';
import type { Frame } from './frame.js';
import { addStartForces, integrate, memberFlexibility } from './member-field.js';
import type { LoadField } from './member-loads.js';

const noDisplacement = new Float64Array(6);

/**
 * Forces of the nodes on a member whose both ends are clamped, under one case's loads along it, local axes, 12.
 *
 * Found through the cantilever held at the start: its forces balance the loads, its end moves by d, and the end's
 * stiffness brings it back: f = f_cantilever − K·[0, d]. Exact for every load, with shear deformation.
 * A bar passes loads between its ends to the nodes by the lever rule.
 *
 * @param K the member's local stiffness before hinges, row-major 12 × 12
 * @throws ProblemError `mechanism` for a moment about the axis of a bar
 */
export function clampedForces(
  frame: Frame,
  member: number,
  breaks: Float64Array,
  terms: number,
  field: LoadField,
  K: Float64Array,
): Float64Array {
  const L = frame.length[member]!;
  const bar = frame.axialOnly[member] === 1;
  const { end } = field;
  if (bar && Math.abs(end[3]!) > 0)
    fail(
      'mechanism',
      `A moment turns the bar "${frame.memberIds[member]!}" about its own axis, where nothing holds it.`,
      { member: frame.memberIds[member] },
    );
  const vy = bar ? -end[5]! / L : -end[1]!;
  const vz = bar ? -end[4]! / L : -end[2]!;
  const start = Float64Array.of(
    -end[0]!,
    vy,
    vz,
    -end[3]!,
    bar ? 0 : -end[4]! - vz * L,
    bar ? 0 : -end[5]! - vy * L,
  );
  const forces = field.forces.slice();
  addStartForces(forces, terms, breaks, start, 0);
  const flexibility = memberFlexibility(frame, member, breaks);
  const d = integrate(
    flexibility,
    bar,
    breaks,
    forces,
    terms,
    field.strain,
    field.dislocations,
    noDisplacement,
    0,
  ).end;
  const f = Float64Array.of(
    -start[0]!,
    start[1]!,
    start[2]!,
    -start[3]!,
    start[4]!,
    -start[5]!,
    0,
    -(vy + end[1]!),
    -(vz + end[2]!),
    0,
    0,
    0,
  );
  for (let i = 0; i < 12; i++) for (let j = 0; j < 6; j++) f[i]! -= K[12 * i + 6 + j]! * d[j]!;
  return f;
}
