import { greatestMagnitude, isZero } from '../../base/magnitude.js';
import { fail, problem, ProblemError } from '../../base/problem.js';
import { givenDisplacements, type CaseLoads } from '../loads/case-loads.js';
import { clampedForces } from '../loads/clamped-forces.js';
import { clampedStiffness } from '../frame/elements.js';
import { memberFlexibility, type MemberField } from '../member-field.js';
import type { LoadField } from '../loads/member-loads.js';
import { assembleFreedoms, assembleMembers, assembleSprings, expand, reduce } from '../first-order/system.js';
import { Factor, type Progress } from '../sparse/factor.js';
import { addToNodes, toMember } from '../frame/transform.js';
import type { Prepared } from '../first-order/static.js';
import { springForces, supportReactions } from '../first-order/recover.js';
import { linkageMatrices } from './linkage.js';
import { MemberUnderForce } from './member.js';

/** A state in equilibrium on the displaced structure. */
export interface SecondOrderState {
  /** 6 a node, global. */
  readonly displacements: Float64Array;
  readonly reactions: Float64Array;
  readonly iterations: number;
  /** Largest imbalance of a free node against the largest load. */
  readonly residual: number;
  /** Axial force of each member: four coefficients a segment between its loads' breaks. */
  readonly axial: readonly Float64Array[];
  /** 12 a member: forces of the nodes on its ends, local. */
  readonly memberForces: Float64Array;
  /** The functions along a member. */
  field(member: number): MemberField;
}

/** Axial and end forces that the iteration begins with, as in `SecondOrderState`, and the members that do not act (1). */
export interface SecondOrderStart extends Pick<SecondOrderState, 'axial' | 'memberForces' | 'reactions'> {
  readonly inactive?: Uint8Array | undefined;
}

/** Change of the axial forces, against the largest one, at which the iteration stops. */
const converged = 1e-8;
const mostIterations = 60;

/**
 * Second-order elastic analysis: P-Δ and P-δ with exact stability functions, axial forces iterated; small rotations.
 *
 * @param start where it begins
 * @throws ProblemError `diverged` past the critical load, `not-converged` when the forces do not settle
 */
export function solveSecondOrder(
  prepared: Prepared,
  loads: CaseLoads,
  start: SecondOrderStart,
  where: Record<string, unknown>,
  progress?: Progress,
): SecondOrderState {
  const unknown = unknownsOf(prepared, loads, start.inactive);
  if (!largestChange(start.axial, start.axial).finite)
    fail(
      'not-finite',
      `The forces${named(where)} are beyond every number to begin second order with; look for a load or a dimension that is far too large.`,
      where,
    );
  let from: Pick<SecondOrderState, 'axial' | 'memberForces' | 'reactions'> = start;
  let negative = 0;
  let before = Infinity;
  for (let iteration = 1; iteration <= mostIterations; iteration++) {
    progress?.step(iteration / mostIterations);
    const step = solveUnder(unknown, from);
    negative = step.negative;
    const change = largestChange(from.axial, step.axial);
    from = step;
    if (!change.finite) break;
    if (change.difference <= converged * Math.max(change.largest, 1e-300) || change.largest === 0) {
      if (negative > 0) break;
      return { ...step, iterations: iteration };
    }
    // Forces that grow without end are past the critical load
    if (change.difference > 1e6 * Math.max(before, 1)) break;
    before = Math.min(before, change.largest);
  }
  if (negative > 0)
    fail(
      'diverged',
      `In second order the frame is past its critical load${named(where)}: reduce the loads or stiffen the frame.`,
      where,
    );
  throw new ProblemError([
    problem(
      'not-converged',
      `The second-order forces${named(where)} did not settle in ${mostIterations} steps; the frame is near its critical load: reduce the loads or stiffen it.`,
      where,
    ),
  ]);
}

function named(where: Record<string, unknown>): string {
  return typeof where['result'] === 'string' ? ` under "${where['result']}"` : '';
}

function largestChange(
  a: readonly Float64Array[],
  b: readonly Float64Array[],
): { difference: number; largest: number; finite: boolean } {
  let difference = 0;
  let largest = 0;
  let finite = true;
  b.forEach((own, m) => {
    const other = a[m]!;
    for (let k = 0; k < own.length; k += 4) {
      difference = Math.max(difference, Math.abs(own[k]! - other[k]!));
      largest = Math.max(largest, Math.abs(own[k]!));
      finite &&= Number.isFinite(own[k]!);
    }
  });
  return { difference, largest, finite };
}

/** What is solved again and again: the members, which every step puts under other axial forces, and what no step changes. */
interface Unknowns {
  readonly prepared: Prepared;
  readonly loads: CaseLoads;
  readonly members: readonly MemberUnderForce[];
  /** 6 a node: given displacements. */
  readonly base: Float64Array;
}

function unknownsOf(prepared: Prepared, loads: CaseLoads, inactive: Uint8Array | undefined): Unknowns {
  const { frame, constraints } = prepared;
  const count = frame.memberIds.length;
  const stiffnesses = new Float64Array(144 * count);
  const clamped = new Float64Array(12 * count);
  const members = frame.memberIds.map(
    (_, m) =>
      new MemberUnderForce(
        firstOrderMember(prepared, loads, m, inactive?.[m] === 1),
        stiffnesses.subarray(144 * m, 144 * m + 144),
        clamped.subarray(12 * m, 12 * m + 12),
      ),
  );
  return { prepared, loads, members, base: givenDisplacements(frame, constraints, loads.settled) };
}

/** One solution under given axial forces, and the forces that follow. */
function solveUnder(
  { prepared, loads, members, base }: Unknowns,
  { axial, memberForces, reactions }: Pick<SecondOrderState, 'axial' | 'memberForces' | 'reactions'>,
): Omit<SecondOrderState, 'iterations'> & { negative: number } {
  const { frame, constraints, plan } = prepared;
  members.forEach((member, m) => member.under(axial[m]!));
  const factor = new Factor(plan.symbolic);
  assembleMembers(frame, constraints, plan, (m) => members[m]!.K, factor.values);
  assembleSprings(frame, constraints, plan, factor.values);
  const linkages = linkageMatrices(prepared, loads, memberForces, reactions);
  for (const { freedoms, K } of linkages) assembleFreedoms(constraints, plan, freedoms, K, factor.values);
  factor.factorize();
  let negative = factor.negatives;
  for (const member of members) negative += member.buckled;

  const forces = loads.nodal.slice();
  const local = new Float64Array(12);
  const p = new Float64Array(12);
  const moves = !isZero(base);
  members.forEach((member, m) => {
    addToNodes(frame, m, member.f, -1, forces);
    if (!moves) return;
    toMember(frame, m, base, local);
    member.times(local, p);
    addToNodes(frame, m, p, -1, forces);
  });
  if (moves || !isZero(loads.settled)) {
    const springs = springForces(frame, base, loads.settled);
    for (let i = 0; i < forces.length; i++) forces[i]! += springs[i]!;
  }
  const x = reduce(constraints, plan, forces);
  const size = greatestMagnitude(x) || 1;
  factor.solve([x]);
  factor.release();
  const u = expand(constraints, plan, x, base);

  const endForces = new Float64Array(u.length);
  const ends = new Float64Array(12 * members.length);
  const nextForces = new Float64Array(12 * members.length);
  const next = members.map((member, m) => {
    toMember(frame, m, u, local);
    ends.set(local, 12 * m);
    member.times(local, p);
    for (let i = 0; i < 12; i++) p[i]! += member.f[i]!;
    addToNodes(frame, m, p, 1, endForces);
    nextForces.set(p, 12 * m);
    return member.axialFrom(-p[0]!);
  });
  const springs = springForces(frame, u, loads.settled);
  const imbalance = endForces;
  for (let i = 0; i < imbalance.length; i++) imbalance[i]! -= loads.nodal[i]! + springs[i]!;
  for (const { freedoms, K } of linkages)
    freedoms.forEach((i, r) => {
      for (let c = 0; c < freedoms.length; c++)
        imbalance[i]! += K[freedoms.length * r + c]! * u[freedoms[c]!]!;
    });
  const left = reduce(constraints, plan, imbalance);
  return {
    displacements: u,
    reactions: supportReactions(frame, constraints, imbalance, springs),
    residual: greatestMagnitude(left) / size,
    axial: next,
    memberForces: nextForces,
    negative,
    field: (m) => members[m]!.field(ends.subarray(12 * m, 12 * m + 12)),
  };
}

type FirstOrderMember = ConstructorParameters<typeof MemberUnderForce>[0];

/** What a member is before its axial force comes in, which no iteration changes. */
function firstOrderMember(prepared: Prepared, loads: CaseLoads, m: number, slack: boolean): FirstOrderMember {
  const { frame, elements } = prepared;
  const breaks = prepared.loads.breaks[m]!;
  const terms = prepared.loads.terms[m]!;
  const given = loads.fields[m];
  const field: LoadField | undefined = given && slack ? { ...given, strain: [0, 0, 0] } : given;
  const K = clampedStiffness(elements, m);
  const f = field ? clampedForces(frame, m, { breaks, terms, field }, K) : undefined;
  const flexibility = memberFlexibility(frame, m, breaks);
  return { frame, member: m, breaks, terms, field, slack, K, f, flexibility };
}
