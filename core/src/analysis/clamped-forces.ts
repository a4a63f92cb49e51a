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
  const start = work;
  start[0] = -end[0]!;
  start[1] = vy;
  start[2] = vz;
  start[3] = -end[3]!;
  start[4] = bar ? 0 : -end[4]! - vz * L;
  start[5] = bar ? 0 : -end[5]! - vy * L;
  const d = cantileverEnd(frame, member, breaks, terms, field, start, bar);
  const f = new Float64Array(12);
  f[0] = -start[0];
  f[1] = start[1];
  f[2] = start[2];
  f[3] = -start[3];
  f[4] = start[4];
  f[5] = -start[5];
  f[7] = -(vy + end[1]!);
  f[8] = -(vz + end[2]!);
  for (let j = 0; j < 6; j++) {
    const dj = d[j]!;
    if (dj !== 0) for (let i = 0; i < 12; i++) f[i]! -= K[12 * i + 6 + j]! * dj;
  }
  return f;
}

const work = new Float64Array(6);
const ending = new Float64Array(6);

/** Displacement of the end of the member held at its start, under its loads and forces at its start that balance them. */
function cantileverEnd(
  frame: Frame,
  member: number,
  breaks: Float64Array,
  terms: number,
  field: LoadField,
  start: Float64Array,
  bar: boolean,
): Float64Array {
  if (
    breaks.length === 2 &&
    field.dislocations.length === 0 &&
    frame.coupling[member] === 0 &&
    !frame.tapers.has(member)
  )
    return uniformEnd(frame, member, breaks[1]!, terms, field, start, bar);
  const forces = field.forces.slice();
  addStartForces(forces, terms, breaks, start, 0);
  const flexibility = memberFlexibility(frame, member, breaks);
  return integrate(
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
}

/** The same for a uniform member of one segment: single and double integrals of the forces' polynomials. */
function uniformEnd(
  frame: Frame,
  member: number,
  L: number,
  terms: number,
  { forces, strain }: LoadField,
  start: Float64Array,
  bar: boolean,
): Float64Array {
  const r = 6 * member;
  const R = frame.rigidity;
  const once = (k: number, linear: number): number => {
    let sum = start[k]! * L + (linear * L * L) / 2;
    let power = L;
    for (let j = 0; j < terms; j++) {
      sum += (forces[terms * k + j]! * power) / (j + 1);
      power *= L;
    }
    return sum;
  };
  const twice = (k: number, linear: number): number => {
    let sum = (start[k]! * L * L) / 2 + (linear * L * L * L) / 6;
    let power = L * L;
    for (let j = 0; j < terms; j++) {
      sum += (forces[terms * k + j]! * power) / ((j + 1) * (j + 2));
      power *= L;
    }
    return sum;
  };
  const over = (rigidity: number, value: number) => (rigidity > 0 ? value / rigidity : 0);
  ending[0] = over(R[r]!, once(0, 0)) + strain[0] * L;
  ending[3] = over(R[r + 3]!, once(3, 0));
  if (bar) {
    ending[1] = ending[2] = ending[4] = ending[5] = 0;
    return ending;
  }
  const vz = start[2]!;
  const vy = start[1]!;
  ending[4] = -(over(R[r + 1]!, once(4, vz)) + strain[1] * L);
  ending[5] = over(R[r + 2]!, once(5, vy)) + strain[2] * L;
  ending[2] = over(R[r + 1]!, twice(4, vz)) + (strain[1] * L * L) / 2 - over(R[r + 5]!, once(2, 0));
  ending[1] = over(R[r + 2]!, twice(5, vy)) + (strain[2] * L * L) / 2 - over(R[r + 4]!, once(1, 0));
  return ending;
}
