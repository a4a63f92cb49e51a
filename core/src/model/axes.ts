/** Unit vectors of the global axes. */
export const unitVectors = { x: [1, 0, 0], y: [0, 1, 0], z: [0, 0, 1] } as const;

/** Horizontal part of the unit axis below which a member counts as vertical. */
const verticalTolerance = 1e-6;

/**
 * Local axes of a member as rows [x; y; z] of a 3×3 rotation, written to `out[at … at+8]`; local = R · global.
 *
 * Not vertical: z lies in the vertical plane through the member and points up, y = z × x.
 * Vertical: y = +Y, z = x × y. `roll` (rad) then turns y and z about +x, right-handed.
 *
 * @param d vector from start to end, m, not of zero length
 * @returns the member's length, m
 */
export function memberAxes(
  [dx, dy, dz]: readonly [number, number, number],
  roll: number,
  out: Float64Array,
  at: number,
): number {
  const length = Math.hypot(dx, dy, dz);
  const x0 = dx / length;
  const x1 = dy / length;
  const x2 = dz / length;
  const flat = Math.hypot(x0, x1);
  // y = Z × x normalised is horizontal, so that z = x × y points up
  let y0 = 0;
  let y1 = 1;
  if (flat >= verticalTolerance) {
    y0 = -x1 / flat;
    y1 = x0 / flat;
  }
  let z0 = -x2 * y1;
  let z1 = x2 * y0;
  let z2 = x0 * y1 - x1 * y0;
  let y2 = 0;
  if (roll !== 0) {
    const c = Math.cos(roll);
    const s = Math.sin(roll);
    [y0, z0] = [c * y0 + s * z0, c * z0 - s * y0];
    [y1, z1] = [c * y1 + s * z1, c * z1 - s * y1];
    [y2, z2] = [c * y2 + s * z2, c * z2 - s * y2];
  }
  out.set([x0, x1, x2, y0, y1, y2, z0, z1, z2], at);
  return length;
}
