import type { Frame } from '../frame/frame.js';
import { toMember } from '../frame/transform.js';
import { fieldCount, type MemberShapes } from './member-shapes.js';

/** A displacement, global X, Y and Z. */
export type Move = readonly [number, number, number];

/** Unknowns of a shape: 6 a node (global), and those inside each member one after the other. */
export interface ShapeVector {
  readonly nodes: Float64Array;
  readonly inner: Float64Array;
  /** Where each member's inner unknowns begin. */
  readonly innerStart: ArrayLike<number>;
}

/**
 * Displacement of a shape at a place of a member, m from its start, as its own swing inside the member has it. The tabulated
 * displacements of a segment are interpolated between its integration points by Lagrange's polynomial.
 */
export function moveAlong(
  frame: Frame,
  m: number,
  shapes: MemberShapes,
  { nodes, inner, innerStart }: ShapeVector,
  place: number,
): Move {
  const total = 12 + shapes.inner;
  const z = new Float64Array(Math.max(total, 12));
  toMember(frame, m, nodes, z);
  for (let k = 0; k < shapes.inner; k++) z[12 + k] = inner[innerStart[m]! + k]!;
  const local = [0, 0, 0];
  for (const [p, share] of weightsAt(shapes, place))
    for (let field = 0; field < 3; field++) {
      const row = (p * fieldCount + field) * total;
      for (let i = 0; i < total; i++) local[field]! += share * shapes.table[row + i]! * z[i]!;
    }
  return [0, 1, 2].map((axis) =>
    local.reduce((sum, value, k) => sum + value * frame.axes[9 * m + 3 * k + axis]!, 0),
  ) as unknown as Move;
}

/** Integration points of the segment that holds a place, with the weights of Lagrange's polynomial there. */
function weightsAt({ x, segment, breaks }: MemberShapes, place: number): [number, number][] {
  let s = 0;
  while (s + 2 < breaks.length && place > breaks[s + 1]!) s++;
  const points = [...segment.keys()].filter((p) => segment[p] === s);
  return points.map((p) => [
    p,
    points.reduce((product, q) => (q === p ? product : (product * (place - x[q]!)) / (x[p]! - x[q]!)), 1),
  ]);
}
