import type { Frame } from '../../analysis/index.js';

/** The members' mass over what the frame covers. */
export interface MassRate {
  /** kg a square metre of the plan, or of a plane frame kg a metre of its width. */
  readonly value: number;
  readonly per: 'm²' | 'm';
  /** The plan's area, m², or the width, m. */
  readonly covered: number;
}

/** Σ ρ·A·L over the area of the plan, the smallest convex one that holds all nodes; undefined where the frame covers nothing. */
export function massRate(frame: Frame): MassRate | undefined {
  const mass = frame.massPerLength.reduce((sum, one, m) => sum + one * frame.length[m]!, 0);
  const plan = frame.nodeIds.map((_, n) => [frame.xyz[3 * n]!, frame.xyz[3 * n + 1]!] as const);
  if (plan.length === 0) return undefined;
  const covered = frame.plane
    ? Math.max(...plan.map(([x]) => x)) - Math.min(...plan.map(([x]) => x))
    : areaOf(hullOf(plan));
  return covered > 1e-9 ? { value: mass / covered, per: frame.plane ? 'm' : 'm²', covered } : undefined;
}

type PlanPoint = readonly [x: number, y: number];

/** Corners of the smallest convex area that holds the points, anticlockwise: its lower and its upper side, from left to right and back. */
function hullOf(points: readonly PlanPoint[]): PlanPoint[] {
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
const areaOf = (corners: readonly PlanPoint[]): number =>
  corners.reduce((sum, [x, y], i) => {
    const [nextX, nextY] = corners[(i + 1) % corners.length]!;
    return sum + (x * nextY - nextX * y) / 2;
  }, 0);
