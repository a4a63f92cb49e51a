import type { SectionProperties } from '../../model/types.js';
import { Composite } from './composite.js';
import { endLoss, teeJunction } from '../outline/torsion-constants.js';

/**
 * Tee with its flange on top (z), A, Iy, Iz exact for the shape; J by El Darwish and Johnston;
 * Iw = (bf³tf³/4 + hm³tw³)/36 about the junction of the centre lines, hm from the foot to the flange's middle (Timoshenko and
 * Gere, Theory of Elastic Stability, table A-3).
 * Avz = A − b·tf + (tw + 2r)·tf/2 (EN 1993-1-1 6.2.6(3)d, rolled), Avy = b·tf.
 *
 * @param d dimensions, m; `r` root radius
 */
export function tee(d: { h: number; b: number; tw: number; tf: number; r: number }): SectionProperties {
  const { h, b, tw, tf, r } = d;
  const { A, z, Iy, Iz } = new Composite()
    .rectangle(-tw / 2, tw / 2, 0, h - tf)
    .rectangle(-b / 2, b / 2, h - tf, h)
    .fillet([tw / 2, h - tf], [1, -1], r)
    .fillet([-tw / 2, h - tf], [-1, -1], r)
    .centroidal();
  const J =
    (b * tf ** 3 + (h - tf) * tw ** 3) / 3 + teeJunction(tf, tw, r) - endLoss * (2 * tf ** 4 + tw ** 4);
  return {
    A,
    Iy,
    Iz,
    J,
    Iw: ((b * tf) ** 3 / 4 + ((h - tf / 2) * tw) ** 3) / 36,
    Avz: A - b * tf + ((tw + 2 * r) * tf) / 2,
    Avy: b * tf,
    Wely: Iy / Math.max(z, h - z),
    Welz: (2 * Iz) / b,
    h,
    b,
  };
}
