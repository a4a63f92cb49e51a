/** A point or direction in space, m. */
export type Point = readonly [x: number, y: number, z: number];

export const add = (a: Point, b: Point): Point => [a[0] + b[0], a[1] + b[1], a[2] + b[2]];
export const minus = (a: Point, b: Point): Point => [a[0] - b[0], a[1] - b[1], a[2] - b[2]];
export const times = (a: Point, factor: number): Point => [a[0] * factor, a[1] * factor, a[2] * factor];
export const dot = (a: Point, b: Point): number => a[0] * b[0] + a[1] * b[1] + a[2] * b[2];
export const cross = (a: Point, b: Point): Point => [
  a[1] * b[2] - a[2] * b[1],
  a[2] * b[0] - a[0] * b[2],
  a[0] * b[1] - a[1] * b[0],
];
export const size = (a: Point): number => norm(a[0], a[1], a[2]);
export const distance = (a: Point, b: Point): number => norm(a[0] - b[0], a[1] - b[1], a[2] - b[2]);
/** √(x² + y² + z²); by `Math.hypot`, which is many times slower, only where a square leaves the range of numbers. */
export function norm(x: number, y: number, z: number): number {
  const squares = x * x + y * y + z * z;
  return squares > 1e-280 && squares < 1e300 ? Math.sqrt(squares) : Math.hypot(x, y, z);
}
export const unit = (a: Point): Point => times(a, 1 / size(a));
/** The point at a fraction of the way from a to b. */
export const between = (a: Point, b: Point, fraction: number): Point => [
  a[0] + fraction * (b[0] - a[0]),
  a[1] + fraction * (b[1] - a[1]),
  a[2] + fraction * (b[2] - a[2]),
];

/** Turns a point about the vertical axis through `centre`, against the clock seen from above, rad. */
export function turned(p: Point, angle: number, centre: readonly [number, number] = [0, 0]): Point {
  if (angle === 0) return p;
  const [c, s] = [Math.cos(angle), Math.sin(angle)];
  const [x, y] = [p[0] - centre[0], p[1] - centre[1]];
  return [centre[0] + c * x - s * y, centre[1] + s * x + c * y, p[2]];
}

/** Differences below this do not decide which way a member runs, m. */
const undecided = 1e-6;

/**
 * Whether a member from a to b runs the wrong way: columns run up, everything else left to right, then front to back.
 */
export function runsBackwards(a: Point, b: Point): boolean {
  for (const k of [0, 1, 2]) {
    const d = b[k]! - a[k]!;
    if (Math.abs(d) > undecided) return d < 0;
  }
  return false;
}

/** Distance of p from the line through a and b, and how far along it p lies, 0 at a and 1 at b. */
export function along(p: Point, a: Point, b: Point): { fraction: number; off: number } {
  const d = minus(b, a);
  const fraction = dot(minus(p, a), d) / dot(d, d);
  return { fraction, off: distance(p, between(a, b, fraction)) };
}
