import { prepareFrame, type Frame } from '../../analysis/index.js';
import { unwrapped } from '../../base/problem.js';
import { buildFrame, type BuiltFrame } from '../../build/build.js';
import type { Design } from '../../document/types.js';
import { Draughtsman } from '../drawing.js';
import { drawHinges, drawMembers, drawTapers } from '../frame.js';
import { toSvg } from '../view/svg.js';
import { depthOf, fitView, standardViews } from '../view/view.js';
import { actingLoads, drawLoads } from './loads.js';
import type { PictureSize } from './steps.js';
import { drawSupports } from './supports.js';
import { drawTied } from './tied.js';
import { metric } from '../../units/units.js';

/** How high the greatest load of a picture stands, as a share of the picture's height. */
const loadShare = 0.14;

/**
 * A design as a small picture: the alternative with the most members, so that what alternatives add is seen, with its supports and hinges,
 * and where it is plane with the loads of its first case that is not permanent.
 *
 * @throws ProblemError where the design cannot be built
 */
export function startPicture(design: Design, size: PictureSize): string {
  const built = design.alternatives
    .map((alternative) => unwrapped(buildFrame(design, alternative)))
    .reduce((a, b) => (b.geometry.members.size > a.geometry.members.size ? b : a));
  const frame = prepareFrame(built.model);
  const pen = new Draughtsman(frame.memberIds.length);
  for (const floor of built.geometry.floors)
    drawTied(pen, floor.nodes, (id) => built.geometry.nodes.get(id)?.at);
  const greatest = frame.plane ? drawFirstLoads(pen, frame, built) : 0;
  drawMembers(pen, frame);
  drawTapers(pen, frame, (id) => built.geometry.members.get(id)?.taper);
  drawHinges(pen, frame, built.model);
  drawSupports(pen, frame, built.model);
  const margin = Math.round(size.height / 5);
  const view = fitView(frame.xyz, frame.plane ? standardViews.front : standardViews.oblique, size, {
    left: margin,
    right: margin,
    top: margin,
    bottom: margin,
  });
  return toSvg(pen.finish(), {
    view,
    size,
    texts: false,
    marks: 0.7,
    thin: frame.plane ? 0.7 : 0.5,
    scales: greatest > 0 ? { load: (loadShare * size.height) / view.scale / greatest } : {},
    ...(frame.plane ? {} : { depth: depthOf(frame.xyz, view) }),
  });
}

/** Draws the loads of the first case that is not permanent. @returns the greatest of a line, N/m */
function drawFirstLoads(pen: Draughtsman, frame: Frame, { design }: BuiltFrame): number {
  const first = design.loadCases.find(({ category }) => category !== 'permanent') ?? design.loadCases[0];
  const loads = actingLoads(
    frame,
    Float64Array.from(frame.loadCases, ({ id }) => (id === first?.id ? 1 : 0)),
  );
  drawLoads(pen, frame, loads, { shown: () => true, light: false, units: metric });
  return loads.greatest;
}
