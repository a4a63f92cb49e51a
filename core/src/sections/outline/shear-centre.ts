import type { Shape } from '../../model/types.js';
import { flangeThicknesses, outlineOf } from './outlines.js';
import { saintVenant } from './saint-venant.js';
import { channelWarping } from './warping.js';

/**
 * Shear centre from the centroid, m, in the section's y and z: by symmetry, at the crossing of two plates' centre lines, by
 * thin walls, or (an outline of points) by finite elements.
 *
 * @param centroid in the axes of the shape's outline
 */
export function shearCentre(shape: Shape, centroid: { y: number; z: number }): { ys: number; zs: number } {
  const from = (y: number, z: number) => ({ ys: y - centroid.y, zs: z - centroid.z });
  switch (shape.type) {
    case 'i': {
      if (!('bTop' in shape)) return { ys: 0, zs: 0 };
      const { h, bTop, tfTop, bBottom, tfBottom } = shape;
      return from(0, flangesCentre(h, tfTop, tfTop * bTop ** 3, tfBottom, tfBottom * bBottom ** 3));
    }
    case 'plated-i': {
      const { h, b, tf, bp, tp, plates = 'both' } = shape;
      if (plates === 'both') return { ys: 0, zs: 0 };
      const flange = tf * b ** 3;
      const plate = tp * bp ** 3;
      // Level of a flange with its plate by their Iz
      const out = (plate * (tf + tp)) / 2 / (flange + plate);
      const foot = plates === 'bottom' ? tp : 0;
      const top = foot + h - tf / 2 + (plates === 'top' ? out : 0);
      const bottom = foot + tf / 2 - (plates === 'bottom' ? out : 0);
      const topI = flange + (plates === 'top' ? plate : 0);
      const bottomI = flange + (plates === 'bottom' ? plate : 0);
      return from(0, bottom + ((top - bottom) * topI) / (topI + bottomI));
    }
    case 'channel': {
      const { h, b, tw, tf, slope = 0, tfAt } = shape;
      const { tip, root } = flangeThicknesses(tf, slope, tfAt, b - tw);
      const [out, inner] = tfAt === undefined ? [tf, tf] : [tip, root];
      const { e } = channelWarping(h - tf, b - tw / 2, tw, out, inner);
      return { ys: tw / 2 - e - centroid.y, zs: 0 };
    }
    case 'tee':
      return from(0, shape.h - shape.tf / 2);
    case 'angle':
      return from(shape.t / 2, shape.t / 2);
    case 'outline': {
      const { ys, zs } = saintVenant(outlineOf(shape));
      return { ys, zs };
    }
    case 'rectangular-hollow':
    case 'circular-hollow':
    case 'rectangle':
    case 'round':
    case 'plate-box':
    case 'double-channel':
      return { ys: 0, zs: 0 };
  }
}

/** Level of the shear centre between two flanges: nearer the one with the larger Iz. From the foot, m. */
function flangesCentre(h: number, tfTop: number, topI: number, tfBottom: number, bottomI: number): number {
  const top = h - tfTop / 2;
  const bottom = tfBottom / 2;
  return bottom + ((top - bottom) * topI) / (topI + bottomI);
}
