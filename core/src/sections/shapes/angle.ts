import type { SectionProperties } from '../../model/types.js';
import { Composite } from './composite.js';
import { endLoss, legJunction } from '../outline/torsion-constants.js';

/**
 * Angle: legs from the corner of least y and z along +y (b) and +z (h); y and z are parallel to the legs, so the product
 * of inertia counts. A, Iy, Iz, Iyz exact for the shape; J by El Darwish and Johnston; Iw = t³(h'³ + b'³)/36 about the corner
 * of the legs' centre lines. Avz = h·t, Avy = b·t.
 *
 * @param d dimensions, m; `r` root radius, `r2` at the toes
 */
export function angle(d: { h: number; b: number; t: number; r: number; r2?: number }): SectionProperties {
  const { h, b, t, r, r2 = 0 } = d;
  const { A, y, z, Iy, Iz, Iyz } = new Composite()
    .rectangle(0, t, 0, h)
    .rectangle(t, b, 0, t)
    .fillet([t, t], [1, 1], r)
    .fillet([t, h], [-1, -1], r2, -1)
    .fillet([b, t], [-1, -1], r2, -1)
    .centroidal();
  return {
    A,
    Iy,
    Iz,
    Iyz,
    J: ((h + b - t) * t ** 3) / 3 + legJunction(t, r) - 2 * endLoss * t ** 4,
    Iw: (t ** 3 * ((h - t / 2) ** 3 + (b - t / 2) ** 3)) / 36,
    Avz: h * t,
    Avy: b * t,
    Wely: Iy / Math.max(z, h - z),
    Welz: Iz / Math.max(y, b - y),
    h,
    b,
  };
}
