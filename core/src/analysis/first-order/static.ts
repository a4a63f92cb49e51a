import { greatestMagnitude, isZero } from '../../base/magnitude.js';
import { freedoms } from '../../model/types.js';
import { fail, ProblemError } from '../../base/problem.js';
import { caseLoads, givenDisplacements, loadedFreedoms, type CaseLoads } from '../loads/case-loads.js';
import { extent, findConstraints, type Constraints } from '../frame/constraints.js';
import { formElements, nodeDiagonal, stiffnessOf, type Elements } from '../frame/elements.js';
import type { Frame } from '../frame/frame.js';
import { findMechanisms } from './mechanism.js';
import { memberLoadFields, type MemberLoadFields } from '../loads/member-loads.js';
import { planFor, type Plan } from './plan.js';
import { ClampedLoads, recoverMembers, springForces, supportReactions, type ClampedLoad } from './recover.js';
import type { Factor, Progress } from '../sparse/factor.js';
import { expand, factorStiffness, reduce } from './system.js';
import { addToNodes, toMember } from '../frame/transform.js';

/** A frame with its equations, ready to be solved for any loads. */
export interface Prepared {
  readonly frame: Frame;
  readonly elements: Elements;
  readonly loads: MemberLoadFields;
  readonly cases: readonly CaseLoads[];
  readonly constraints: Constraints;
  readonly plan: Plan;
}

/** What one solution gives. */
export interface Solution {
  readonly displacements: Float64Array;
  readonly startStates: Float64Array;
  readonly reactions: Float64Array;
  /** 12 a member: forces of the nodes on its ends, local. */
  readonly memberForces: Float64Array;
  readonly residual: number;
}

/** Forms members, loads and unknowns of a frame. */
export function prepareEquations(frame: Frame): Prepared {
  const elements = formElements(frame);
  const loads = memberLoadFields(frame);
  const cases = caseLoads(frame, loads);
  const constraints = findConstraints(
    frame,
    nodeDiagonal(frame, elements),
    loadedFreedoms(cases, frame.nodeIds.length),
  );
  return { frame, elements, loads, cases, constraints, plan: planFor(frame, constraints) };
}

/**
 * The stiffness of a frame with all members acting, factored.
 *
 * @throws ProblemError `mechanism` naming nodes and directions that can move
 */
export function factorFrame(prepared: Prepared, progress?: Progress): Factor {
  const factor = factorStiffness(
    prepared.frame,
    prepared.constraints,
    prepared.plan,
    localMatrices(prepared),
    progress,
  );
  refuseMechanisms(prepared, factor, prepared.cases);
  return factor;
}

/** Local stiffness by member; those that do not act add nothing. */
export function localMatrices({ elements }: Prepared, inactive?: Uint8Array) {
  return (m: number): Float64Array | undefined => (inactive?.[m] ? undefined : stiffnessOf(elements, m));
}

/**
 * @returns notes on joints that spin without harm
 * @throws ProblemError `mechanism` for every way the frame can move
 */
export function refuseMechanisms(
  prepared: Prepared,
  factor: Factor,
  cases: readonly CaseLoads[],
  inactive?: Uint8Array,
): string[] {
  if (factor.suspects.length === 0) return [];
  const { problems, notes } = findMechanisms(prepared, factor, cases, inactive);
  if (problems.length > 0) throw new ProblemError(problems);
  return notes;
}

/** What a user should know of a frame's unknowns. */
export function frameNotes({ frame, constraints }: Prepared): string[] {
  const { loose, dropped, conditions } = constraints;
  const notes = loose.map((n) => `No member meets the node "${frame.nodeIds[n]!}"; it is ignored.`);
  if (conditions.length > 0)
    notes.push('Supports hold a rigid group more than once; how they share its reaction is not unique.');
  return [...notes, ...hingedJointNotes(frame, dropped)];
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

/** Imbalance, as a share of the largest load, that is worth a step of refinement. */
const worthRefining = 3e-11;

/** Solves for every set of loads with one factorization, with a step of iterative refinement where it helps. */
export function solveLinear(
  prepared: Prepared,
  factor: Factor,
  cases: readonly CaseLoads[],
  inactive?: Uint8Array,
): Solution[] {
  const { frame, elements, constraints, plan, loads } = prepared;
  const parts = cases.map((one) => {
    const clamped = ClampedLoads.of(frame, elements, loads, one).acting(inactive);
    const base = givenDisplacements(frame, constraints, one.settled);
    return { one, clamped, base, x: startingForces(prepared, one, clamped, base, inactive) };
  });
  const size = parts.map(({ x }) => greatestMagnitude(x));
  factor.solve(parts.map(({ x }) => x));
  return parts.map(({ one, clamped, base, x }, c) => {
    let best: (Solution & { left: Float64Array }) | undefined;
    for (let step = 0; ; step++) {
      const u = expand(constraints, plan, x, base);
      const { states, endForces, memberForces } = recoverMembers(frame, elements, clamped, u, inactive);
      const springs = springForces(frame, u, one.settled);
      const imbalance = endForces;
      for (let i = 0; i < imbalance.length; i++) imbalance[i]! -= one.nodal[i]! + springs[i]!;
      const left = reduce(constraints, plan, imbalance);
      const residual = greatestMagnitude(left) / (size[c]! || 1);
      if (!best || residual < best.residual)
        best = {
          displacements: u,
          startStates: states,
          memberForces,
          reactions: supportReactions(frame, constraints, imbalance, springs),
          residual,
          left,
        };
      if (step === 2 || residual <= worthRefining || residual > best.residual) break;
      const correction = left.map((value) => -value);
      factor.solve([correction]);
      for (let e = 0; e < x.length; e++) x[e]! += correction[e]!;
    }
    if (size[c]! < absurdForce) refuseAbsurd(frame, best);
    return best;
  });
}

/** Displacements beyond this many times the frame's size are those of a frame that hardly anything holds. */
const absurdTimes = 1e6;
/** Forces beyond this are not those of a frame: they move anything far, and are refused as numbers, N. */
const absurdForce = 1e18;
/** Imbalance, as a share of the largest load, that is no equilibrium. */
const absurdImbalance = 1e-3;

/** @throws ProblemError `mechanism` for a solution that is none: what remains singular within rounding */
function refuseAbsurd(
  frame: Frame,
  { displacements, residual }: Pick<Solution, 'displacements' | 'residual'>,
): void {
  let [most, at] = [0, 0];
  displacements.forEach((value, i) => {
    if (i % 6 < 3 && !(Math.abs(value) <= most)) [most, at] = [Math.abs(value), i];
  });
  const size = extent(frame);
  // Of loads that are rounding themselves nothing is in balance
  const outOfBalance = residual > absurdImbalance && most > 1e-9 * size;
  if (most <= absurdTimes * size && !outOfBalance) return;
  const node = frame.nodeIds[Math.floor(at / 6)]!;
  const direction = freedoms[at % 6]!;
  fail(
    'mechanism',
    `Hardly anything holds node "${node}" in ${direction}: it would move by ${most.toPrecision(2)} m. Hold it, or make a hinge on the way to it rigid.`,
    { moves: [{ node, directions: [direction] }], restraint: { node, direction } },
  );
}

/** Right-hand side: loads less the clamped members' forces, less what given displacements cause, plus settling springs. */
function startingForces(
  { frame, elements, constraints, plan }: Prepared,
  one: CaseLoads,
  clamped: readonly (ClampedLoad | undefined)[],
  base: Float64Array,
  inactive?: Uint8Array,
): Float64Array {
  const forces = one.nodal.slice();
  clamped.forEach((load, m) => {
    if (load) addToNodes(frame, m, load.f, -1, forces);
  });
  const moves = !isZero(base);
  if (moves) {
    const local = new Float64Array(12);
    const p = new Float64Array(12);
    for (let m = 0; m < frame.memberIds.length; m++) {
      if (inactive?.[m]) continue;
      toMember(frame, m, base, local);
      if (isZero(local)) continue;
      for (let i = 0; i < 12; i++) {
        p[i] = 0;
        for (let j = 0; j < 12; j++) p[i]! += elements.local[elements.at[m]! + 12 * i + j]! * local[j]!;
      }
      addToNodes(frame, m, p, -1, forces);
    }
  }
  if (moves || !isZero(one.settled)) {
    const springs = springForces(frame, base, one.settled);
    for (let i = 0; i < forces.length; i++) forces[i]! += springs[i]!;
  }
  return reduce(constraints, plan, forces);
}
