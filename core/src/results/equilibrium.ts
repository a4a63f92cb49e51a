import type { Frame, StaticResults } from '../analysis/index.js';
import type { DistributedLoad } from '../model/types.js';
import { gravity } from '../model/types.js';

/** Balance of loads and reactions: forces (N) and moments about the origin (N·m), global. */
export interface Equilibrium {
  readonly applied: Float64Array;
  readonly reactions: Float64Array;
  /** Largest imbalance; relative to the largest load, absolute where there is none. */
  readonly residual: number;
}

/** Resultant of every load case about the origin, from the loads themselves and not from the solution. */
export function appliedResultants(frame: Frame): Float64Array[] {
  return frame.loadCases.map((loadCase) => {
    const sum = new Float64Array(6);
    const weight = (loadCase.selfWeight ?? 0) * gravity;
    if (weight !== 0)
      for (let m = 0; m < frame.memberIds.length; m++) {
        const L = frame.length[m]!;
        addForce(sum, pointOn(frame, m, L / 2), [0, 0, -weight * frame.massPerLength[m]! * L]);
      }
    for (const load of loadCase.loads ?? []) {
      if (load.kind === 'node') {
        const n = 3 * frame.nodeIndex.get(load.node)!;
        addForce(sum, [frame.xyz[n]!, frame.xyz[n + 1]!, frame.xyz[n + 2]!], load.F ?? [0, 0, 0]);
        (load.M ?? [0, 0, 0]).forEach((value, k) => (sum[3 + k]! += value));
      } else if (load.kind === 'point') {
        const m = frame.memberIndex.get(load.member)!;
        const turn = (v: readonly number[]) => (load.axes === 'local' ? toGlobal(frame, m, v) : v);
        addForce(sum, pointOn(frame, m, load.at * frame.length[m]!), turn(load.F ?? [0, 0, 0]));
        turn(load.M ?? [0, 0, 0]).forEach((value, k) => (sum[3 + k]! += value));
      } else if (load.kind === 'distributed') addDistributed(frame, sum, load);
    }
    return sum;
  });
}

function addDistributed(frame: Frame, sum: Float64Array, load: DistributedLoad): void {
  const m = frame.memberIndex.get(load.member)!;
  const L = frame.length[m]!;
  const unit = [0, 0, 0];
  unit[{ x: 0, y: 1, z: 2 }[load.direction]] = 1;
  const direction = load.axes === 'local' ? toGlobal(frame, m, unit) : unit;
  // The part of the direction along the local axis that begins at `row`
  const part = (row: number) =>
    direction[0]! * frame.axes[9 * m + row]! +
    direction[1]! * frame.axes[9 * m + row + 1]! +
    direction[2]! * frame.axes[9 * m + row + 2]!;
  const share = load.per === 'projected' ? Math.hypot(part(3), part(6)) : 1;
  const from = (load.from ?? 0) * L;
  const width = ((load.to ?? 1) - (load.from ?? 0)) * L;
  const [q0, q1] = load.q;
  const total = ((q0 + q1) / 2) * width * share;
  if (total === 0 && q0 === q1) return;
  // A trapezium as two triangles, each at its own centroid
  addForce(
    sum,
    pointOn(frame, m, from + width / 3),
    direction.map((d) => (d * q0 * width * share) / 2),
  );
  addForce(
    sum,
    pointOn(frame, m, from + (2 * width) / 3),
    direction.map((d) => (d * q1 * width * share) / 2),
  );
}

/** Balance for factors on the load cases. */
export function equilibrium(
  frame: Frame,
  results: StaticResults,
  resultants: readonly Float64Array[],
  factors: Float64Array,
): Equilibrium {
  const applied = new Float64Array(6);
  const reactions = new Float64Array(6);
  factors.forEach((factor, c) => {
    if (factor === 0) return;
    for (let k = 0; k < 6; k++) applied[k]! += factor * resultants[c]![k]!;
    const own = results.reactions[c]!;
    for (let n = 0; n < frame.nodeIds.length; n++) {
      const p = [frame.xyz[3 * n]!, frame.xyz[3 * n + 1]!, frame.xyz[3 * n + 2]!];
      addForce(
        reactions,
        p,
        [0, 1, 2].map((k) => factor * own[6 * n + k]!),
      );
      for (let k = 3; k < 6; k++) reactions[k]! += factor * own[6 * n + k]!;
    }
  });
  let gap = 0;
  let largest = 0;
  for (let k = 0; k < 6; k++) {
    gap = Math.max(gap, Math.abs(applied[k]! + reactions[k]!));
    largest = Math.max(largest, Math.abs(applied[k]!));
  }
  return { applied, reactions, residual: largest > 0 ? gap / largest : gap };
}

function addForce(sum: Float64Array, p: readonly number[], F: readonly number[]): void {
  for (let k = 0; k < 3; k++) sum[k]! += F[k]!;
  sum[3]! += p[1]! * F[2]! - p[2]! * F[1]!;
  sum[4]! += p[2]! * F[0]! - p[0]! * F[2]!;
  sum[5]! += p[0]! * F[1]! - p[1]! * F[0]!;
}

/** Point on the member's axis, x m from its start, global. */
export function pointOn(frame: Frame, m: number, x: number): [number, number, number] {
  const n = 3 * frame.start[m]!;
  const at = (k: number) => frame.xyz[n + k]! + frame.arms[6 * m + k]! + frame.axes[9 * m + k]! * x;
  return [at(0), at(1), at(2)];
}

function toGlobal(frame: Frame, m: number, v: readonly number[]): number[] {
  const a = 9 * m;
  return [0, 1, 2].map(
    (k) => frame.axes[a + k]! * v[0]! + frame.axes[a + 3 + k]! * v[1]! + frame.axes[a + 6 + k]! * v[2]!,
  );
}
