import type { Shape } from '../../model/types.js';
import { integrate } from './outline.js';
import { outlineOf } from './outlines.js';

/** Extent of a shape from its centroid along y and z, m, and the length of its outer boundary, m. */
export interface SectionBox {
  readonly top: number;
  readonly bottom: number;
  readonly right: number;
  readonly left: number;
  readonly perimeter: number;
  /** Centroid in the outline's own axes, m. */
  readonly centroid: readonly [y: number, z: number];
}

const known = new WeakMap<Shape, SectionBox>();

/** The box around a shape: z from bottom (< 0) to top, y from left (< 0) to right. */
export function sectionBox(shape: Shape): SectionBox {
  let box = known.get(shape);
  if (!box) {
    const { top, bottom, right, left, perimeter, y, z } = integrate(outlineOf(shape));
    box = {
      top: Math.abs(top),
      bottom: -Math.abs(bottom),
      right: Math.abs(right),
      left: -Math.abs(left),
      perimeter,
      centroid: [y, z],
    };
    known.set(shape, box);
  }
  return box;
}
