import { attempt, fail } from '../../base/problem.js';
import type { CaseLoads } from '../loads/case-loads.js';
import { scaledElements } from '../frame/elements.js';
import { carries, type Frame } from '../frame/frame.js';
import type { Factor } from '../sparse/factor.js';
import { localMatrices, refuseMechanisms, solveLinear, type Prepared, type Solution } from './static.js';
import { factorStiffness } from './system.js';
import { toMember } from '../frame/transform.js';

/** A first-order state with the members that do not act in it. */
export interface UnilateralState extends Solution {
  readonly inactive: Uint8Array;
  readonly iterations: number;
}

/** Share of a slack member's stiffness that stays while the state is still sought and would be loose without. */
const lent = 1e-7;

/** True where a frame has members that carry one sign only. */
export function isUnilateral(frame: Frame): boolean {
  return frame.action.some((action) => action >= carries['tension-only']);
}

/** Sets of slack members whose factorizations are kept at a time. */
const mostKept = 8;
/** Numbers that they hold together at the most, beside the one that is used: 160 MB. */
const mostNumbers = 2e7;

/** A frame's factorizations by which members are slack: all selections begin with none, and many end with the same. */
export class SlackFactors {
  private readonly kept = new Map<string, Factor>();

  constructor(readonly prepared: Prepared) {}

  /** The factorization with the given members out of action (1 a slack member). */
  without(inactive: Uint8Array): Factor {
    const key = inactive.join('');
    const { frame, constraints, plan } = this.prepared;
    const factor =
      this.kept.get(key) ?? factorStiffness(frame, constraints, plan, localMatrices(this.prepared, inactive));
    // The one that was used last goes last
    this.kept.delete(key);
    this.kept.set(key, factor);
    const most = Math.max(1, Math.min(mostKept, Math.floor(mostNumbers / factor.values.length)));
    while (this.kept.size > most) this.kept.delete(this.kept.keys().next().value!);
    return factor;
  }
}

/**
 * First-order state of one set of loads in which tension-only and compression-only members act only while their force has
 * their sign. The set of acting members is corrected until it repeats itself; if it cycles, one member a step is changed,
 * the one furthest off.
 *
 * @throws ProblemError `mechanism` where the slack state holds nothing, `not-converged` where no state is consistent
 */
export function solveUnilateral(
  factors: SlackFactors,
  loads: CaseLoads,
  where: Record<string, unknown>,
): UnilateralState {
  const { prepared } = factors;
  const { frame } = prepared;
  const limited = frame.memberIds.map((_, m) => m).filter((m) => frame.action[m]! >= carries['tension-only']);
  let inactive = new Uint8Array(frame.memberIds.length);
  const seen = new Set<string>();
  let single = false;
  const most = 30 + 4 * limited.length;
  for (let iteration = 1; iteration <= most; iteration++) {
    const { solution, loose } = solveState(factors, loads, inactive);
    const wrong = limited
      .map((m) => ({ m, off: wrongSign(prepared, loads, solution.displacements, m, inactive[m] === 1) }))
      .filter(({ off }) => off > 0);
    if (wrong.length === 0) {
      if (loose) refuseMechanisms(prepared, loose, [loads], inactive);
      return { ...solution, inactive, iterations: iteration };
    }
    const key = limited.map((m) => inactive[m]).join('');
    if (seen.has(key)) {
      if (single) break;
      single = true;
      seen.clear();
    }
    seen.add(key);
    const change = single ? [wrong.reduce((a, b) => (b.off > a.off ? b : a))] : wrong;
    inactive = inactive.slice();
    for (const { m } of change) inactive[m] = inactive[m] ? 0 : 1;
  }
  const names = limited.slice(0, 6).map((m) => `"${frame.memberIds[m]!}"`);
  return fail(
    'not-converged',
    `The tension-only and compression-only members ${names.join(', ')} find no state in which each acts or is slack for good; they keep changing in a cycle. Give one of them both signs (action "axial"), or add bracing.`,
    { ...where, members: limited.map((m) => frame.memberIds[m]!) },
  );
}

/** Solves with the given members out of action; where that leaves the frame loose they keep a little stiffness. */
function solveState(
  factors: SlackFactors,
  loads: CaseLoads,
  inactive: Uint8Array,
): { solution: Solution; loose?: Factor } {
  const { prepared } = factors;
  const { constraints, plan, frame, elements } = prepared;
  const factor = factors.without(inactive);
  const isLoose =
    factor.suspects.length > 0 && !attempt(() => refuseMechanisms(prepared, factor, [loads], inactive)).ok;
  if (!isLoose) return { solution: solveLinear(prepared, factor, [loads], inactive)[0]! };
  if (!inactive.includes(1)) refuseMechanisms(prepared, factor, [loads], inactive);
  // Lent stiffness moves a loose part until a member comes taut
  const propped: Prepared = { ...prepared, elements: scaledElements(elements, inactive, lent) };
  const helped = factorStiffness(frame, constraints, plan, localMatrices(propped));
  refuseMechanisms(propped, helped, [loads]);
  return { solution: solveLinear(propped, helped, [loads])[0]!, loose: factor };
}

/** The set of members out of action that displacements ask for; undefined where it is the one given. */
export function correctActing(
  prepared: Prepared,
  loads: CaseLoads,
  u: Float64Array,
  inactive: Uint8Array,
): Uint8Array | undefined {
  const next = inactive.slice();
  let changed = false;
  for (let m = 0; m < next.length; m++) {
    if (prepared.frame.action[m]! < carries['tension-only']) continue;
    if (wrongSign(prepared, loads, u, m, inactive[m] === 1) <= 0) continue;
    next[m] = inactive[m] ? 0 : 1;
    changed = true;
  }
  return changed ? next : undefined;
}

/** How far a member's force is off its sign: the force it has, or would have if it acted; 0 or less where it is right. */
function wrongSign(
  { frame, elements }: Prepared,
  loads: CaseLoads,
  u: Float64Array,
  m: number,
  slack: boolean,
): number {
  const local = new Float64Array(12);
  toMember(frame, m, u, local);
  const stiffness = elements.local[elements.at[m]!]!;
  const strain = loads.fields[m]?.strain[0] ?? 0;
  const stretch = local[6]! - local[0]!;
  const force = stiffness * (stretch - strain * frame.length[m]!);
  const carried = frame.action[m] === carries['tension-only'] ? force : -force;
  // Rounding is no reason to change
  const small =
    1e-10 * stiffness * (Math.abs(local[6]!) + Math.abs(local[0]!) + Math.abs(strain * frame.length[m]!));
  return slack ? carried - small : -carried - small;
}
