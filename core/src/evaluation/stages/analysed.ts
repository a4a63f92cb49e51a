import {
  analyse,
  analyseInParts,
  BucklingMemory,
  effectiveLengths,
  frameBuckling,
  prepareFrame,
  type Analysis,
  type BucklingMode,
  type EffectiveLength,
  type Frame,
  type FrameBuckling,
  type FrameState,
  type Progress,
} from '../../analysis/index.js';
import {
  combinationStability,
  MemberChecker,
  withDirectStiffness,
  withNotionalLoads,
  withStrengthImperfections,
  type Buckles,
  type WithOwnLoads,
  type Stability,
} from '../../checks/index.js';
import type { FrameModel } from '../../model/types.js';
import { fail, ProblemError, unwrapped } from '../../base/problem.js';
import { inOneGo } from '../../base/drain.js';
import {
  appliedResultants,
  combinationOf,
  resultSelections,
  type ExpandedModel,
  type ResultSelection,
} from '../../results/index.js';
import { explainingDivergence } from './divergence.js';
import { whyTrainsAreNotCovered, withPlacedTrains } from './trains.js';

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
  /** As it was given. */
  readonly given: FrameModel;
  /** With what its code brings in as load cases of their own (equivalent forces of imperfections, notional loads) and positions of trains. */
  readonly model: ExpandedModel;
  readonly frame: Frame;
  readonly order: 1 | 2;
  /** Those that have a state. */
  readonly selections: readonly ResultSelection[];
  readonly states: ReadonlyMap<string, FrameState>;
  /** Resultant of each load case about the origin, 6 each. */
  readonly resultants: readonly Float64Array[];
  readonly notes: readonly string[];
  /** What is in a combination beside its loads, in short: imperfections, notional loads. By combination. */
  readonly said: ReadonlyMap<string, string>;
  /** Why no member is covered: loads that the analysis cannot follow. */
  readonly notCovered?: string;
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
  const travelling = whyTrainsAreNotCovered(given, secondOrder);
  const placed = travelling === undefined ? withPlacedTrains(given, progress) : undefined;
  const { model, notes, said: own } = withOwnLoads(placed?.model ?? given, secondOrder, progress);
  const frame = prepareFrame(model);
  const all = resultSelections(model);
  const combinations = all.filter(({ kind }) => kind === 'combination');
  const single =
    cases || combinations.length === 0
      ? all.filter(({ kind }) => kind === 'case').map((one) => withTrains(one, frame, placed?.shownOf))
      : [];
  const tell = progress ? { progress } : {};
  const resultants = appliedResultants(frame);
  const said = [...(placed?.notes ?? []), ...notes, ...(travelling === undefined ? [] : [travelling])];
  const of = (main: Analysis, ...apart: Analysis[]): Analysed => {
    const states = new Map([...apart, main].flatMap((one) => [...one.states]));
    let first: Analysis | undefined = secondOrder ? undefined : main;
    return {
      given,
      model,
      frame,
      order: secondOrder ? 2 : 1,
      selections: [...single, ...combinations].filter(({ id }) => states.has(id)),
      states,
      resultants,
      said: own,
      notes: [...new Set([...said, ...[main, ...apart].flatMap((one) => one.notes)])],
      ...(travelling === undefined ? {} : { notCovered: travelling }),
      first: () => (first ??= unwrapped(analyse(frame, combinations, tell))),
    };
  };
  // Of first order all are there almost as soon as one
  if (!secondOrder) return of(unwrapped(analyse(frame, [...single, ...combinations], tell)));
  const wanted = before === undefined ? {} : { before };
  const settings = { secondOrder, ...tell, ...wanted };
  const direct = usesDirectAnalysis(model);
  const [reduced, others] = direct
    ? [
        combinations.filter(({ state }) => state === 'strength'),
        combinations.filter(({ state }) => state !== 'strength'),
      ]
    : [combinations, []];
  const softer = direct ? softened(model, frame, combinations, tell) : frame;
  // The last words of a frame past its critical load are what is known in first order
  const telling = explainingDivergence(frame, combinations);
  const parts = analyseInParts(softer, reduced, settings);
  for (;;) {
    const { done, value } = telling(() => parts.next());
    if (!done) {
      yield of(value);
      continue;
    }
    const apart = [
      ...(others.length > 0 ? [telling(() => unwrapped(analyse(frame, others, settings)))] : []),
      // Load cases are looked at in first order, where they add up
      ...(single.length > 0 ? [unwrapped(analyse(frame, single, tell))] : []),
    ];
    return of(value, ...apart);
  }
}

/** Whether forces of second order are those of the direct analysis method (ANSI/AISC 360-22 chapter C). */
const usesDirectAnalysis = ({ code }: FrameModel): boolean =>
  code?.name === 'AISC360' && code.analysis !== 'effective-length';

const bracingOfAisc =
  'What braces hold is not asked under AISC 360: the forces of EN 1993-1-1 5.3.3 are not taken, and the strength and stiffness of Appendix 6 are not checked.';

/** The model with what its code brings in beside the loads: imperfections of EN 1993, notional loads of AISC 360 in second order. */
function withOwnLoads(
  given: ExpandedModel,
  secondOrder: boolean,
  progress: Progress | undefined,
): WithOwnLoads {
  const bracing = given.members.some(({ design }) => design?.restrains !== undefined);
  const nothing: WithOwnLoads = { model: given, notes: [], said: new Map() };
  if (given.code?.name === 'AISC360') {
    const own =
      secondOrder && usesDirectAnalysis(given) ? withNotionalLoads(given, prepareFrame(given)) : nothing;
    return bracing ? { ...own, notes: [...own.notes, bracingOfAisc] } : own;
  }
  if (!given.code?.imperfections && !bracing) return nothing;
  // They go by first-order forces
  const selections = resultSelections(given).filter(({ kind }) => kind === 'combination');
  const analysis = unwrapped(analyse(prepareFrame(given), selections, progress ? { progress } : {}));
  return withStrengthImperfections(given, analysis, selections, secondOrder);
}

/** The frame with the stiffnesses of the direct analysis method. */
function softened(
  model: FrameModel,
  frame: Frame,
  combinations: readonly ResultSelection[],
  tell: { progress?: Progress },
): Frame {
  const analysis = unwrapped(analyse(frame, combinations, tell));
  return withDirectStiffness(model, frame, analysis, combinations);
}

/** A load case by itself, with its trains where they are shown. */
function withTrains(
  selection: ResultSelection,
  { loadCases }: Frame,
  shownOf: ReadonlyMap<string, readonly string[]> | undefined,
): ResultSelection {
  const standing = shownOf?.get(selection.id);
  if (!standing) return selection;
  const factors = selection.factors.slice();
  loadCases.forEach(({ id }, c) => {
    if (standing.includes(id)) factors[c] = 1;
  });
  return { ...selection, factors };
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

/** Whether members take their buckling lengths from the frame. The direct analysis method has K = 1 (AISC 360-22 C3). */
export const wantsLengths = ({ model, order }: Pick<Analysed, 'model' | 'order'>): boolean =>
  !(order === 2 && usesDirectAnalysis(model)) &&
  model.members.some(({ design }) => design?.lengths === 'buckling-analysis');

/** Critical factors of the strength combinations, by their first-order forces. */
export function stabilityOf(stage: Analysed, progress?: Progress): StabilityOfAll {
  return inOneGo(stabilityInParts(stage, progress));
}

/** Modes that buckling lengths are taken from. */
const lengthModes = 6;

/** The same, with a pause after each combination. */
export function* stabilityInParts(
  stage: Analysed,
  progress?: Progress,
): Generator<undefined, StabilityOfAll> {
  const wanted = wantsLengths(stage);
  const first = stage.first();
  const stability = new Map<string, Stability>();
  const lengths = new Map<string, readonly (EffectiveLength | undefined)[]>();
  const modes = new Map<string, readonly BucklingMode[]>();
  let knownMode: BucklingMode | undefined;
  const memory = new BucklingMemory();
  for (const selection of decisiveForBuckling(stage.selections, first)) {
    const { id } = selection;
    const linear = first.states.get(id)!;
    progress?.stage?.(`Buckling of ${id}`);
    const found = frameBuckling(first.prepared, linear, wanted ? lengthModes : 1, {
      progress,
      knownMode,
      memory,
    });
    knownMode = found.frame ?? found.modes[0] ?? knownMode;
    modes.set(id, found.modes);
    const combination = combinationOf(selection);
    const one = combinationStability(stage.model.code?.name ?? 'EN1993', bucklesOf(stage, linear, found));
    const other = stability.get(combination);
    if (!other || (one.alphaCr ?? Infinity) < (other.alphaCr ?? Infinity)) stability.set(combination, one);
    if (wanted) lengths.set(id, effectiveLengths(first.prepared, linear, found.modes));
    yield;
  }
  return { stability, lengths, modes };
}

/**
 * The strength combinations, each in its first state and, where trains stand elsewhere in others, in that with the most compression:
 * a sense of the imperfections changes next to nothing of the axial forces.
 */
function decisiveForBuckling(
  selections: readonly ResultSelection[],
  { states, prepared: { frame } }: Analysis,
): ResultSelection[] {
  const compression = ({ id }: ResultSelection): number => {
    const { memberForces } = states.get(id)!;
    return frame.memberIds.reduce(
      (sum, _, m) => sum + Math.max(0, memberForces[12 * m]!) * frame.length[m]!,
      0,
    );
  };
  const strength = selections.filter(({ id, state }) => state === 'strength' && states.has(id));
  const others = new Map<string, { selection: ResultSelection; compression: number }>();
  for (const selection of strength) {
    const combination = combinationOf(selection);
    if (selection.id === combination || selection.situation?.sameAxialForces) continue;
    const known = others.get(combination);
    const own = compression(selection);
    if (!known || own > known.compression) others.set(combination, { selection, compression: own });
  }
  return strength.flatMap((selection) => {
    if (combinationOf(selection) !== selection.id) return [];
    const other = others.get(selection.id)?.selection;
    return other ? [selection, other] : [selection];
  });
}

/** Compression below this share of the greatest in the frame is rounding. */
const noCompression = 1e-6;

function bucklesOf({ model, frame }: Analysed, linear: FrameState, found: FrameBuckling): Buckles {
  const N = frame.memberIds.map((_, m) =>
    Math.max(linear.memberForces[12 * m]!, -linear.memberForces[12 * m + 6]!),
  );
  const greatest = N.reduce((a, b) => Math.max(a, b), 0);
  const last = found.modes[found.modes.length - 1]?.factor;
  return {
    ...(found.frame ? { frame: found.frame.factor } : {}),
    ...(found.member ? { member: found.member.factor } : {}),
    ...(found.complete || last === undefined ? {} : { lookedTo: last }),
    inLengths: model.members.every(
      ({ design }, m) =>
        frame.axialOnly[m] === 1 ||
        N[m]! <= noCompression * greatest ||
        design?.lengths === 'buckling-analysis',
    ),
  };
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
    ({ id }, member) => {
      const state = stateOf(stage, id);
      return state.slack[member] === 1 ? undefined : state.field(member);
    },
    {
      bucklingOf: ({ id, situation }, member) =>
        (lengths.get(id) ?? lengths.get(situation?.combination ?? id))?.[member],
      notCovered: stage.notCovered,
    },
  );
  if (checker.problems.length > 0) throw new ProblemError(checker.problems);
  return checker;
}
