import { dependent, type Constraints } from '../frame/constraints.js';
import type { Frame } from '../frame/frame.js';
import type { Plan } from './plan.js';
import { Factor, type Progress } from '../sparse/factor.js';
import { addTied, Ties } from '../frame/tied-freedoms.js';
import { toGlobalMatrix } from '../frame/transform.js';

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
  const ties = Ties.of(constraints, plan);
  const work = new Float64Array(12);
  for (let m = 0; m < direct.length; m++) {
    const K = matrixOf(m);
    if (!K) continue;
    toGlobalMatrix(frame, m, K, global);
    if (!direct[m]) {
      // Bᵀ·K·B with B from its nodes' freedoms to the unknowns
      addTied(ties.member(frame, m), global, values, work);
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

/** Adds a matrix over given freedoms (6 × node + freedom) to the panels; symmetric, row-major. What is found for a list is kept with it. */
export function assembleFreedoms(
  constraints: Constraints,
  plan: Plan,
  freedoms: readonly number[],
  K: Float64Array,
  values: Float64Array,
): void {
  addTied(Ties.of(constraints, plan).list(freedoms), K, values);
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
  out: Float64Array = new Float64Array(base.length),
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
  out: Float64Array = new Float64Array(plan.size),
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
