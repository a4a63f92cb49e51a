import { attempt, ProblemError } from '../base/problem.js';
import { drawAlternative, type DrawingOptions, type DrawnScene } from '../drawing/index.js';
import { checksUnder, shapesOf, type EvaluatedAlternative } from './alternative.js';

/** Members up to which shapes are worked out as soon as there are forces. */
const quickShapes = 120;

/**
 * The drawing of what is known; of the frame alone, with the reason, where what is shown cannot be drawn; undefined where not even the frame
 * can be.
 */
export function drawingOf(of: EvaluatedAlternative, options: DrawingOptions): DrawnScene | undefined {
  const { built, namer, evaluation, design, problems, units } = of;
  if (!built) return undefined;
  const { forces, checks } = evaluation ?? {};
  // Numbers go before shapes that take long: those of large frames wait until all is known
  const withShapes = forces && (forces.frame.memberIds.length <= quickShapes || of.reached === 'complete');
  const shapes = withShapes ? shapesOf(of) : undefined;
  const mechanism = problems.find(({ code }) => code === 'mechanism')?.where['shape'] as
    | Record<string, number[]>
    | undefined;
  const drawn = forces ?? of.shownForces;
  const frame = { built, units, ...(namer ? { namer } : {}) };
  const outcome = attempt(() =>
    drawAlternative(
      {
        ...frame,
        ...(drawn ? { forces: drawn } : {}),
        ...(checks ? { checks, checksUnder: (id: string) => checksUnder(of, id) } : {}),
        ...(shapes ? { shapes } : {}),
        ...(mechanism ? { mechanism } : {}),
      },
      { ...options, order: design.analysis.order },
    ),
  );
  if (outcome.ok) return outcome.value;
  const bare = attempt(() => drawAlternative(frame, { ...options, diagram: 'none' }));
  if (bare.ok) return { ...bare.value, problem: outcome.problems[0]!.message };
  // Why the frame cannot even be drawn is told with its problems
  if (problems.length > 0) return undefined;
  throw new ProblemError(bare.problems);
}
