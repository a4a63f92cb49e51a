import type { SectionProperties } from '../../model/types.js';
import { Composite } from './composite.js';

/**
 * Angle: legs from the corner of least y and z along +y (b) and +z (h); y and z are parallel to the legs, so the product
 * of inertia counts. Exact for the shape except J = Σ b·t³/3 and the toes, taken square. Avz = h·t, Avy = b·t.
 *
 * @param d dimensions, m; `r` root radius
 */
export function angle(d: { h: number; b: number; t: number; r: number }): SectionProperties {
  const { h, b, t, r } = d;
  const { A, y, z, Iy, Iz, Iyz } = new Composite()
    .rectangle(0, t, 0, h)
    .rectangle(t, b, 0, t)
    .fillet(t, t, 1, 1, r)
    .centroidal();
  return {
    A,
    Iy,
    Iz,
    Iyz,
    J: ((h + b - t) * t ** 3) / 3,
    Avz: h * t,
    Avy: b * t,
    Wely: Iy / Math.max(z, h - z),
    Welz: Iz / Math.max(y, b - y),
    h,
    b,
  };
}
