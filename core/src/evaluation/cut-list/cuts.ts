import type { Frame } from '../../analysis/index.js';
import { sectionDetails } from '../../sections/details.js';
import type { Cut } from '../../geometry/geometry.js';
import { add, dot, minus, size, times, unit, type Point } from '../../geometry/vector.js';
import { pointOn } from '../../results/index.js';

/** Distances from a section's centroid to the sides of its box, m: along +y, −y, +z, −z. */
export type Box = readonly [left: number, right: number, top: number, bottom: number];

/** A plane that ends a piece of steel. */
export interface EndPlane {
  /** m along the member's axis from its end to the plane, positive where the piece gets shorter. */
  readonly shorter: number;
  /** Outward unit normal in the member's local axes, towards the cut-off part. */
  readonly normal: Point;
}

/** The size of a member's section; undefined where only its properties are known. */
export function boxOf(frame: Frame, member: number): Box | undefined {
  const { shape, properties } = frame.sections[member]!;
  if (shape) {
    const { left, right, top, bottom } = sectionDetails(shape);
    // Looking along the member y points to the left
    return [right, left, top, bottom];
  }
  const { h, b } = properties;
  return h && b ? [b / 2, b / 2, h / 2, h / 2] : undefined;
}

const axis = (frame: Frame, member: number, k: 0 | 1 | 2): Point => {
  const a = 9 * member + 3 * k;
  return [frame.axes[a]!, frame.axes[a + 1]!, frame.axes[a + 2]!];
};

/** A square end at the end of the axis. */
export const square = (end: 'start' | 'end'): EndPlane => ({
  shorter: 0,
  normal: [end === 'end' ? 1 : -1, 0, 0],
});

/**
 * The plane by which a cut ends a member. Mitre: through the corner, half way between the two axes, half the gap away. Butt: the face
 * of the other member that looks towards this one, the gap away; of a round section the plane that touches it.
 *
 * @returns a sentence where the cut is not possible
 */
export function endPlane(frame: Frame, member: number, end: 'start' | 'end', cut: Cut): EndPlane | string {
  const other = frame.memberIndex.get(cut.to)!;
  const at = pointOn(frame, member, end === 'end' ? frame.length[member]! : 0);
  // Into the member, from the end that is cut
  const inward = times(axis(frame, member, 0), end === 'end' ? -1 : 1);
  const plane =
    cut.corner === 'mitre' ? mitre(frame, other, at, inward, cut.gap) : butt(frame, other, inward, cut.gap);
  if (typeof plane === 'string') return plane;
  const slope = dot(plane.normal, inward);
  if (slope < 1e-3) return 'it runs along the face that should cut it';
  const shorter = dot(plane.normal, minus(plane.point, at)) / slope;
  const outward = times(plane.normal, -1);
  return {
    shorter,
    normal: [0, 1, 2].map((k) => dot(outward, axis(frame, member, k as 0 | 1 | 2))) as unknown as Point,
  };
}

/** A plane by a point on it and its normal, which points into the member that is cut. */
interface Plane {
  readonly point: Point;
  readonly normal: Point;
}

function mitre(frame: Frame, other: number, at: Point, inward: Point, gap: number): Plane | string {
  const [first, last] = [pointOn(frame, other, 0), pointOn(frame, other, frame.length[other]!)];
  const startsHere = size(minus(first, at)) < size(minus(last, at));
  const corner = startsHere ? first : last;
  const otherInward = times(axis(frame, other, 0), startsHere ? 1 : -1);
  const across = minus(inward, otherInward);
  if (size(across) < 1e-6) return 'both members run the same way from the corner';
  const normal = unit(across);
  // Half way between the two axes where set-out parts them
  const middle = times(add(at, corner), 0.5);
  return { point: add(middle, times(normal, gap / 2)), normal };
}

function butt(frame: Frame, other: number, inward: Point, gap: number): Plane | string {
  const box = boxOf(frame, other);
  if (!box) return 'the section that cuts it has no outline';
  const on = pointOn(frame, other, 0);
  const { shape } = frame.sections[other]!;
  if (shape?.type === 'circular-hollow' || shape?.type === 'round') {
    const along = axis(frame, other, 0);
    const away = minus(inward, times(along, dot(inward, along)));
    if (size(away) < 1e-6) return 'it runs along the member that should cut it';
    const normal = unit(away);
    return { point: add(on, times(normal, box[0] + gap)), normal };
  }
  const [y, z] = [axis(frame, other, 1), axis(frame, other, 2)];
  const faces: readonly [Point, number][] = [
    [y, box[0]],
    [times(y, -1), box[1]],
    [z, box[2]],
    [times(z, -1), box[3]],
  ];
  const [normal, distance] = faces.reduce((best, face) =>
    dot(face[0], inward) > dot(best[0], inward) + 1e-9 ? face : best,
  );
  return { point: add(on, times(normal, distance + gap)), normal };
}

/** Greatest length of a piece from tip to tip, m, between two planes that end an axis of length L. */
export function overallLength(L: number, start: EndPlane, end: EndPlane, box: Box | undefined): number {
  const axisLength = L - start.shorter - end.shorter;
  if (!box) return axisLength;
  const corners = [box[0], -box[1]].flatMap((y) => [box[2], -box[3]].map((z) => [y, z] as const));
  // x of the plane at a corner, from its crossing with the axis: n·(x, y, z) = 0
  const reach = ({ normal }: EndPlane, [y, z]: readonly [number, number]) =>
    -(normal[1] * y + normal[2] * z) / normal[0];
  const first = Math.min(...corners.map((corner) => reach(start, corner)));
  const last = Math.max(...corners.map((corner) => reach(end, corner)));
  return axisLength + last - first;
}

/** Angle of a cut from square, rad. */
export const cutAngle = ({ normal }: EndPlane): number =>
  Math.atan2(Math.hypot(normal[1], normal[2]), Math.abs(normal[0]));

/** Where a cut leans, as a turn about the member's axis from its z, rad; 0 for a square one. */
export const cutTurn = ({ normal }: EndPlane): number =>
  Math.hypot(normal[1], normal[2]) < 1e-9 ? 0 : Math.atan2(-normal[1], normal[2]);
