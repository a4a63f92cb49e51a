import type { SectionProperties } from '../../model/types.js';
import { Composite } from './composite.js';

/**
 * Channel with parallel flanges, web along z at the side of least y, exact for the shape except J = Σ b·t³/3.
 * Avz = A − 2·b·tf + (tw + r)·tf (EN 1993-1-1 6.2.6(3)b), Avy = the flanges.
 *
 * @param d dimensions, m; `r` root radius
 */
export function channel(d: { h: number; b: number; tw: number; tf: number; r: number }): SectionProperties {
  const { h, b, tw, tf, r } = d;
  const { A, y, Iy, Iz } = new Composite()
    .rectangle(0, tw, 0, h)
    .rectangle(tw, b, 0, tf)
    .rectangle(tw, b, h - tf, h)
    .fillet(tw, tf, 1, 1, r)
    .fillet(tw, h - tf, 1, -1, r)
    .centroidal();
  return {
    A,
    Iy,
    Iz,
    J: (2 * b * tf ** 3 + (h - 2 * tf) * tw ** 3) / 3,
    Avz: A - 2 * b * tf + (tw + r) * tf,
    Avy: 2 * b * tf,
    Wely: (2 * Iy) / h,
    Welz: Iz / Math.max(y, b - y),
    h,
    b,
  };
}
