import { prepareFrame, solveStatic } from '../analysis/index.js';
import { memberChecker } from './checker.js';
import { attempt, ProblemError, type Outcome } from '../problem.js';
import { buildFrame } from '../recipe/build.js';
import type { Alternative, Design } from '../recipe/types.js';
import { appliedResultants, resultSelections } from '../results/index.js';
import {
  figures,
  governingSelections,
  type FigureId,
  type FigureResult,
  type FigureSource,
} from './figures/index.js';

/** One alternative with everything that is known of it. Plain data: it moves between threads. */
export interface Calculated extends FigureSource {
  /** Every figure at its worst over the combinations that it is judged by. */
  readonly governing: Readonly<Record<FigureId, FigureResult | undefined>>;
  readonly notes: readonly string[];
}

/** Runs the whole pipeline for one alternative: build, analyse, check, read off. */
export function calculateAlternative(design: Design, alternative: Alternative): Outcome<Calculated> {
  return attempt(() => {
    const built = unwrap(buildFrame(design, alternative));
    const frame = prepareFrame(built.model);
    const results = unwrap(solveStatic(frame));
    const selections = resultSelections(built.model);
    const checks = memberChecker({ built, frame, results, selections }).checkAll();
    const partial = { built, frame, results, selections, checks, resultants: appliedResultants(frame) };
    const governing = Object.fromEntries(
      figures.map((figure) => [figure.id, figure.compute(partial, governingSelections(figure, selections))]),
    ) as Record<FigureId, FigureResult | undefined>;
    return { ...partial, governing, notes: [...built.notes, ...results.notes] };
  });
}

function unwrap<T>(outcome: Outcome<T>): T {
  if (outcome.ok) return outcome.value;
  throw new ProblemError(outcome.problems);
}
