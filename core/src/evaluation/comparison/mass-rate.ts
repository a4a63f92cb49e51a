import type { Frame } from '../../analysis/index.js';
import { areaOf, hullOf } from '../../geometry/plan.js';

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
