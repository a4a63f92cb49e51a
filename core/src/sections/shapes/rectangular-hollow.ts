import type { SectionProperties } from '../../model/types.js';
import { Composite, filletProperties } from './composite.js';

/**
 * Rectangular hollow section, h along z, exact for the shape with its corner radii (EN 10210-2 Annex A);
 * J = t³·p/3 + 4·Ap²·t/p along the walls' centre line, p its length and Ap the area it encloses (same source, with
 * rounded corners); Avz = A·h/(b + h), Avy = A·b/(b + h) (EN 1993-1-1 6.2.6(3)f, g).
 *
 * @param d dimensions, m; radii absent: ro = 1.5 t, ri = t
 */
export function rectangularHollow(d: {
  h: number;
  b: number;
  t: number;
  ro?: number;
  ri?: number;
}): SectionProperties {
  const { h, b, t, ro = 1.5 * t, ri = t } = d;
  const area = new Composite()
    .rectangle(-b / 2, b / 2, -h / 2, h / 2)
    .rectangle(-b / 2 + t, b / 2 - t, -h / 2 + t, h / 2 - t, -1);
  for (const y of [-1, 1])
    for (const z of [-1, 1])
      area
        .fillet([(y * b) / 2, (z * h) / 2], [-y, -z], ro, -1)
        .fillet([y * (b / 2 - t), z * (h / 2 - t)], [-y, -z], ri);
  const { A, Iy, Iz } = area.centroidal();
  // Rectangles less their corners, each half about the axis; a corner's centroid lies c·r inside
  const { area: outer, centroid: outerAt } = filletProperties(ro);
  const { area: inner, centroid: innerAt } = filletProperties(ri);
  const plastic = (deep: number, wide: number) =>
    (wide * deep * deep) / 4 -
    ((wide - 2 * t) * (deep - 2 * t) ** 2) / 4 -
    4 * outer * (deep / 2 - outerAt) +
    4 * inner * (deep / 2 - t - innerAt);
  const rc = (ro + ri) / 2;
  const p = 2 * (b - t + h - t) - 2 * rc * (4 - Math.PI);
  const Ap = (b - t) * (h - t) - rc * rc * (4 - Math.PI);
  return {
    A,
    Iy,
    Iz,
    J: (t ** 3 * p) / 3 + (4 * Ap * Ap * t) / p,
    Avz: (A * h) / (b + h),
    Avy: (A * b) / (b + h),
    Wely: (2 * Iy) / h,
    Welz: (2 * Iz) / b,
    Wply: plastic(h, b),
    Wplz: plastic(b, h),
    h,
    b,
  };
}
