import type { Frame, MemberField } from '../analysis/index.js';
import type { Point } from '../geometry/vector.js';

/** A local axis of a member, global: 0 x, 1 y, 2 z. */
export function axisOf(frame: Frame, member: number, axis: 0 | 1 | 2): Point {
  const a = 9 * member + 3 * axis;
  return [frame.axes[a]!, frame.axes[a + 1]!, frame.axes[a + 2]!];
}

/** A node's place, m. */
export const nodeAt = (frame: Frame, node: number): Point => [
  frame.xyz[3 * node]!,
  frame.xyz[3 * node + 1]!,
  frame.xyz[3 * node + 2]!,
];

/** Places along a member close enough that a curve through them looks smooth; the breaks of its functions are among them. */
export function stationsAlong(field: MemberField, count: number): number[] {
  const length = field.breaks[field.breaks.length - 1]!;
  const places = new Set<number>(field.breaks);
  for (let i = 0; i <= count; i++) places.add((length * i) / count);
  return [...places].sort((a, b) => a - b);
}
