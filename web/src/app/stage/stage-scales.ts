import {
  displacementExtremes,
  forceExtremes,
  globalDisplacementAt,
  memberField,
  type Calculated,
} from '@hashira/core';
import { extentOf } from './camera';
import { forceOf } from './draw-diagram';
import type { DiagramKind, StageScales } from './scene';

/** Factor on displacements: found, true, or typed. */
export type DeformationScale =
  { readonly kind: 'automatic' } | { readonly kind: 'fixed'; readonly factor: number };

/** Largest diagram ordinate, displacement and load, as fractions of the frame's size. */
const diagramShare = { none: 0, N: 0.13, V: 0.13, M: 0.16 };
const deformationShare = 0.08;
const loadShare = 0.055;

/**
 * One set of scales for all frames that are compared, so that what is larger is drawn larger: found from the largest value
 * of all of them under the shown load case or combination.
 */
export function commonScales(
  all: readonly Calculated[],
  resultId: string,
  diagram: DiagramKind,
  deformation: DeformationScale,
): StageScales {
  let size = 1;
  let force = 0;
  let displacement = 0;
  let load = 0;
  for (const calculated of all) {
    const { frame, results } = calculated;
    const { minX, maxX, minZ, maxZ } = extentOf(frame.xyz);
    size = Math.max(size, Math.hypot(maxX - minX, maxZ - minZ));
    const selection = calculated.selections.find((s) => s.id === resultId);
    if (!selection) continue;
    frame.memberIds.forEach((_, m) => {
      const field = memberField(frame, results, m, selection.factors);
      if (diagram !== 'none') {
        const { min, max } = forceExtremes(field, forceOf(diagram));
        force = Math.max(force, Math.abs(min.value), Math.abs(max.value));
      }
      const { min, max } = displacementExtremes(field, 'w');
      for (const x of [0, frame.length[m]!, min.x, max.x])
        displacement = Math.max(displacement, Math.hypot(...globalDisplacementAt(frame, field, m, x)));
    });
    frame.loadCases.forEach((loadCase, c) => {
      for (const item of loadCase.loads ?? [])
        if (item.kind === 'distributed')
          load = Math.max(
            load,
            Math.abs(item.q[0] * selection.factors[c]!),
            Math.abs(item.q[1] * selection.factors[c]!),
          );
    });
  }
  return {
    diagram: force > 0 ? (diagramShare[diagram] * size) / force : 0,
    load: load > 0 ? (loadShare * size) / load : 0,
    deformation:
      deformation.kind === 'fixed'
        ? deformation.factor
        : displacement > 0
          ? niceFactor((deformationShare * size) / displacement)
          : 1,
  };
}

/** The largest of 1, 1.5, 2, 3, 5, 7 × 10ⁿ that is not above the value. */
export function niceFactor(value: number): number {
  const power = 10 ** Math.floor(Math.log10(value));
  const digit = value / power;
  return ([7, 5, 3, 2, 1.5].find((step) => digit >= step) ?? 1) * power;
}
