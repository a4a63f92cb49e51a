import { ShortArrays } from '../../base/short-arrays.js';
import { drain } from '../../base/drain.js';
import { attempt, fail, problem, ProblemError, type Outcome, type Problem } from '../../base/problem.js';
import { addTimes, combinedField, combineLoads, type CaseLoads } from '../loads/case-loads.js';
import type { Frame } from '../frame/frame.js';
import { addStartForces, fieldOf, type MemberField } from '../member-field.js';
import { firstOrderAxial } from '../second-order/axial.js';
import { solveSecondOrder, type SecondOrderState } from '../second-order/solve.js';
import {
  frameNotes,
  localMatrices,
  prepareEquations,
  refuseMechanisms,
  solveLinear,
  type Prepared,
  type Solution,
} from './static.js';
import type { Factor, Progress } from '../sparse/factor.js';
import { factorStiffness } from './system.js';
import { correctActing, isUnilateral, SlackFactors, solveUnilateral } from './unilateral.js';

/** A load case or combination to be analysed. */
export interface LoadSelection {
  readonly id: string;
  readonly kind: 'case' | 'combination';
  /** On the load cases, in their order. */
  readonly factors: Float64Array;
}

/** The frame's state under one load case or combination. */
export interface FrameState {
  readonly id: string;
  readonly order: 1 | 2;
  readonly iterations: number;
  /** 6 a node: displacements, global. */
  readonly displacements: Float64Array;
  /** 6 a node: what supports do to the structure, global. */
  readonly reactions: Float64Array;
  /** 1 for tension-only and compression-only members that do not act. */
  readonly slack: Uint8Array;
  /** N of each member: four coefficients a segment between its loads' breaks. */
  readonly axial: readonly Float64Array[];
  /** 12 a member: forces of the nodes on its ends, local. */
  readonly memberForces: Float64Array;
  /** Largest imbalance of a free node against the largest load. */
  readonly residual: number;
  readonly loads: CaseLoads;
  /** Functions along a member. */
  field(member: number): MemberField;
}

/** States of a frame, by selection, and what the user should know. */
export interface Analysis {
  readonly prepared: Prepared;
  readonly states: ReadonlyMap<string, FrameState>;
  readonly notes: readonly string[];
}

/** How a frame is analysed. */
export interface AnalysisSettings {
  readonly secondOrder?: boolean;
  readonly progress?: Progress;
  /** The selection whose state is wanted before all others. */
  readonly before?: string;
}

/**
 * Analyses a frame under every selection, in first or second order, with slack members where it has some.
 * A load case that fails while there are combinations is left out with a note; a combination that fails fails the whole.
 */
export function analyse(
  frame: Frame,
  selections: readonly LoadSelection[],
  settings: AnalysisSettings = {},
): Outcome<Analysis> {
  return attempt(() => drain(analyseInParts(frame, selections, settings)));
}

/**
 * The same in parts: where one selection is wanted before the others, what is known when it has its state is told first.
 *
 * @throws ProblemError as `analyse` returns it
 */
export function* analyseInParts(
  frame: Frame,
  selections: readonly LoadSelection[],
  settings: AnalysisSettings = {},
): Generator<Analysis, Analysis> {
  const prepared = prepareEquations(frame);
  const notes = frameNotes(prepared);
  const states = new Map<string, FrameState>();
  const combined = selections.some(({ kind }) => kind === 'combination');
  const linear = new LinearCases(prepared, notes, settings.progress);
  const problems: Problem[] = [];
  // Without loads a frame still has to stand
  if (selections.length === 0 && !isUnilateral(frame)) linear.check();
  for (const [k, selection] of wantedFirst(selections, settings.before).entries()) {
    settings.progress?.step(k / selections.length);
    const outcome = attempt(() => stateOf(prepared, linear, selection, settings));
    if (outcome.ok) {
      states.set(selection.id, outcome.value);
      if (selection.id === settings.before) yield { prepared, states, notes };
    } else if (combined && selection.kind === 'case' && !linear.loose)
      notes.push(`The load case "${selection.id}" is left out: ${outcome.problems[0]!.message}`);
    // What holds for the frame as it stands is said once
    else if (!linear.loose || problems.length === 0)
      problems.push(
        ...outcome.problems.map((p) => problem(p.code, p.message, { ...p.where, result: selection.id })),
      );
  }
  if (problems.length > 0) throw new ProblemError(problems);
  const ordered = selections.flatMap(({ id }): [string, FrameState][] => {
    const state = states.get(id);
    return state ? [[id, state]] : [];
  });
  return { prepared, states: new Map(ordered), notes };
}

function wantedFirst(selections: readonly LoadSelection[], id: string | undefined): readonly LoadSelection[] {
  const wanted = selections.find((one) => one.id === id);
  return wanted ? [wanted, ...selections.filter((one) => one !== wanted)] : selections;
}

/** The frame's factorization with all members acting, and the load cases' solutions; made when first asked for. */
class LinearCases {
  /** True once the frame has turned out to be a mechanism whatever its loads. */
  loose = false;
  private factor: Factor | undefined;
  private failure: ProblemError | undefined;
  private cases: Solution[] | undefined;
  /** Factorizations with members that are slack. */
  readonly slack: SlackFactors;
  private readonly prepared: Prepared;
  private readonly notes: string[];
  private readonly progress: Progress | undefined;

  constructor(prepared: Prepared, notes: string[], progress: Progress | undefined) {
    this.prepared = prepared;
    this.slack = new SlackFactors(prepared);
    this.notes = notes;
    this.progress = progress;
  }

  /**
   * The factorization, made once.
   *
   * @throws ProblemError `mechanism`
   */
  check(): Factor {
    if (this.failure) throw this.failure;
    if (!this.factor) {
      const { frame, constraints, plan, cases } = this.prepared;
      const factor = factorStiffness(frame, constraints, plan, localMatrices(this.prepared), this.progress);
      const outcome = attempt(() => refuseMechanisms(this.prepared, factor, cases));
      if (!outcome.ok) {
        this.loose = true;
        throw (this.failure = new ProblemError(outcome.problems));
      }
      this.notes.push(...outcome.value);
      this.factor = factor;
    }
    return this.factor;
  }

  get solutions(): Solution[] {
    if (!this.cases) {
      const factor = this.check();
      this.cases = solveLinear(this.prepared, factor, this.prepared.cases);
      factor.release();
    }
    return this.cases;
  }

  /** Σ factor · case; what one load case gives by itself is not formed again, and each sum when it is first asked for. */
  combine(factors: Float64Array): Solution {
    const { solutions } = this;
    const acting = [...solutions.keys()].filter((c) => factors[c] !== 0);
    if (acting.length === 1 && factors[acting[0]!] === 1) return solutions[acting[0]!]!;
    const { nodeIds, memberIds } = this.prepared.frame;
    const sums = new Map<SummedName, Float64Array>();
    const sum = (name: SummedName, size: number): Float64Array => {
      const known = sums.get(name);
      if (known) return known;
      const out = new Float64Array(size);
      for (const c of acting) addTimes(out, factors[c]!, solutions[c]![name]);
      sums.set(name, out);
      return out;
    };
    return {
      get displacements() {
        return sum('displacements', 6 * nodeIds.length);
      },
      get startStates() {
        return sum('startStates', 12 * memberIds.length);
      },
      get reactions() {
        return sum('reactions', 6 * nodeIds.length);
      },
      get memberForces() {
        return sum('memberForces', 12 * memberIds.length);
      },
      residual: solutions.reduce((most, s) => Math.max(most, s.residual), 0),
    };
  }
}

type SummedName = Exclude<keyof Solution, 'residual'>;

/** out ← out + factor · values. */
function stateOf(
  prepared: Prepared,
  linear: LinearCases,
  selection: LoadSelection,
  options: { secondOrder?: boolean; progress?: Progress },
): FrameState {
  const { frame } = prepared;
  const { id, factors } = selection;
  const where = { result: id };
  if (!options.secondOrder) {
    const solved = isUnilateral(frame)
      ? solveUnilateral(linear.slack, combineLoads(frame, prepared.cases, factors), where)
      : undefined;
    return firstOrderState(
      prepared,
      solved
        ? { id, factors, solved, inactive: solved.inactive, iterations: solved.iterations }
        : { id, factors, solved: linear.combine(factors), inactive: noneSlack(frame), iterations: 1 },
    );
  }
  const loads = combineLoads(frame, prepared.cases, factors);
  const begin = startOfSecondOrder(prepared, linear, loads, selection, where);
  const { state, slack, iterations } = secondOrderWithSlack(prepared, loads, begin, where, options.progress);
  return { ...state, id: selection.id, order: 2, iterations, slack, loads, field: memoised(state) };
}

function memoised(state: SecondOrderState): (member: number) => MemberField {
  const fields: (MemberField | undefined)[] = [];
  return (m) => (fields[m] ??= state.field(m));
}

interface Begin {
  axial: readonly Float64Array[];
  memberForces: Float64Array;
  reactions: Float64Array;
  inactive: Uint8Array;
}

/** First-order forces to begin with; of a frame that only pretension holds, the forces locked into it. */
function startOfSecondOrder(
  prepared: Prepared,
  linear: LinearCases,
  loads: CaseLoads,
  selection: LoadSelection,
  where: Record<string, unknown>,
): Begin {
  const { frame, elements } = prepared;
  const outcome = attempt(() =>
    isUnilateral(frame)
      ? solveUnilateral(linear.slack, loads, where)
      : { ...linear.combine(selection.factors), inactive: noneSlack(frame) },
  );
  if (outcome.ok) {
    const { startStates, memberForces, reactions, inactive } = outcome.value;
    return {
      axial: firstOrderAxial(prepared, loads, (m) => startStates[12 * m]!),
      memberForces,
      reactions,
      inactive,
    };
  }
  const locked = (m: number) =>
    -elements.local[elements.at[m]!]! * frame.length[m]! * (loads.fields[m]?.strain[0] ?? 0);
  if (!frame.memberIds.some((_, m) => locked(m) > 0)) throw new ProblemError(outcome.problems);
  return {
    axial: firstOrderAxial(prepared, loads, locked),
    memberForces: new Float64Array(12 * frame.memberIds.length),
    reactions: new Float64Array(6 * frame.nodeIds.length),
    inactive: new Uint8Array(frame.memberIds.length),
  };
}

/** Second order, with the acting members corrected until all forces have their sign. */
function secondOrderWithSlack(
  prepared: Prepared,
  loads: CaseLoads,
  begin: Begin,
  where: Record<string, unknown>,
  progress: Progress | undefined,
): { state: SecondOrderState; slack: Uint8Array; iterations: number } {
  const { frame } = prepared;
  let { inactive } = begin;
  let start: Pick<SecondOrderState, 'axial' | 'memberForces' | 'reactions'> = begin;
  let iterations = 0;
  const seen = new Set<string>();
  for (;;) {
    const state = solveSecondOrder(prepared, loads, { ...start, inactive }, where, progress);
    iterations += state.iterations;
    if (!isUnilateral(frame)) return { state, slack: inactive, iterations };
    const next = correctActing(prepared, loads, state.displacements, inactive);
    if (!next) return { state, slack: inactive, iterations };
    const key = next.join('');
    if (seen.has(key))
      fail(
        'not-converged',
        `In second order the tension-only and compression-only members keep changing between slack and acting under "${String(where['result'])}"; give one of them both signs (action "axial"), or add bracing.`,
        where,
      );
    seen.add(key);
    inactive = next;
    start = state;
  }
}

/** What a frame's first-order state is made of. */
interface FirstOrder {
  readonly id: string;
  readonly factors: Float64Array;
  readonly solved: Solution;
  readonly inactive: Uint8Array;
  readonly iterations: number;
}

/** No member is slack. */
const noneSlack = (frame: Frame): Uint8Array => new Uint8Array(frame.memberIds.length);

/** A first-order state. What belongs to single members is combined each time it is asked for: kept for all, it would fill the memory. */
function firstOrderState(
  prepared: Prepared,
  { id, factors, solved, inactive, iterations }: FirstOrder,
): FrameState {
  const { frame, cases } = prepared;
  const arrays = new ShortArrays();
  let loads: CaseLoads | undefined;
  let axial: readonly Float64Array[] | undefined;
  return {
    id,
    order: 1,
    iterations,
    slack: inactive,
    residual: solved.residual,
    get displacements() {
      return solved.displacements;
    },
    get reactions() {
      return solved.reactions;
    },
    get memberForces() {
      return solved.memberForces;
    },
    get loads() {
      return (loads ??= combineLoads(frame, cases, factors));
    },
    get axial() {
      return (axial ??= firstOrderAxial(prepared, this.loads, (m) => solved.startStates[12 * m]!));
    },
    field(m) {
      const breaks = prepared.loads.breaks[m]!;
      const terms = prepared.loads.terms[m]!;
      const given = combinedField(cases, factors, m, arrays);
      const start = solved.startStates.subarray(12 * m, 12 * m + 12);
      const forces = given?.forces ?? arrays.take(6 * terms * (breaks.length - 1));
      addStartForces(forces, terms, breaks, start, 0);
      const strain = given && !inactive[m] ? given.strain : ([0, 0, 0] as const);
      const dislocations = given?.dislocations ?? [];
      return fieldOf(frame, m, { breaks, terms, forces, strain, dislocations }, start);
    },
  };
}
