import { fail } from '../../base/problem.js';
import type { Frame } from '../frame/frame.js';
import { addStartForces, integrate, memberFlexibility } from '../member-field.js';
import type { LoadField } from './member-loads.js';

const noDisplacement = new Float64Array(6);

/** Loads along a member: ends of the segments in m, coefficients of each force on a segment, and what the loads do (N, N·m, as in `MemberField`). */
export interface SegmentLoads {
  readonly breaks: Float64Array;
  readonly terms: number;
  readonly field: LoadField;
}

/**
 * Forces of the nodes on a member whose both ends are clamped, under one case's loads along it, local axes, 12.
 *
 * Found through the cantilever held at the start: its forces balance the loads, its end moves by d, and the end's
 * stiffness brings it back: f = f_cantilever − K·[0, d]. Exact for every load, with shear deformation.
 * A bar passes loads between its ends to the nodes by the lever rule.
 *
 * @param K the member's local stiffness before hinges, row-major 12 × 12
 * @param f zeros, for the result
 * @throws ProblemError `mechanism` for a moment about the axis of a bar
 */
export function clampedForces(
  frame: Frame,
  member: number,
  loads: SegmentLoads,
  K: Float64Array,
  f: Float64Array = new Float64Array(12),
): Float64Array {
  const L = frame.length[member]!;
  const bar = frame.axialOnly[member] === 1;
  const { end } = loads.field;
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
  const d = cantileverEnd(frame, member, loads, start);
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
function cantileverEnd(frame: Frame, member: number, loads: SegmentLoads, start: Float64Array): Float64Array {
  const { breaks, terms, field } = loads;
  if (field.dislocations.length === 0 && frame.coupling[member] === 0 && !frame.tapers.has(member))
    return uniformEnd(frame, member, loads, start);
  const forces = field.forces.slice();
  addStartForces(forces, terms, breaks, start, 0);
  const flexibility = memberFlexibility(frame, member, breaks);
  const straight = frame.axialOnly[member] === 1;
  return integrate({ ...field, flexibility, straight, breaks, terms, forces }, noDisplacement, 0).end;
}

/** The same for a uniform member: areas of the forces' polynomials, and their first moments about the end. */
function uniformEnd(frame: Frame, member: number, loads: SegmentLoads, start: Float64Array): Float64Array {
  const { strain } = loads.field;
  const L = frame.length[member]!;
  const r = 6 * member;
  const R = frame.rigidity;
  const over = (rigidity: number, value: number) => (rigidity > 0 ? value / rigidity : 0);
  ending[0] = over(R[r]!, area(loads, 0, start, 0)) + strain[0] * L;
  ending[3] = over(R[r + 3]!, area(loads, 3, start, 0));
  if (frame.axialOnly[member]) {
    ending[1] = ending[2] = ending[4] = ending[5] = 0;
    return ending;
  }
  const vz = start[2]!;
  const vy = start[1]!;
  ending[4] = -(over(R[r + 1]!, area(loads, 4, start, vz)) + strain[1] * L);
  ending[5] = over(R[r + 2]!, area(loads, 5, start, vy)) + strain[2] * L;
  const sag = over(R[r + 1]!, momentOfArea(loads, 4, start, vz)) + (strain[1] * L * L) / 2;
  const sway = over(R[r + 2]!, momentOfArea(loads, 5, start, vy)) + (strain[2] * L * L) / 2;
  ending[2] = sag - over(R[r + 5]!, area(loads, 2, start, 0));
  ending[1] = sway - over(R[r + 4]!, area(loads, 1, start, 0));
  return ending;
}

/** ∫ of force `k` over the member: that of the loads, and what begins at the start and grows by `slope` a metre. */
function area({ breaks, terms, field }: SegmentLoads, k: number, start: Float64Array, slope: number): number {
  const count = breaks.length - 1;
  const L = breaks[count]!;
  let sum = start[k]! * L + (slope * L * L) / 2;
  for (let s = 0; s < count; s++) {
    const h = breaks[s + 1]! - breaks[s]!;
    let power = h;
    for (let j = 0; j < terms; j++) {
      sum += (field.forces[terms * (6 * s + k) + j]! * power) / (j + 1);
      power *= h;
    }
  }
  return sum;
}

/** ∫ of force `k` times the distance from the member's end. */
function momentOfArea(
  { breaks, terms, field }: SegmentLoads,
  k: number,
  start: Float64Array,
  slope: number,
): number {
  const count = breaks.length - 1;
  const L = breaks[count]!;
  let sum = (start[k]! * L * L) / 2 + (slope * L * L * L) / 6;
  for (let s = 0; s < count; s++) {
    const h = breaks[s + 1]! - breaks[s]!;
    const beyond = L - breaks[s + 1]!;
    let power = h;
    for (let j = 0; j < terms; j++) {
      const c = field.forces[terms * (6 * s + k) + j]!;
      // The segment's own moment about its end, and its area times what lies beyond
      sum += c * power * (h / ((j + 1) * (j + 2)) + beyond / (j + 1));
      power *= h;
    }
  }
  return sum;
}
