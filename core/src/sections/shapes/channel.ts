import type { SectionProperties, Shape } from '../../model/types.js';
import { Composite } from './composite.js';
import { flangeThicknesses, integralsOf } from '../outline/outlines.js';
import { cornerJunction, endLoss, taperedPlate } from '../outline/torsion-constants.js';
import { channelWarping } from '../outline/warping.js';

type Channel = Extract<Shape, { type: 'channel' }>;

/**
 * Channel, web along z at the side of least y, flanges parallel or tapered; A, Iy, Iz exact for the shape.
 * J by El Darwish and Johnston, Iw by thin walls. Avz = A − 2·b·tf + (tw + r)·tf (EN 1993-1-1 6.2.6(3)b), Avy = the flanges.
 */
export function channel(d: Channel): SectionProperties {
  const { h, b, tw, tf, r = 0 } = d;
  const { A, y, Iy, Iz } = d.slope || d.r2 ? integralsOf(d) : parallel(d);
  const { tip, root } = flangeThicknesses(tf, d.slope ?? 0, d.tfAt, b - tw);
  const J =
    2 * (taperedPlate(b - tw, tip, root) + (tw * tf ** 3) / 3) +
    ((h - 2 * tf) * tw ** 3) / 3 +
    2 * cornerJunction(tf, tw, r) -
    4 * endLoss * tf ** 4;
  // Where tf is the mean thickness the tables of warping constants go by it (AISC); else the taper counts
  const [out, inner] = d.tfAt === undefined ? [tf, tf] : [tip, root];
  return {
    A,
    Iy,
    Iz,
    J,
    Iw: channelWarping(h - tf, b - tw / 2, tw, out, inner).Iw,
    Avz: A - 2 * b * tf + (tw + r) * tf,
    Avy: 2 * b * tf,
    Wely: (2 * Iy) / h,
    Welz: Iz / Math.max(y, b - y),
    h,
    b,
  };
}

function parallel({ h, b, tw, tf, r = 0 }: Channel): { A: number; y: number; Iy: number; Iz: number } {
  return new Composite()
    .rectangle(0, tw, 0, h)
    .rectangle(tw, b, 0, tf)
    .rectangle(tw, b, h - tf, h)
    .fillet([tw, tf], [1, 1], r)
    .fillet([tw, h - tf], [1, -1], r)
    .centroidal();
}
