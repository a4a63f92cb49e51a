import type { Frame } from '../../analysis/index.js';
import { flattened, type FlatRing, type OutlineCorner } from '../../sections/outline/flat-outline.js';
import { sectionBox } from '../../sections/outline/section-box.js';
import { resolveSections } from '../../sections/sections.js';
import type { FrameModel, Shape } from '../../model/types.js';
import { pointOn } from '../../results/index.js';
import type { Taper } from '../../geometry/geometry.js';
import { add, times, type Point } from '../../geometry/vector.js';
import type { Draughtsman, LayerPen } from '../drawing.js';
import { axisOf } from '../places.js';

/** Members beyond which only the edges along them are drawn, not the outlines at their ends. */
const manyMembers = 400;

/** Outlines of the sections true to scale: at both ends of each member, and the edges between them; of tapers both outlines. */
export function drawSections(
  pen: Draughtsman,
  frame: Frame,
  model: FrameModel,
  flushOf: (member: string) => Taper['flush'] | undefined,
  isFaint: (m: number) => boolean,
): void {
  const resolved = resolveSections(model);
  const ends = frame.memberIds.length <= manyMembers;
  model.members.forEach(({ id, section, endSection }, m) => {
    const first = resolved.get(section)?.shape;
    if (!first) return;
    const last = (endSection === undefined ? undefined : resolved.get(endSection)?.shape) ?? first;
    const style = { colour: isFaint(m) ? ('inkFaint' as const) : ('ink' as const), width: 0.9 };
    const flush = endSection === undefined ? undefined : flushOf(id);
    const least = Math.min(depthOf(first), depthOf(last));
    const from = placing(frame, m, 0, first, aside(flush, first, least));
    const to = placing(frame, m, frame.length[m]!, last, aside(flush, last, least));
    const [rings, lastRings] = [flattened(first), flattened(last)];
    if (frame.plane) silhouette(pen, from, to, first, last);
    if (ends) {
      for (const ring of rings) loop(pen, ring, from, style);
      for (const ring of lastRings) loop(pen, ring, to, style);
    }
    // Tapers of one kind of shape have as many corners at both ends
    rings.forEach((ring, r) => {
      const other = lastRings[r];
      if (other?.corners.length !== ring.corners.length) return;
      ring.corners.forEach((corner, i) =>
        pen.on('sections').line(from(corner), to(other.corners[i]!), style),
      );
    });
  });
}

type Placing = (corner: OutlineCorner) => Point;

const depthOf = (shape: Shape): number => sectionBox(shape).top - sectionBox(shape).bottom;

/** How far up an outline stands off the axis where an edge of a taper stays in line, m. */
function aside(flush: Taper['flush'] | undefined, shape: Shape, least: number): number {
  const more = (depthOf(shape) - least) / 2;
  return flush === 'top' ? -more : flush === 'bottom' ? more : 0;
}

/** Where a corner of an outline lies at a distance along a member: its centroid `up` m above the axis. */
function placing(frame: Frame, m: number, x: number, shape: Shape, up: number): Placing {
  const at = pointOn(frame, m, x);
  const [cy, cz] = sectionBox(shape).centroid;
  const [ey, ez] = [axisOf(frame, m, 1), axisOf(frame, m, 2)];
  return ([y, z]) => add(at, add(times(ey, y - cy), times(ez, z - cz + up)));
}

function loop(
  pen: Draughtsman,
  { points }: FlatRing,
  place: Placing,
  style: Parameters<LayerPen['line']>[2],
): void {
  points.forEach((point, i) =>
    pen.on('sections').line(place(point), place(points[(i + 1) % points.length]!), style),
  );
}

/** In the plane a member is seen from the side: its depth is tinted. */
function silhouette(pen: Draughtsman, from: Placing, to: Placing, first: Shape, last: Shape): void {
  const edge = (shape: Shape, side: 'top' | 'bottom'): OutlineCorner => {
    const { centroid, [side]: height } = sectionBox(shape);
    return [centroid[0], centroid[1] + height];
  };
  pen
    .on('sections')
    .area(
      [
        from(edge(first, 'bottom')),
        from(edge(first, 'top')),
        to(edge(last, 'top')),
        to(edge(last, 'bottom')),
      ],
      { colour: 'ink', alpha: 0.12 },
    );
}
