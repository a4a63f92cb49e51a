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
/** A long low frame counts as no longer than so many times its other side: ordinates would tower above it. */
const longest = 6;

/**
 * One set of scales for all frames that are compared, so that what is larger is drawn larger: found from the largest value of all of
 * them under the shown load case or combination.
 */
export function commonScales(
  scenes: readonly DrawnScene[],
  diagram: DiagramKind,
  deformation: DeformationScale,
): StageScales {
  let [size, force, move, load] = [1, 0, 0, 0];
  for (const { points, most } of scenes) {
    size = Math.max(size, sizeOf(points));
    force = Math.max(force, most.diagram);
    move = Math.max(move, most.deformation);
    load = Math.max(load, most.load);
  }
  return {
    diagram: force > 0 ? (diagramShare[diagram] * size) / force : 0,
    load: load > 0 ? (loadShare * size) / load : 0,
    deformation:
      deformation.kind === 'fixed'
        ? deformation.factor
        : move > 0
          ? niceFactor((deformationShare * size) / move)
          : 1,
  };
}

/** Diagonal of the box around points, m; of a long low one less. */
function sizeOf(points: ArrayLike<number>): number {
  if (points.length < 3) return 0;
  const low = [Infinity, Infinity, Infinity];
  const high = [-Infinity, -Infinity, -Infinity];
  for (let i = 0; i < points.length; i++) {
    low[i % 3] = Math.min(low[i % 3]!, points[i]!);
    high[i % 3] = Math.max(high[i % 3]!, points[i]!);
  }
  const sides = high.map((h, k) => h - low[k]!).sort((a, b) => b - a);
  const diagonal = Math.hypot(...sides);
  return sides[1]! > 0 ? Math.min(diagonal, longest * sides[1]!) : diagonal;
}

/** The largest of 1, 1.5, 2, 3, 5, 7 × 10ⁿ that is not above the value. */
export function niceFactor(value: number): number {
  const power = 10 ** Math.floor(Math.log10(value));
  const digit = value / power;
  return ([7, 5, 3, 2, 1.5].find((step) => digit >= step) ?? 1) * power;
}
