import { bucklingModes, isUnilateral, type FrameState } from '../../analysis/index.js';
import { attempt, fail, ProblemError } from '../../base/problem.js';
import { isCovered, type MemberCheck, type MemberChecker } from '../../checks/index.js';
import type { FrameModel } from '../../model/types.js';
import { analysed, checkerOf, stabilityOf, wantsLengths, type Analysed } from '../stages/index.js';
import type { RaisedLoads } from './loads.js';

/** The combination that a path's loads are. */
const pathId = 'path';

/** The frame at one factor of a path. */
export interface PathState {
  readonly factor: number;
  readonly forces: Analysed;
  readonly state: FrameState;
  /** The checks of its members, made when they are first asked for. */
  checker(): MemberChecker;
}

/** A frame under constant + λ · raised, analysed as a combination of strength is: with imperfections, in the order that is asked for. */
export class LoadPath {
  private readonly known = new Map<number, PathState | ProblemError>();

  constructor(
    private readonly model: FrameModel,
    private readonly loads: RaisedLoads,
    private readonly order: 1 | 2,
  ) {}

  /** The frame at λ. @throws ProblemError where it has no equilibrium there */
  at(factor: number): PathState {
    let known = this.known.get(factor);
    if (!known) {
      const outcome = attempt(() => this.work(factor));
      known = outcome.ok ? outcome.value : new ProblemError(outcome.problems);
      this.known.set(factor, known);
      // A path looks back at a few states only
      if (this.known.size > mostKept) this.known.delete(this.known.keys().next().value!);
    }
    if (known instanceof ProblemError) throw known;
    return known;
  }

  /** The same, undefined where there is no equilibrium. */
  tryAt(factor: number): PathState | undefined {
    const outcome = attempt(() => this.at(factor));
    return outcome.ok ? outcome.value : undefined;
  }

  private work(factor: number): PathState {
    const { constant, raised } = this.loads;
    const factors: Record<string, number> = { ...constant };
    for (const [id, value] of Object.entries(raised)) factors[id] = (factors[id] ?? 0) + factor * value;
    const model: FrameModel = {
      ...this.model,
      combinations: [{ id: pathId, state: 'strength', factors }],
    };
    const forces = analysed(model, { secondOrder: this.order === 2 });
    let checker: MemberChecker | undefined;
    return {
      factor,
      forces,
      state: forces.states.get(pathId)!,
      checker: () =>
        (checker ??= checkerOf(forces, wantsLengths(forces) ? stabilityOf(forces).lengths : undefined)),
    };
  }
}

const mostKept = 24;

/** Where a path becomes critical: λ, or undefined up to the greatest factor. */
export interface Instability {
  readonly factor: number;
  /** What the analysis says where it ends before a critical load was found: all braces slack, for one. */
  readonly reason?: string;
}

/** Critical factors are found to this, relative. */
const precision = 1e-6;
const mostSteps = 80;

/**
 * The factor at which a path is critical: in first order by linear buckling of constant + λ · raised, in second order where the tangent
 * stiffness becomes singular, which is where equilibrium has its first limit or branch.
 *
 * @throws ProblemError `diverged` where the constant part is critical itself
 */
export function findInstability(path: LoadPath, order: 1 | 2, most: number): Instability | undefined {
  /** Share of the critical load at a state: 1 where it is critical, 0 where nothing can buckle. */
  const share = ({ forces, state }: PathState): number => {
    const linear = order === 1 ? forces.first().states.get(pathId)! : state;
    const [lowest] = bucklingModes(forces.first().prepared, linear, 1);
    return lowest ? 1 / lowest.factor : 0;
  };
  const start = path.at(0);
  const atStart = share(start);
  if (atStart >= 1)
    fail(
      'diverged',
      `The constant part is past its critical load by itself: it buckles at ${(1 / atStart).toPrecision(3)} of it. Raise less than is there, or stiffen the frame.`,
      {},
    );
  let low = { factor: 0, share: atStart };
  let high: { factor: number; share?: number } | undefined;
  const look = (factor: number): void => {
    const state = path.tryAt(factor);
    if (!state) high = { factor };
    else {
      const found = share(state);
      if (found >= 1) high = { factor, share: found };
      else low = { factor, share: found };
    }
  };
  if (order === 1) look(most);
  else {
    // Along the tangent of the share: it grows nearly evenly
    look(most);
    if (high && (high as { share?: number }).share === undefined)
      growTowards(
        look,
        () => low,
        () => high!,
      );
  }
  if (!high) return undefined;
  for (let step = 0; step < mostSteps && high.factor - low.factor > precision * high.factor; step++)
    look(between(low, high, step));
  const reason = high.share === undefined && low.share < 0.9 ? whyNot(path, high.factor) : undefined;
  return {
    factor: high.share === undefined ? high.factor : between(low, high, 0),
    ...(reason ? { reason } : {}),
  };
}

/** From a start the first step is small: beyond the critical load nothing is known but that it is beyond. */
function growTowards(
  look: (factor: number) => void,
  low: () => { factor: number; share: number },
  high: () => { factor: number },
): void {
  let step = high().factor / 16;
  for (let k = 0; k < 40 && low().factor === 0 && step > 0; k++) {
    look(step);
    step /= 4;
  }
}

/** The next factor between one below and one above: by a straight line through the shares, halved now and then. */
function between(
  low: { factor: number; share: number },
  high: { factor: number; share?: number },
  step: number,
): number {
  const width = high.factor - low.factor;
  if (step % 4 === 3) return low.factor + width / 2;
  if (high.share !== undefined) {
    const t = (1 - low.share) / (high.share - low.share);
    // A little beyond, so that both ends close in
    return low.factor + width * Math.min(0.999, Math.max(0.001, t + (step % 2 === 0 ? 0 : 1e-4)));
  }
  // Only what is below is known: the share grows about in proportion to the factor
  const guess = low.share > 0 ? low.factor / low.share : high.factor;
  const t = (guess - low.factor) / width;
  return low.factor + width * (t > 0 && t < 1 ? t * (step % 2 === 0 ? 1 - 1e-5 : 1 + 1e-5) : 0.5);
}

function whyNot(path: LoadPath, factor: number): string | undefined {
  const outcome = attempt(() => path.at(factor));
  return outcome.ok ? undefined : outcome.problems[0]!.message;
}

/** A path of which the members can be checked at any factor. */
export interface CheckedPath {
  at(factor: number): { checker(): MemberChecker };
}

/** A member's condition that reaches 1. */
export interface ReachedCondition {
  readonly factor: number;
  readonly index: number;
  readonly item: MemberCheck['items'][number];
}

/** A utilisation counts as reached from here on. */
const reached = 1 - 1e-9;

/** The check of a member at a factor, and how far its worst condition is beyond 1. */
const excessAt = (path: CheckedPath, index: number, factor: number, wholeMembers: boolean): number =>
  (path.at(factor).checker().check(index, { wholeMembers }).utilisation ?? 0) - 1;

/**
 * Where between two factors a member's worst condition reaches 1, by regula falsi with halved ends; the first condition in the code's
 * order where two are reached together.
 */
export function conditionBetween(
  path: CheckedPath,
  index: number,
  [from, to]: readonly [number, number],
  wholeMembers = false,
): ReachedCondition {
  const excess = (factor: number) => excessAt(path, index, factor, wholeMembers);
  let [a, b] = [
    { factor: from, value: excess(from) },
    { factor: to, value: excess(to) },
  ];
  for (let k = 0; k < mostSteps && b.factor - a.factor > precision * b.factor; k++) {
    const share = a.value / (a.value - b.value);
    const factor =
      a.factor + (b.factor - a.factor) * (k % 3 === 2 ? 0.5 : Math.min(0.999, Math.max(0.001, share)));
    const one = { factor, value: excess(factor) };
    if (Math.abs(one.value) < 1e-10) {
      b = one;
      break;
    }
    if (one.value >= 0) b = one;
    else a = one;
    // A straight line through both ends is exact enough once it no longer moves
    if (Math.abs(one.value) < 1e-7) {
      b = one;
      break;
    }
  }
  const { items } = path.at(b.factor).checker().check(index, { wholeMembers });
  const worst = items.filter(isCovered).reduce((most, { utilisation }) => Math.max(most, utilisation), 0);
  const item = items.find(
    (one) => isCovered(one) && one.utilisation >= Math.min(reached, worst * (1 - 1e-6)),
  )!;
  return { factor: b.factor, index, item };
}

/** A member of one sign that begins or ends to act. */
export interface SlackChange {
  readonly factor: number;
  readonly member: number;
  readonly slack: boolean;
}

/** Numbers of members of one sign. */
export const oneSided = ({ forces }: PathState): number[] =>
  isUnilateral(forces.frame)
    ? forces.frame.memberIds.flatMap((_, m) => {
        const action = forces.model.members[m]!.action;
        return action === 'tension-only' || action === 'compression-only' ? [m] : [];
      })
    : [];

/** Where between two factors a member goes slack or taut: by its axial force where it acts, else by halving. */
export function slackBetween(
  path: LoadPath,
  member: number,
  [from, to]: readonly [number, number],
): SlackChange {
  const slackAt = (factor: number) => path.at(factor).state.slack[member] === 1;
  const axialAt = (factor: number) => path.at(factor).state.memberForces[12 * member + 6]!;
  const slack = slackAt(to);
  let [low, high] = [from, to];
  for (let k = 0; k < mostSteps && high - low > precision * Math.max(high, 1e-9); k++) {
    if (k < 6 && slack && k % 2 === 0 && low > 0) {
      // Its force falls about evenly before it goes slack
      const before = low * (1 - 1e-3);
      const [n0, n1] = [axialAt(before), axialAt(low)];
      const zero = low - (n1 * (low - before)) / (n1 - n0);
      if (zero > low && zero < high) {
        for (const near of [zero * (1 - precision / 3), zero * (1 + precision / 3)])
          if (near > low && near < high) {
            if (slackAt(near) === slack) high = near;
            else low = near;
          }
        continue;
      }
    }
    const middle = (low + high) / 2;
    if (slackAt(middle) === slack) high = middle;
    else low = middle;
  }
  return { factor: high, member, slack };
}
