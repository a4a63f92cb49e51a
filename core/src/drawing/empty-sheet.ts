import { resolveAlternative } from '../build/resolve.js';
import { attempt } from '../base/problem.js';
import type { Alternative, Design } from '../document/types.js';
import { Draughtsman } from './drawing.js';
import type { DrawnScene } from './draw.js';
import { drawAxes } from './parts/axes.js';

/** How wide, deep and high a sheet without members and grid lines is, m. */
const extent = [12, 8, 6] as const;

/** A sheet on which nothing stands yet but the design's grid lines: where the first member is drawn. */
export function emptySheet(design: Design, alternative: Alternative): DrawnScene {
  const outcome = attempt(() => resolveAlternative(design, alternative));
  const axes = outcome.ok ? outcome.value.axes : [];
  const plane = design.space === 'plane';
  const highest = (k: number) => {
    const along = axes.filter((axis) => axis.along === 'xyz'[k]).map(({ at }) => at);
    return along.length > 1 ? Math.max(...along) : extent[k]!;
  };
  const points = Float32Array.from([0, 0, 0, highest(0), plane ? 0 : highest(1), highest(2)]);
  const pen = new Draughtsman();
  drawAxes(pen, axes, points, plane);
  return {
    drawing: pen.finish(),
    points,
    space: design.space,
    result: '',
    title: '',
    most: { diagram: 0, deformation: 0, load: 0 },
    legend: [],
    nodes: [],
    dimensions: [],
    members: { ids: [], ends: new Float32Array() },
  };
}
