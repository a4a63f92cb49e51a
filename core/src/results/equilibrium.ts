import { isZero } from '../base/magnitude.js';
import { unitVectors } from '../model/axes.js';
import type { Frame, FrameState } from '../analysis/index.js';
import type { DistributedLoad } from '../model/types.js';
import { gravity } from '../model/types.js';
import { globalDisplacementAt } from './member-functions.js';

/** Balance of loads and reactions: forces (N) and moments about the origin (N·m), global. */
export interface Equilibrium {
  readonly applied: Float64Array;
  readonly reactions: Float64Array;
  /** Largest imbalance; relative to the largest load, absolute where there is none. */
  readonly residual: number;
}

const kept = new WeakMap<Frame, Float64Array[]>();

/** Resultant of every load case about the origin, from the loads themselves and not from the solution. */
export function appliedResultants(frame: Frame): Float64Array[] {
  const onMembers = memberResultants(frame);
  return frame.loadCases.map((loadCase, c) => {
    const sum = onMembers[c]!.slice();
    for (const load of loadCase.loads ?? []) {
      if (load.kind !== 'node') continue;
      const n = 3 * frame.nodeIndex.get(load.node)!;
      addForce(sum, [frame.xyz[n]!, frame.xyz[n + 1]!, frame.xyz[n + 2]!], load.F ?? [0, 0, 0]);
      (load.M ?? [0, 0, 0]).forEach((value, k) => (sum[3 + k]! += value));
    }
    return sum;
  });
}

/** Resultant about the origin of what acts on members, by load case. */
function memberResultants(frame: Frame): Float64Array[] {
  const known = kept.get(frame);
  if (known) return known;
  const resultants = frame.loadCases.map((loadCase) => {
    const sum = new Float64Array(6);
    const weight = (loadCase.selfWeight ?? 0) * gravity;
    if (weight !== 0)
      for (let m = 0; m < frame.memberIds.length; m++) {
        const L = frame.length[m]!;
        const taper = frame.tapers.get(m);
        const share = taper ? centroidShare(taper.at) : 1 / 2;
        addForce(sum, pointOn(frame, m, L * share), [0, 0, -weight * frame.massPerLength[m]! * L]);
      }
    for (const load of loadCase.loads ?? []) {
      if (load.kind === 'point') {
        const m = frame.memberIndex.get(load.member)!;
        const turn = (v: readonly number[]) => (load.axes === 'local' ? toGlobal(frame, m, v) : v);
        addForce(sum, pointOn(frame, m, load.at * frame.length[m]!), turn(load.F ?? [0, 0, 0]));
        turn(load.M ?? [0, 0, 0]).forEach((value, k) => (sum[3 + k]! += value));
      } else if (load.kind === 'distributed') addDistributed(frame, sum, load);
    }
    return sum;
  });
  kept.set(frame, resultants);
  return resultants;
}

/** Where along a taper its weight acts, as a fraction of the length: the area is a parabola. */
function centroidShare(at: (share: number) => { A: number }): number {
  const [a, b, c] = [at(0).A, at(0.5).A, at(1).A] as const;
  return (2 * b + c) / (a + 4 * b + c);
}

/** Points and weights of Gauss' rule with five points on [0, 1]. */
const gauss = [
  [0.046910077030668, 0.1184634425280945],
  [0.2307653449471585, 0.2393143352496832],
  [0.5, 0.2844444444444445],
  [0.7692346550528415, 0.2393143352496832],
  [0.953089922969332, 0.1184634425280945],
] as const;

/** Resultant of what acts on members, each load where the displaced member has it. */
function displacedResultant(frame: Frame, state: FrameState, factors: Float64Array): Float64Array {
  const sum = new Float64Array(6);
  const displacedPoint = (m: number, x: number): [number, number, number] => {
    const p = pointOn(frame, m, x);
    const u = globalDisplacementAt(frame, state.field(m), m, x);
    return [p[0] + u[0], p[1] + u[1], p[2] + u[2]];
  };
  /** A line load from x0 to x1, in parts short enough for the rule to follow the displacements. */
  const along = (m: number, x0: number, x1: number, q: (x: number) => readonly number[]) => {
    const parts = 8;
    const h = (x1 - x0) / parts;
    for (let i = 0; i < parts; i++)
      for (const [s, w] of gauss) {
        const x = x0 + (i + s) * h;
        addForce(
          sum,
          displacedPoint(m, x),
          q(x).map((value) => value * w * h),
        );
      }
  };
  frame.loadCases.forEach((loadCase, c) => {
    const factor = factors[c]!;
    if (factor === 0) return;
    const weight = (loadCase.selfWeight ?? 0) * gravity * factor;
    if (weight !== 0)
      for (let m = 0; m < frame.memberIds.length; m++) {
        const taper = frame.tapers.get(m);
        const L = frame.length[m]!;
        const mass = (x: number) => (taper ? taper.density * taper.at(x / L).A : frame.massPerLength[m]!);
        along(m, 0, L, (x) => [0, 0, -weight * mass(x)]);
      }
    for (const load of loadCase.loads ?? []) {
      if (load.kind === 'point') {
        const m = frame.memberIndex.get(load.member)!;
        const turn = (v: readonly number[]) =>
          (load.axes === 'local' ? toGlobal(frame, m, v) : v).map((value) => factor * value);
        addForce(sum, displacedPoint(m, load.at * frame.length[m]!), turn(load.F ?? [0, 0, 0]));
        turn(load.M ?? [0, 0, 0]).forEach((value, k) => (sum[3 + k]! += value));
      } else if (load.kind === 'distributed') {
        const m = frame.memberIndex.get(load.member)!;
        const L = frame.length[m]!;
        const { direction, share } = lineDirection(frame, load);
        const [from, to] = [(load.from ?? 0) * L, (load.to ?? 1) * L];
        along(m, from, to, (x) => {
          const q = load.q[0] + ((load.q[1] - load.q[0]) * (x - from)) / (to - from);
          return direction.map((d) => d * q * share * factor);
        });
      }
    }
  });
  return sum;
}

/** Direction of a line load in global axes, and the share of its length that counts. */
function lineDirection(frame: Frame, load: DistributedLoad): { direction: readonly number[]; share: number } {
  const m = frame.memberIndex.get(load.member)!;
  const unit = unitVectors[load.direction];
  const direction = load.axes === 'local' ? toGlobal(frame, m, unit) : unit;
  if (load.per !== 'projected') return { direction, share: 1 };
  // The part of the direction along the local axis that begins at `row`
  const part = (row: number) =>
    direction[0] * frame.axes[9 * m + row]! +
    direction[1] * frame.axes[9 * m + row + 1]! +
    direction[2] * frame.axes[9 * m + row + 2]!;
  return { direction, share: Math.hypot(part(3), part(6)) };
}

function addDistributed(frame: Frame, sum: Float64Array, load: DistributedLoad): void {
  const m = frame.memberIndex.get(load.member)!;
  const L = frame.length[m]!;
  const { direction, share } = lineDirection(frame, load);
  const from = (load.from ?? 0) * L;
  const width = ((load.to ?? 1) - (load.from ?? 0)) * L;
  const [q0, q1] = load.q;
  if (q0 === q1) {
    if (q0 !== 0) addForce(sum, pointOn(frame, m, from + width / 2), times(direction, q0 * width * share));
    return;
  }
  // A trapezium as two triangles, each at its own centroid
  addForce(sum, pointOn(frame, m, from + width / 3), times(direction, (q0 * width * share) / 2));
  addForce(sum, pointOn(frame, m, from + (2 * width) / 3), times(direction, (q1 * width * share) / 2));
}

/**
 * Balance of a state: in first order about the undeformed structure, in second order with every load and reaction where
 * the displaced structure has it.
 *
 * @param factors on the load cases
 */
export function stateEquilibrium(frame: Frame, state: FrameState, factors: Float64Array): Equilibrium {
  const applied = new Float64Array(6);
  const displaced = state.order === 2;
  const shift = (n: number, k: number) => (displaced ? state.displacements[6 * n + k]! : 0);
  const place = (n: number): [number, number, number] => [
    frame.xyz[3 * n]! + shift(n, 0),
    frame.xyz[3 * n + 1]! + shift(n, 1),
    frame.xyz[3 * n + 2]! + shift(n, 2),
  ];
  for (let n = 0; n < frame.nodeIds.length; n++) {
    const { nodal } = state.loads;
    addForce(applied, place(n), [nodal[6 * n]!, nodal[6 * n + 1]!, nodal[6 * n + 2]!]);
    for (let k = 3; k < 6; k++) applied[k]! += nodal[6 * n + k]!;
  }
  const onMembers: Float64Array[] = displaced
    ? [displacedResultant(frame, state, factors)]
    : memberResultants(frame);
  onMembers.forEach((resultant, c) => {
    const factor = displaced ? 1 : factors[c]!;
    for (let k = 0; k < 6; k++) applied[k]! += factor * resultant[k]!;
  });
  const reactions = new Float64Array(6);
  for (let n = 0; n < frame.nodeIds.length; n++) {
    const own = state.reactions.subarray(6 * n, 6 * n + 6);
    if (isZero(own)) continue;
    addForce(reactions, place(n), [own[0]!, own[1]!, own[2]!]);
    for (let k = 3; k < 6; k++) reactions[k]! += own[k]!;
  }
  return { applied, reactions, residual: imbalance(applied, reactions) };
}

function imbalance(applied: Float64Array, reactions: Float64Array): number {
  let gap = 0;
  let largest = 0;
  for (let k = 0; k < 6; k++) {
    gap = Math.max(gap, Math.abs(applied[k]! + reactions[k]!));
    largest = Math.max(largest, Math.abs(applied[k]!));
  }
  return largest > 0 ? gap / largest : gap;
}

function addForce(sum: Float64Array, p: readonly number[], F: readonly number[]): void {
  for (let k = 0; k < 3; k++) sum[k]! += F[k]!;
  sum[3]! += p[1]! * F[2]! - p[2]! * F[1]!;
  sum[4]! += p[2]! * F[0]! - p[0]! * F[2]!;
  sum[5]! += p[0]! * F[1]! - p[1]! * F[0]!;
}

function times(v: readonly number[], factor: number): readonly number[] {
  return [v[0]! * factor, v[1]! * factor, v[2]! * factor];
}

/** Point on the member's axis, x m from its start, global. */
export function pointOn(frame: Frame, m: number, x: number): [number, number, number] {
  const { xyz, arms, axes } = frame;
  const n = 3 * frame.start[m]!;
  const r = 6 * m;
  const a = 9 * m;
  return [
    xyz[n]! + arms[r]! + axes[a]! * x,
    xyz[n + 1]! + arms[r + 1]! + axes[a + 1]! * x,
    xyz[n + 2]! + arms[r + 2]! + axes[a + 2]! * x,
  ];
}

function toGlobal(frame: Frame, m: number, v: readonly number[]): number[] {
  const a = 9 * m;
  return [0, 1, 2].map(
    (k) => frame.axes[a + k]! * v[0]! + frame.axes[a + 3 + k]! * v[1]! + frame.axes[a + 6 + k]! * v[2]!,
  );
}
