import { dependent, type Constraints } from './constraints.js';
import type { Frame } from './frame.js';
import { entryPlace, type Plan } from './plan.js';
import { Factor, type Progress } from './sparse/factor.js';
import { toGlobalMatrix } from './transform.js';

/** A matrix in the nodes' freedoms of one member, 12 × 12 row-major in local axes; undefined where it adds nothing. */
export type MemberMatrix = (member: number) => Float64Array | undefined;

const global = new Float64Array(144);

/** Adds every member's matrix to the panels of a factor. */
export function assembleMembers(
  frame: Frame,
  constraints: Constraints,
  plan: Plan,
  matrixOf: MemberMatrix,
  values: Float64Array,
): void {
  const { nodeEquation, places, strides, transposed, direct } = plan;
  const { offset } = plan.symbolic;
  const { blockOf, unknown } = constraints;
  // Slots of the two nodes' freedoms within their blocks
  const slots = new Int32Array(12);
  for (let m = 0; m < direct.length; m++) {
    const K = matrixOf(m);
    if (!K) continue;
    toGlobalMatrix(frame, m, K, global);
    if (!direct[m]) {
      assembleTied(frame, constraints, plan, m, global, values);
      continue;
    }
    const a = 6 * frame.start[m]!;
    const b = 6 * frame.end[m]!;
    let any = 0;
    for (let k = 0; k < 12; k++) {
      const i = k < 6 ? a + k : b + k - 6;
      const e = nodeEquation[i]!;
      slots[k] = e < 0 ? -1 : e - offset[blockOf[unknown[i]!]!]!;
      if (e >= 0) any |= k < 6 ? 1 : 2;
    }
    for (let k = 0; k < 2; k++) {
      if (!(any & (k + 1))) continue;
      const at = places[3 * m + k]!;
      const stride = strides[3 * m + k]!;
      for (let i = 0; i < 6; i++) {
        const si = slots[6 * k + i]!;
        if (si < 0) continue;
        for (let j = 0; j <= i; j++) {
          const sj = slots[6 * k + j]!;
          if (sj >= 0) values[at + si * stride + sj]! += global[12 * (6 * k + i) + 6 * k + j]!;
        }
      }
    }
    if (any !== 3) continue;
    const at = places[3 * m + 2]!;
    const stride = strides[3 * m + 2]!;
    for (let i = 0; i < 6; i++) {
      const si = slots[6 + i]!;
      if (si < 0) continue;
      for (let j = 0; j < 6; j++) {
        const sj = slots[j]!;
        if (sj < 0) continue;
        values[at + (transposed[m] ? sj * stride + si : si * stride + sj)]! += global[12 * (6 + i) + j]!;
      }
    }
  }
}

/** The unknowns that a freedom follows, with factors. */
function unknownsOf(
  constraints: Constraints,
  i: number,
): { unknowns: readonly number[]; factors: readonly number[] } {
  const u = constraints.unknown[i]!;
  if (u >= 0) return { unknowns: [u], factors: [1] };
  if (u === dependent) return constraints.dependents.get(i)!;
  return { unknowns: [], factors: [] };
}

/** A member at tied nodes: Bᵀ·K·B with B from its nodes' freedoms to the unknowns. */
function assembleTied(
  frame: Frame,
  constraints: Constraints,
  plan: Plan,
  m: number,
  K: Float64Array,
  values: Float64Array,
): void {
  const freedoms = Array.from({ length: 12 }, (_, k) =>
    k < 6 ? 6 * frame.start[m]! + k : 6 * frame.end[m]! + k - 6,
  );
  assembleFreedoms(constraints, plan, freedoms, K, values);
}

/** Adds a matrix over given freedoms (6 × node + freedom) to the panels; symmetric, row-major. */
export function assembleFreedoms(
  constraints: Constraints,
  plan: Plan,
  freedoms: readonly number[],
  K: Float64Array,
  values: Float64Array,
): void {
  const n = freedoms.length;
  const columns = new Map<number, Float64Array>();
  freedoms.forEach((i, k) => {
    const { unknowns, factors } = unknownsOf(constraints, i);
    unknowns.forEach((u, t) => {
      let column = columns.get(u);
      if (!column) columns.set(u, (column = new Float64Array(n)));
      column[k]! += factors[t]!;
    });
  });
  const list = [...columns];
  list.forEach(([u, x], p) => {
    const Kx = new Float64Array(n);
    for (let i = 0; i < n; i++) {
      let sum = 0;
      for (let j = 0; j < n; j++) sum += K[n * i + j]! * x[j]!;
      Kx[i] = sum;
    }
    for (let q = p; q < list.length; q++) {
      const [v, y] = list[q]!;
      let sum = 0;
      for (let i = 0; i < n; i++) sum += y[i]! * Kx[i]!;
      if (sum === 0) continue;
      // Only the lower half of a block is read
      const [high, low] = plan.equation[u]! >= plan.equation[v]! ? [u, v] : [v, u];
      values[entryPlace(plan, constraints, high, low)]! += sum;
    }
  });
}

/** Adds the springs of the supports to the panels. */
export function assembleSprings(
  frame: Frame,
  constraints: Constraints,
  plan: Plan,
  values: Float64Array,
): void {
  const nodes = frame.nodeIds.length;
  for (let n = 0; n < nodes; n++) {
    if (constraints.plain[n]) {
      for (let k = 0; k < 6; k++) {
        const e = plan.nodeEquation[6 * n + k]!;
        if (e >= 0 && frame.restraint[6 * n + k] !== 0)
          values[plan.diagonal[e]!]! += frame.restraint[6 * n + k]!;
      }
      continue;
    }
    const K = springMatrix(frame, n);
    if (K)
      assembleFreedoms(
        constraints,
        plan,
        [0, 1, 2, 3, 4, 5].map((k) => 6 * n + k),
        K,
        values,
      );
  }
}

/** Stiffness of a node's springs in global axes, 6 × 6; undefined where it has none. */
export function springMatrix(frame: Frame, n: number): Float64Array | undefined {
  const Q = frame.supportAxes.get(n);
  let K: Float64Array | undefined;
  for (let k = 0; k < 6; k++) {
    const spring = frame.restraint[6 * n + k]!;
    if (spring === 0 || spring === Infinity) continue;
    K ??= new Float64Array(36);
    const base = k < 3 ? 0 : 3;
    for (let i = 0; i < 3; i++)
      for (let j = 0; j < 3; j++) {
        const qi = Q ? Q[3 * (k % 3) + i]! : i === k % 3 ? 1 : 0;
        const qj = Q ? Q[3 * (k % 3) + j]! : j === k % 3 ? 1 : 0;
        K[6 * (base + i) + base + j]! += spring * qi * qj;
      }
  }
  return K;
}

/** Nodes' displacements (6 a node, global) from the equations' solution; `base` holds what is given. */
export function expand(
  constraints: Constraints,
  plan: Plan,
  x: Float64Array,
  base: Float64Array,
  out = new Float64Array(base.length),
): Float64Array {
  const { unknown, dependents } = constraints;
  for (let i = 0; i < out.length; i++) {
    const e = plan.nodeEquation[i]!;
    if (e >= 0) out[i] = x[e]!;
    else {
      let value = base[i]!;
      if (unknown[i] === dependent) {
        const { unknowns, factors } = dependents.get(i)!;
        for (let t = 0; t < unknowns.length; t++) value += factors[t]! * x[plan.equation[unknowns[t]!]!]!;
      }
      out[i] = value;
    }
  }
  return out;
}

/** The unknowns' forces from the nodes' (6 a node, global): the transpose of `expand`. */
export function reduce(
  constraints: Constraints,
  plan: Plan,
  forces: Float64Array,
  out = new Float64Array(plan.size),
): Float64Array {
  out.fill(0);
  for (let i = 0; i < forces.length; i++) {
    const e = plan.nodeEquation[i]!;
    if (e >= 0) out[e]! += forces[i]!;
    else if (constraints.unknown[i] === dependent && forces[i] !== 0) {
      const { unknowns, factors } = constraints.dependents.get(i)!;
      for (let t = 0; t < unknowns.length; t++)
        out[plan.equation[unknowns[t]!]!]! += factors[t]! * forces[i]!;
    }
  }
  return out;
}

/** The stiffness matrix of a frame, factored. */
export function factorStiffness(
  frame: Frame,
  constraints: Constraints,
  plan: Plan,
  matrixOf: MemberMatrix,
  progress?: Progress,
): Factor {
  const factor = new Factor(plan.symbolic);
  assembleMembers(frame, constraints, plan, matrixOf, factor.values);
  assembleSprings(frame, constraints, plan, factor.values);
  factor.factorize(progress);
  return factor;
}
