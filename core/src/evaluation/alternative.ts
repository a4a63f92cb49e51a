import type { Progress } from '../analysis/index.js';
import { drain } from '../base/drain.js';
import { attempt, ProblemError, unwrapped, type Problem } from '../base/problem.js';
import { buildFrame, type BuiltFrame } from '../build/build.js';
import type { ParameterValues } from '../build/parameters.js';
import type { MemberCheck } from '../checks/index.js';
import type { Alternative, Design } from '../document/types.js';
import { onlyVibrates } from '../model/free.js';
import { namerOf } from '../build/namer.js';
import type { Namer } from '../geometry/names.js';
import { figureKindOf } from './figures/index.js';
import { ShapesOnDemand } from './shapes.js';
import {
  analysed,
  analysedInParts,
  freeEvaluation,
  stabilityInParts,
  stageNames,
  withChecks,
  withStability,
  type Analysed,
  type Evaluation,
  type StageName,
} from './stages/index.js';
import { parametersOf } from './summaries/parameter-summaries.js';
import { inWords } from './summaries/problem-words.js';
import type { FigureSummary } from './summaries/summary.js';
import { mechanismWarnings } from './warnings/mechanisms.js';
import { warningsOf, type Warning } from './warnings/index.js';
import { metric, type Units } from '../units/units.js';

/** One alternative of a design as far as it is evaluated. A stage gives a new one and leaves the one before as it was. */
export interface EvaluatedAlternative {
  /** In which it is told. */
  readonly units: Units;
  readonly design: Design;
  readonly alternative: Alternative;
  /** The last stage that was reached. */
  readonly reached: 'nothing' | StageName;
  /** Why no further stage can be reached, in words. */
  readonly problems: readonly Problem[];
  /** Its parameters, also where no frame could be built. */
  readonly parameters?: ParameterValues;
  /** The frame that was built, and the names of its parts. */
  readonly built?: BuiltFrame;
  readonly namer?: Namer;
  readonly evaluation?: Evaluation;
  /** Forces of the load case or combination that is shown, where those of the others take longer. */
  readonly shownForces?: Analysed;
  /** What the model check found, once it has looked. */
  readonly warnings?: readonly Warning[];
  readonly memory: Memory;
}

/** What is worked out when it is asked for, and kept for all stages: later ones do not change it. */
interface Memory {
  readonly figures: Map<string, FigureSummary>;
  /** Checks under one combination alone. */
  readonly checks: Map<string, readonly MemberCheck[]>;
  shapes?: ShapesOnDemand;
}

/** How an alternative is evaluated. */
export interface AdvanceOptions {
  /** In which it is told; metric where left out. */
  readonly units?: Units;
  /** Its `step` throws to stop; what was known before stays. */
  readonly progress?: Progress;
  /** Load case or combination whose forces can be drawn before those of the others are known. */
  readonly shown?: string;
}

/** An alternative of which nothing is known yet. */
export const notEvaluated = (
  design: Design,
  alternative: Alternative,
  units = metric,
): EvaluatedAlternative => ({
  units,
  design,
  alternative,
  reached: 'nothing',
  problems: [],
  memory: { figures: new Map(), checks: new Map() },
});

/** Evaluates an alternative of a design up to a stage; its problems say why where it does not get there. */
export const evaluateAlternative = (
  design: Design,
  alternative: Alternative,
  upTo: StageName = 'complete',
  options: AdvanceOptions = {},
): EvaluatedAlternative => drain(advance(notEvaluated(design, alternative, options.units), upTo, options));

/**
 * Evaluates an alternative further, up to a stage. After each part it tells what is known by then; the first part ends when the frame is
 * built and can be drawn.
 */
export function* advance(
  from: EvaluatedAlternative,
  upTo: StageName,
  options: AdvanceOptions = {},
): Generator<EvaluatedAlternative, EvaluatedAlternative> {
  let now = from;
  while (now.problems.length === 0 && orderOf(now.reached) < orderOf(upTo)) {
    const stage = stageNames[orderOf(now.reached) + 1]!;
    try {
      const parts = nextStage(now, stage, options);
      for (let part = parts.next(); ; part = parts.next()) {
        now = part.value;
        if (part.done) break;
        yield now;
      }
    } catch (error) {
      if (!(error instanceof ProblemError)) throw error;
      const { shownForces: _, ...known } = now;
      now = withProblems(known, error.problems);
      if (error.problems.some(({ code }) => code === 'diverged')) now = yield* pastCritical(now, options);
    }
  }
  const ended = now.reached === 'complete' || now.problems.length > 0;
  return ended ? withWarnings(now) : now;
}

const orderOf = (stage: EvaluatedAlternative['reached']): number =>
  (stageNames as readonly string[]).indexOf(stage);

/** Whether it failed at a stage before this one, so that there is nothing new to tell. */
export const failedBefore = ({ problems, reached }: EvaluatedAlternative, stage: StageName): boolean =>
  problems.length > 0 && orderOf(reached) + 1 < orderOf(stage);

/** What the model check finds; it comes last by itself. */
export function withWarnings(now: EvaluatedAlternative, progress?: Progress): EvaluatedAlternative {
  const { built, namer, problems, warnings } = now;
  if (!built || !namer || warnings) return now;
  return {
    ...now,
    warnings: [...mechanismWarnings(problems, built, namer), ...warningsOf(built, namer, progress)],
  };
}

/** Work in parts, each with what is known after it. */
type Parts = Generator<EvaluatedAlternative, EvaluatedAlternative>;

function* nextStage(now: EvaluatedAlternative, stage: StageName, options: AdvanceOptions): Parts {
  if (stage === 'forces') return yield* withForces(now, options);
  const before = now.evaluation!;
  const { progress } = options;
  const parts: Generator<undefined, Evaluation> =
    stage === 'checks'
      ? withChecks(before, progress ? { progress } : {})
      : withStability(before, modesAskedFor(now.design), progress);
  return { ...now, reached: stage, evaluation: yield* repeating(now, parts) };
}

/** Tells what is known while parts of the work give nothing new. */
function* repeating<T>(
  now: EvaluatedAlternative,
  parts: Generator<unknown, T>,
): Generator<EvaluatedAlternative, T> {
  for (;;) {
    const { done, value } = parts.next();
    if (done) return value;
    yield now;
  }
}

function* withForces(now: EvaluatedAlternative, { progress, shown }: AdvanceOptions): Parts {
  const { design, alternative, units } = now;
  const outcome = buildFrame(design, alternative, units);
  if (!outcome.ok) {
    // Parameters are shown although the frame cannot be built
    const parameters = parametersOf(design, alternative, units);
    return withProblems({ ...now, ...(parameters ? { parameters } : {}) }, outcome.problems);
  }
  const built = unwrapped(outcome);
  const framed = { ...now, built, namer: namerOf(built), parameters: built.parameters };
  yield framed;
  // Without supports and loads there are no forces: it is asked how it vibrates
  if (onlyVibrates(built.model))
    return {
      ...framed,
      reached: 'complete',
      evaluation: freeEvaluation(built.model, Math.max(1, modesAskedFor(design))),
    };
  const parts = analysedInParts(built.model, {
    secondOrder: design.analysis.order === 2,
    cases: true,
    ...(progress ? { progress } : {}),
    ...(shown === undefined ? {} : { before: shown }),
  });
  for (;;) {
    const { done, value } = parts.next();
    if (done) return { ...framed, reached: 'forces', evaluation: { forces: value } };
    yield { ...framed, shownForces: value };
  }
}

/** Past the critical load: the forces of first order, and how the frame buckles. */
function* pastCritical(now: EvaluatedAlternative, { progress }: AdvanceOptions): Parts {
  const outcome = attempt(() =>
    analysed(now.built!.model, { cases: true, ...(progress ? { progress } : {}) }),
  );
  // Why the frame has no forces of second order is said; without those of first order there is nothing more to show
  if (!outcome.ok) return now;
  const forces = outcome.value;
  const stability = yield* repeating(now, stabilityInParts(forces, progress));
  return { ...now, evaluation: { forces, stability } };
}

function withProblems(now: EvaluatedAlternative, problems: readonly Problem[]): EvaluatedAlternative {
  const { built, namer } = now;
  const worded = built && namer ? problems.map((one) => inWords(one, built.geometry, namer)) : problems;
  return { ...now, problems: worded };
}

/** The highest mode that a figure is about. */
export const modesAskedFor = ({ figures }: Design): number =>
  Math.max(
    0,
    ...figures.filter((spec) => figureKindOf(spec).needs === 'modes').map(({ number = 1 }) => number),
  );

/** Members times combinations whose forces of second order are all there almost as soon as one's. */
const soonDone = 500;

/** Members times combinations whose checks take long. */
const manyChecks = 2000;

const weightOf = ({ built }: EvaluatedAlternative): number =>
  built ? built.model.members.length * built.combinations.length : 0;

/** Whether the forces of what is shown are there, and those of the others so far away that it is worth drawing them. */
export const isShownFirst = (one: EvaluatedAlternative): boolean =>
  one.shownForces !== undefined && weightOf(one) > soonDone;

/** Whether its checks take long enough to be noticed. */
export const isLarge = (one: EvaluatedAlternative): boolean => weightOf(one) > manyChecks;

/** The checks under one strength combination alone, worked out when they are first asked for. */
export function checksUnder(
  { evaluation, memory }: EvaluatedAlternative,
  id: string,
): readonly MemberCheck[] | undefined {
  const { forces, checker } = evaluation ?? {};
  const isOne = forces?.selections.some((one) => one.id === id && one.state === 'strength');
  if (!isOne || !checker) return undefined;
  let known = memory.checks.get(id);
  if (!known) memory.checks.set(id, (known = checker.checkAll({ under: id })));
  return known;
}

/** Buckling shapes and modes, those that were not found on the way when they are first asked for. */
export function shapesOf({ evaluation, memory }: EvaluatedAlternative): ShapesOnDemand | undefined {
  if (!evaluation) return undefined;
  const shapes = (memory.shapes ??= new ShapesOnDemand(evaluation.forces));
  shapes.learn({ buckling: evaluation.stability?.modes, modes: evaluation.modes });
  return shapes;
}
