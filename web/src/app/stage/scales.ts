import type { DiagramKind, DrawnScene } from '@hashira/core';
import type { StageScales } from './types';

/** Factor on displacements: found, true, or typed. */
export type DeformationScale =
  { readonly kind: 'automatic' } | { readonly kind: 'fixed'; readonly factor: number };

/** Largest diagram ordinate, displacement and load, as fractions of the frame's size. */
const diagramShare: Readonly<Record<DiagramKind, number>> = {
  none: 0,
  stress: 0,
  utilisation: 0,
  N: 0.1,
  Vz: 0.1,
  Vy: 0.1,
  T: 0.1,
  My: 0.13,
  Mz: 0.13,
};
const deformationShare = 0.07;
const loadShare = 0.05;
/** The same as fractions of the distance at which members stand from one another. */
const diagramReach = 0.75;
const loadReach = 0.35;
/** Members no longer together than so many times the frame's longest side stand in a line, if a bent one. */
const lineLength = 1.25;

/**
 * One set of scales for all frames that are compared, so that what is larger is drawn larger: found from the largest value of all of
 * them under the shown load case or combination.
 */
export function commonScales(
  scenes: readonly DrawnScene[],
  diagram: DiagramKind,
  deformation: DeformationScale,
): StageScales {
  let [size, spacing, force, move, load] = [1, Infinity, 0, 0, 0];
  for (const { points, members, most } of scenes) {
    const measured = measure(points, members.ends);
    size = Math.max(size, measured.size);
    spacing = Math.min(spacing, measured.spacing);
    force = Math.max(force, most.diagram);
    move = Math.max(move, most.deformation);
    load = Math.max(load, most.load);
  }
  return {
    diagram: force > 0 ? Math.min(diagramShare[diagram] * size, diagramReach * spacing) / force : 0,
    load: load > 0 ? Math.min(loadShare * size, loadReach * spacing) / load : 0,
    deformation:
      deformation.kind === 'fixed'
        ? deformation.factor
        : move > 0
          ? niceFactor((deformationShare * size) / move)
          : 1,
  };
}

/**
 * Diagonal of the box around a frame, m, and how far apart its members stand, m: a square grid
 * of spacing s has 2/s metres of members a square metre, a cubic one 3/s² a cubic metre. Members in about one line stand
 * apart from nothing.
 */
function measure(points: ArrayLike<number>, ends: ArrayLike<number>): { size: number; spacing: number } {
  const [a, b, c] = sidesOf(points);
  const diagonal = Math.hypot(a, b, c);
  let length = 0;
  for (let i = 0; i < ends.length; i += 6) {
    const x = ends[i + 3]! - ends[i]!;
    const y = ends[i + 4]! - ends[i + 1]!;
    const z = ends[i + 5]! - ends[i + 2]!;
    length += Math.sqrt(x * x + y * y + z * z);
  }
  if (length <= lineLength * a) return { size: diagonal, spacing: Infinity };
  return {
    size: diagonal,
    spacing: Math.max((2 * a * b) / length, Math.sqrt((3 * a * b * c) / length)),
  };
}

/** Sides of the box around points, the longest first, m. */
function sidesOf(points: ArrayLike<number>): [number, number, number] {
  if (points.length < 3) return [0, 0, 0];
  const low = [Infinity, Infinity, Infinity];
  const high = [-Infinity, -Infinity, -Infinity];
  for (let i = 0; i < points.length; i++) {
    low[i % 3] = Math.min(low[i % 3]!, points[i]!);
    high[i % 3] = Math.max(high[i % 3]!, points[i]!);
  }
  return high.map((h, k) => h - low[k]!).sort((a, b) => b - a) as [number, number, number];
}

/** The largest of 1, 1.5, 2, 3, 5, 7 × 10ⁿ that is not above the value. */
export function niceFactor(value: number): number {
  const power = 10 ** Math.floor(Math.log10(value));
  const digit = value / power;
  return ([7, 5, 3, 2, 1.5].find((step) => digit >= step) ?? 1) * power;
}
