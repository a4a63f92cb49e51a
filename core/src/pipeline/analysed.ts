import {
  analyse,
  analyseInParts,
  BucklingMemory,
  bucklingModes,
  effectiveLengths,
  prepareFrame,
  type Analysis,
  type BucklingMode,
  type EffectiveLength,
  type Frame,
  type FrameState,
  type Progress,
} from '../analysis/index.js';
import {
  combinationStability,
  MemberChecker,
  withStrengthImperfections,
  type Stability,
} from '../capacity/index.js';
import type { FrameModel } from '../model/types.js';
import { fail, ProblemError, unwrapped } from '../problem.js';
import { inOneGo } from '../parts.js';
import { appliedResultants, resultSelections, type ResultSelection } from '../results/index.js';

export interface AnalysisOptions {
  readonly secondOrder?: boolean;
  readonly progress?: Progress;
  /** Load cases by themselves too, for looking at; they are of first order. */
  readonly cases?: boolean;
  /** The load case or combination whose forces are wanted before those of the others. */
  readonly before?: string;
}

/** A model with its forces: under every combination, and under every load case where that was asked for. */
export interface Analysed {
  /** With the equivalent forces of imperfections as load cases of their own, where its code asks for them. */
  readonly model: FrameModel;
  readonly frame: Frame;
  readonly order: 1 | 2;
  /** Those that have a state. */
  readonly selections: readonly ResultSelection[];
  readonly states: ReadonlyMap<string, FrameState>;
  /** Resultant of each load case about the origin, 6 each. */
  readonly resultants: readonly Float64Array[];
  readonly notes: readonly string[];
  /** First-order states of the combinations, for what goes by them. */
  first(): Analysis;
}

/**
 * Forces of a checked model, first step of every assessment.
 *
 * @throws ProblemError `mechanism`, `diverged`, `not-converged` and what preparing the frame throws
 */
export function analysed(given: FrameModel, options: AnalysisOptions = {}): Analysed {
  return inOneGo(analysedInParts(given, options));
}

/** The same in parts: in second order the forces that are wanted before the others are told by themselves. */
export function* analysedInParts(
  given: FrameModel,
  options: AnalysisOptions = {},
): Generator<Analysed, Analysed> {
  const { secondOrder = false, progress, cases = false, before } = options;
  const { model, notes } = given.code?.imperfections
    ? withImperfections(given, progress)
    : { model: given, notes: [] };
  const frame = prepareFrame(model);
  const all = resultSelections(model);
  const combinations = all.filter(({ kind }) => kind === 'combination');
  const single = cases || combinations.length === 0 ? all.filter(({ kind }) => kind === 'case') : [];
  const tell = progress ? { progress } : {};
  const resultants = appliedResultants(frame);
  const of = (main: Analysis, apart?: Analysis): Analysed => {
    const states = new Map([...(apart?.states ?? []), ...main.states]);
    let first: Analysis | undefined = secondOrder ? undefined : main;
    return {
      model,
      frame,
      order: secondOrder ? 2 : 1,
      selections: [...single, ...combinations].filter(({ id }) => states.has(id)),
      states,
      resultants,
      notes: [...new Set([...notes, ...main.notes, ...(apart?.notes ?? [])])],
      first: () => (first ??= unwrapped(analyse(frame, combinations, tell))),
    };
  };
  // Of first order all are there almost as soon as one
  if (!secondOrder) return of(unwrapped(analyse(frame, [...single, ...combinations], tell)));
  const wanted = before === undefined ? {} : { before };
  const parts = analyseInParts(frame, combinations, { secondOrder, ...tell, ...wanted });
  for (;;) {
    const { done, value } = parts.next();
    // Load cases are looked at in first order, where they add up
    if (done) return of(value, single.length > 0 ? unwrapped(analyse(frame, single, tell)) : undefined);
    yield of(value);
  }
}

/** The model with the equivalent forces of its imperfections, which go by first-order forces. */
function withImperfections(
  given: FrameModel,
  progress: Progress | undefined,
): { model: FrameModel; notes: string[] } {
  const selections = resultSelections(given).filter(({ kind }) => kind === 'combination');
  const analysis = unwrapped(analyse(prepareFrame(given), selections, progress ? { progress } : {}));
  return withStrengthImperfections(given, analysis, selections);
}

/** A combination's state. @throws ProblemError where it has none */
export function stateOf({ states }: Pick<Analysed, 'states'>, id: string): FrameState {
  return states.get(id) ?? fail('not-converged', `Combination "${id}" has no result.`, { result: id });
}

/** How near each strength combination is to instability, and buckling lengths where members ask for them. */
export interface StabilityOfAll {
  readonly stability: ReadonlyMap<string, Stability>;
  readonly lengths: ReadonlyMap<string, readonly (EffectiveLength | undefined)[]>;
  readonly modes: ReadonlyMap<string, readonly BucklingMode[]>;
}

/** Whether members take their buckling lengths from the frame. */
export const wantsLengths = (model: FrameModel): boolean =>
  model.members.some(({ design }) => design?.lengths === 'buckling-analysis');

/** Critical factors of the strength combinations, by their first-order forces. */
export function stabilityOf(stage: Analysed, progress?: Progress): StabilityOfAll {
  return inOneGo(stabilityInParts(stage, progress));
}

/** The same, with a pause after each combination. */
export function* stabilityInParts(
  stage: Analysed,
  progress?: Progress,
): Generator<undefined, StabilityOfAll> {
  const wanted = wantsLengths(stage.model);
  const first = stage.first();
  const stability = new Map<string, Stability>();
  const lengths = new Map<string, readonly (EffectiveLength | undefined)[]>();
  const modes = new Map<string, readonly BucklingMode[]>();
  let knownMode: BucklingMode | undefined;
  const memory = new BucklingMemory();
  for (const { id, state } of stage.selections) {
    const linear = first.states.get(id);
    if (state !== 'strength' || !linear) continue;
    progress?.stage?.(`Buckling of ${id}`);
    const found = bucklingModes(first.prepared, linear, wanted ? 6 : 1, { progress, knownMode, memory });
    knownMode = found[0] ?? knownMode;
    modes.set(id, found);
    stability.set(id, combinationStability(stage.model.code?.name ?? 'EN1993', found[0]?.factor));
    if (wanted) lengths.set(id, effectiveLengths(first.prepared, linear, found));
    yield;
  }
  return { stability, lengths, modes };
}

/**
 * The checks of an analysed model, ready to be run member by member.
 *
 * @throws ProblemError for groups and restraints that are none
 */
export function checkerOf(stage: Analysed, lengths: StabilityOfAll['lengths'] = new Map()): MemberChecker {
  const combinations = stage.selections.filter(({ kind }) => kind === 'combination');
  const checker = new MemberChecker(
    stage.model,
    stage.frame,
    combinations,
    ({ id }, member) => stateOf(stage, id).field(member),
    ({ id }, member) => lengths.get(id)?.[member],
  );
  if (checker.problems.length > 0) throw new ProblemError(checker.problems);
  return checker;
}
