import { attempt } from '../base/problem.js';
import { drawAlternative, type DrawingOptions, type DrawnScene } from '../drawing/index.js';
import { checksUnder, shapesOf, type EvaluatedAlternative } from './alternative.js';

/** Members up to which shapes are worked out as soon as there are forces. */
const quickShapes = 120;

/** The drawing of what is known; undefined where not even the frame could be built. */
export function drawingOf(of: EvaluatedAlternative, options: DrawingOptions): DrawnScene | undefined {
  const { built, namer, evaluation, design, problems } = of;
  if (!built) return undefined;
  const { forces, checks } = evaluation ?? {};
  // Numbers go before shapes that take long: those of large frames wait until all is known
  const withShapes = forces && (forces.frame.memberIds.length <= quickShapes || of.reached === 'complete');
  const shapes = withShapes ? shapesOf(of) : undefined;
  const mechanism = problems.find(({ code }) => code === 'mechanism')?.where['shape'] as
    Record<string, number[]> | undefined;
  const drawn = forces ?? of.shownForces;
  const outcome = attempt(() =>
    drawAlternative(
      {
        built,
        ...(namer ? { namer } : {}),
        ...(drawn ? { forces: drawn } : {}),
        ...(checks ? { checks, checksUnder: (id: string) => checksUnder(of, id) } : {}),
        ...(shapes ? { shapes } : {}),
        ...(mechanism ? { mechanism } : {}),
      },
      { ...options, order: design.analysis.order },
    ),
  );
  return outcome.ok ? outcome.value : undefined;
}
