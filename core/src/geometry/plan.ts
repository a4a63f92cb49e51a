/** A point in plan, m. */
export type PlanPoint = readonly [x: number, y: number];

/** Corners of the smallest convex area that holds the points, anticlockwise: its lower and its upper side, from left to right and back. */
export function hullOf(points: readonly PlanPoint[]): PlanPoint[] {
  const sorted = [...points].sort((a, b) => a[0] - b[0] || a[1] - b[1]);
  const lower = sideOf(sorted);
  const upper = sideOf(sorted.reverse());
  return [...lower.slice(0, -1), ...upper.slice(0, -1)];
}

/** Points of a side that turns left everywhere. */
function sideOf(sorted: readonly PlanPoint[]): PlanPoint[] {
  const side: PlanPoint[] = [];
  for (const point of sorted) {
    while (side.length > 1 && turn(side[side.length - 2]!, side[side.length - 1]!, point) <= 0) side.pop();
    side.push(point);
  }
  return side;
}

const turn = (a: PlanPoint, b: PlanPoint, c: PlanPoint): number =>
  (b[0] - a[0]) * (c[1] - a[1]) - (b[1] - a[1]) * (c[0] - a[0]);

/** Area within corners that go round anticlockwise: half of Σ x·y' − x'·y. */
export const areaOf = (corners: readonly PlanPoint[]): number =>
  corners.reduce((sum, [x, y], i) => {
    const [nextX, nextY] = corners[(i + 1) % corners.length]!;
    return sum + (x * nextY - nextX * y) / 2;
  }, 0);
