import { freedoms } from '../model/types.js';
import { attempt, ProblemError, type Outcome } from '../problem.js';
import { clampedForces } from './clamped-forces.js';
import { formElements, nodeDiagonal, type Elements } from './elements.js';
import type { Frame } from './frame.js';
import { findFreedoms } from './freedoms.js';
import { condenseLoads, displaceInside } from './hinges.js';
import { findMechanisms } from './mechanism.js';
import { memberLoadFields, type MemberLoadFields } from './member-loads.js';
import { memberEquations, planFor, type Plan } from './plan.js';
import { factorize, solveFactored } from './sparse/factor.js';

/** Linear results of every load case; combinations are superpositions of them. */
export interface StaticResults {
  /** By case, 6 a node: displacements, global, m and rad. */
  readonly displacements: readonly Float64Array[];
  /** By case, 12 a member: N, Vy, Vz, T, My, Mz, then u, v, w, φ, θy, θz at the start, inside its hinges, local. */
  readonly startStates: readonly Float64Array[];
  /** By case, 6 a node: what supports do to the structure, global; zero where nothing holds. */
  readonly reactions: readonly Float64Array[];
  readonly loads: MemberLoadFields;
  /** What a user should know beside the numbers. */
  readonly notes: readonly string[];
}

/**
 * First-order elastic analysis of all load cases with one factorization.
 *
 * @returns results, or `mechanism` naming nodes and directions that can move
 */
export function solveStatic(frame: Frame): Outcome<StaticResults> {
  return attempt(() => {
    const elements = formElements(frame);
    const loads = memberLoadFields(frame);
    const { active, dropped, loose } = findFreedoms(
      frame,
      nodeDiagonal(frame, elements),
      loadedFreedoms(frame),
    );
    const plan = planFor(frame, active);
    const values = assemble(frame, elements, plan);
    const diagonal = Float64Array.from(plan.diagonal, (place) => values[place]!);
    const factor = factorize(plan.symbolic, values);
    const mechanisms = findMechanisms(frame, plan, factor, diagonal);
    if (mechanisms.length > 0) throw new ProblemError(mechanisms);

    const displacements: Float64Array[] = [];
    const startStates: Float64Array[] = [];
    const reactions: Float64Array[] = [];
    frame.loadCases.forEach((_, c) => {
      const clamped = clampedLoads(frame, elements, loads, c);
      const known = settlements(frame, c);
      const nodal = nodeLoads(frame, c);
      const b = rightHandSide(frame, elements, plan, clamped, known, nodal);
      solveFactored(factor, b);
      const u = known.slice();
      for (let i = 0; i < u.length; i++) if (plan.equation[i]! >= 0) u[i] = b[plan.equation[i]!]!;
      const { states, endForces } = recover(frame, elements, clamped, u);
      startStates.push(states);
      reactions.push(supportReactions(frame, endForces, nodal));
      displacements.push(toGlobal(frame, u));
    });
    const notes = [...looseNotes(frame, loose), ...hingedJointNotes(frame, dropped)];
    return { displacements, startStates, reactions, loads, notes };
  });
}

function looseNotes(frame: Frame, loose: readonly number[]): string[] {
  return loose.map((n) => `No member meets the node "${frame.nodeIds[n]!}"; it is ignored.`);
}

/** Notes on joints where every frame member is hinged; that bars leave their nodes free to turn goes without saying. */
function hingedJointNotes(frame: Frame, dropped: readonly number[]): string[] {
  const rigid = new Set<number>();
  frame.axialOnly.forEach((bar, m) => {
    if (bar) return;
    rigid.add(frame.start[m]!);
    rigid.add(frame.end[m]!);
  });
  return dropped
    .filter((i) => rigid.has(Math.floor(i / 6)))
    .map(
      (i) =>
        `Every member is hinged at the node "${frame.nodeIds[Math.floor(i / 6)]!}"; its rotation ${freedoms[i % 6]!} is left out.`,
    );
}

/** Forces of clamped members under one case: through hinges, with what stays inside them. */
interface ClampedLoad {
  readonly f: Float64Array;
  readonly inside: Float64Array;
}

function clampedLoads(
  frame: Frame,
  elements: Elements,
  loads: MemberLoadFields,
  c: number,
): (ClampedLoad | undefined)[] {
  return loads.fields[c]!.map((field, m) => {
    if (!field) return undefined;
    const K = elements.clamped.subarray(144 * m, 144 * m + 144);
    const f = clampedForces(frame, m, loads.breaks[m]!, field, K);
    return { f, inside: condenseLoads(elements.hinges[m]!, f) };
  });
}

function assemble(frame: Frame, elements: Elements, plan: Plan): Float64Array {
  const values = new Float64Array(plan.symbolic.pattern.rows.length);
  for (let k = 0; k < plan.scatter.length; k++) {
    const place = plan.scatter[k]!;
    if (place >= 0) values[place]! += elements.global[k]!;
  }
  for (let i = 0; i < frame.restraint.length; i++) {
    const e = plan.equation[i]!;
    if (e >= 0) values[plan.diagonal[e]!]! += frame.restraint[i]!;
  }
  return values;
}

/** 6 a node: where a node load acts. */
function loadedFreedoms(frame: Frame): Uint8Array {
  const out = new Uint8Array(6 * frame.nodeIds.length);
  frame.loadCases.forEach((_, c) =>
    nodeLoads(frame, c).forEach((value, i) => {
      if (value !== 0) out[i] = 1;
    }),
  );
  return out;
}

/** 6 a node: forces and moments applied at nodes in one case, in the nodes' axes. */
function nodeLoads(frame: Frame, c: number): Float64Array {
  const out = new Float64Array(6 * frame.nodeIds.length);
  for (const load of frame.loadCases[c]!.loads ?? []) {
    if (load.kind !== 'node') continue;
    const n = frame.nodeIndex.get(load.node)!;
    [...(load.F ?? [0, 0, 0]), ...(load.M ?? [0, 0, 0])].forEach((value, k) => {
      out[6 * n + k]! += value;
    });
  }
  rotateNodes(frame, out, true);
  return out;
}

/** 6 a node: given displacements of held freedoms in one case, in the supports' axes. */
function settlements(frame: Frame, c: number): Float64Array {
  const out = new Float64Array(6 * frame.nodeIds.length);
  for (const load of frame.loadCases[c]!.loads ?? []) {
    if (load.kind !== 'settlement') continue;
    const n = frame.nodeIndex.get(load.node)!;
    freedoms.forEach((freedom, k) => {
      out[6 * n + k]! += load[freedom] ?? 0;
    });
  }
  return out;
}

/** Loads less the clamped members' forces, less what settlements of fixed supports cause, plus k·s of settling springs. */
function rightHandSide(
  frame: Frame,
  elements: Elements,
  plan: Plan,
  clamped: readonly (ClampedLoad | undefined)[],
  known: Float64Array,
  nodal: Float64Array,
): Float64Array {
  const b = new Float64Array(plan.size);
  const equations = new Int32Array(12);
  for (let i = 0; i < nodal.length; i++) {
    const e = plan.equation[i]!;
    if (e < 0) continue;
    b[e]! += nodal[i]!;
    if (known[i] !== 0) {
      // The spring's ground end moves; the node itself stays an unknown
      b[e]! += frame.restraint[i]! * known[i]!;
      known[i] = 0;
    }
  }
  for (let m = 0; m < frame.memberIds.length; m++) {
    const load = clamped[m];
    memberEquations(frame, plan.equation, m, equations);
    const T = 144 * m;
    for (let i = 0; i < 12; i++) {
      const e = equations[i]!;
      if (e < 0) continue;
      if (load) for (let k = 0; k < 12; k++) b[e]! -= elements.transform[T + 12 * k + i]! * load.f[k]!;
      for (let j = 0; j < 12; j++) {
        if (equations[j]! >= 0) continue;
        const settled = known[freedomOf(frame, m, j)]!;
        if (settled !== 0) b[e]! -= elements.global[T + 12 * i + j]! * settled;
      }
    }
  }
  return b;
}

function freedomOf(frame: Frame, m: number, j: number): number {
  return j < 6 ? 6 * frame.start[m]! + j : 6 * frame.end[m]! + j - 6;
}

/** Start states of all members, and the sum of the nodes' forces on members by node, in the nodes' axes. */
function recover(
  frame: Frame,
  elements: Elements,
  clamped: readonly (ClampedLoad | undefined)[],
  u: Float64Array,
): { states: Float64Array; endForces: Float64Array } {
  const count = frame.memberIds.length;
  const states = new Float64Array(12 * count);
  const endForces = new Float64Array(u.length);
  const local = new Float64Array(12);
  const p = new Float64Array(12);
  for (let m = 0; m < count; m++) {
    const T = 144 * m;
    for (let i = 0; i < 12; i++) {
      let sum = 0;
      for (let j = 0; j < 12; j++) sum += elements.transform[T + 12 * i + j]! * u[freedomOf(frame, m, j)]!;
      local[i] = sum;
    }
    const load = clamped[m];
    for (let i = 0; i < 12; i++) {
      let sum = load?.f[i] ?? 0;
      for (let j = 0; j < 12; j++) sum += elements.local[T + 12 * i + j]! * local[j]!;
      p[i] = sum;
    }
    for (let j = 0; j < 12; j++) {
      let sum = 0;
      for (let i = 0; i < 12; i++) sum += elements.transform[T + 12 * i + j]! * p[i]!;
      endForces[freedomOf(frame, m, j)]! += sum;
    }
    displaceInside(elements.hinges[m]!, load?.inside, local);
    if (frame.axialOnly[m]) chordRotations(local, frame.length[m]!);
    states.set([-p[0]!, p[1]!, p[2]!, -p[3]!, p[4]!, -p[5]!], 12 * m);
    states.set(local.subarray(0, 6), 12 * m + 6);
  }
  return { states, endForces };
}

/** A bar stays straight between its nodes. */
function chordRotations(local: Float64Array, L: number): void {
  local[4] = -(local[8]! - local[2]!) / L;
  local[5] = (local[7]! - local[1]!) / L;
}

function supportReactions(frame: Frame, endForces: Float64Array, nodal: Float64Array): Float64Array {
  const out = new Float64Array(endForces.length);
  for (let i = 0; i < out.length; i++) if (frame.restraint[i]! > 0) out[i] = endForces[i]! - nodal[i]!;
  rotateNodes(frame, out, false);
  return out;
}

function toGlobal(frame: Frame, u: Float64Array): Float64Array {
  const out = u.slice();
  rotateNodes(frame, out, false);
  return out;
}

/** Turns the vectors of inclined supports' nodes into their own axes, or back to global ones. */
function rotateNodes(frame: Frame, values: Float64Array, toSupport: boolean): void {
  for (const [n, Q] of frame.supportAxes)
    for (const at of [6 * n, 6 * n + 3]) {
      const v = [values[at]!, values[at + 1]!, values[at + 2]!] as const;
      for (let i = 0; i < 3; i++)
        values[at + i] = toSupport
          ? Q[3 * i]! * v[0] + Q[3 * i + 1]! * v[1] + Q[3 * i + 2]! * v[2]
          : Q[i]! * v[0] + Q[3 + i]! * v[1] + Q[6 + i]! * v[2];
    }
}
