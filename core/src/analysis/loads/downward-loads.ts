import type { Load } from '../../model/types.js';

/** Members as far as the direction of loads on them goes. */
export interface MemberAxes {
  /** Local x, y, z of each member in global axes, 9 each. */
  readonly axes: Float64Array;
}

/** Upward component of a unit along a global or local axis. */
function upward({ axes: local }: MemberAxes, m: number, axes: 'global' | 'local', axis: number): number {
  if (axes === 'local') return local[9 * m + 3 * axis + 2]!;
  return axis === 2 ? 1 : 0;
}

/** What a line load on member m brings downwards at its two ends, N/m of the member; below zero where it lifts. */
export function downwardLine(
  { axes = 'global', direction, q, per = 'length' }: Extract<Load, { kind: 'distributed' }>,
  frame: MemberAxes,
  m: number,
): readonly [number, number] {
  const axis = ['x', 'y', 'z'].indexOf(direction);
  const lean = axes === 'local' ? (axis === 0 ? 1 : 0) : frame.axes[9 * m + axis]!;
  const projection = per === 'projected' ? Math.sqrt(Math.max(0, 1 - lean * lean)) : 1;
  const down = -upward(frame, m, axes, axis) * projection;
  return [down * q[0], down * q[1]];
}

/** What a force on member m brings downwards, N; below zero where it lifts. */
export function downwardForce(
  { axes = 'global', F = [0, 0, 0] }: Extract<Load, { kind: 'point' }>,
  frame: MemberAxes,
  m: number,
): number {
  return -F.reduce((sum, value, axis) => sum + value * upward(frame, m, axes, axis), 0);
}
