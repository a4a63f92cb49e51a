import {
  analyse,
  analyseInParts,
  prepareFrame,
  type Analysis,
  type Frame,
  type FrameState,
  type Progress,
} from '../../analysis/index.js';
import { drain } from '../../base/drain.js';
import { fail, unwrapped } from '../../base/problem.js';
import {
  withDirectStiffness,
  withNotionalLoads,
  withStrengthImperfections,
  type WithOwnLoads,
} from '../../checks/index.js';
import type { FrameModel } from '../../model/types.js';
import {
  appliedResultants,
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
  /** Where second order does not settle nothing is looked for beside: only that it does not counts. */
  readonly brief?: boolean;
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
  /** The frame that a selection's state is of: with the stiffnesses of the direct analysis method where they count. */
  frameOf(selection: string): Frame;
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
  return drain(analysedInParts(given, options));
}

/** The same in parts: in second order the forces that are wanted before the others are told by themselves. */
export function* analysedInParts(
  given: FrameModel,
  options: AnalysisOptions = {},
): Generator<Analysed, Analysed> {
  const { secondOrder = false, progress, cases = false, before, brief = false } = options;
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
  let softer = frame;
  let softened: readonly ResultSelection[] = [];
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
      frameOf: (selection) => (softened.some(({ id }) => id === selection) ? softer : frame),
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
  if (direct) {
    softer = withReducedStiffnesses(model, frame, combinations, tell);
    softened = reduced;
  }
  // The last words of a frame past its critical load are what is known in first order
  const telling = brief ? <T>(run: () => T): T => run() : explainingDivergence(frame, combinations);
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
export const usesDirectAnalysis = ({ code }: FrameModel): boolean =>
  code?.name === 'AISC360' && code.analysis !== 'effective-length';

const bracingOfAisc =
  'What braces hold is not asked under AISC 360: the forces of EN 1993-1-1 5.3.3 are not taken, and the strength and stiffness of Appendix 6 are not checked.';

/** The model with what its code brings in beside the loads: imperfections of EN 1993, notional loads of AISC 360 in second order. */
export function withOwnLoads(
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
function withReducedStiffnesses(
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
