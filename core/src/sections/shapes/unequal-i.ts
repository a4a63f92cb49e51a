import type { SectionProperties, UnequalIShape } from '../../model/types.js';
import { Composite } from './composite.js';
import { endLoss, teeJunction } from '../outline/torsion-constants.js';

/**
 * I with two different flanges, web along z; A, Iy, Iz exact for the shape.
 *
 * - J by El Darwish and Johnston: plates, the junction at each flange, the flanges' free ends.
 * - Iw = Iz,top·Iz,bottom/(Iz,top + Iz,bottom)·hs², hs between the flanges' centres.
 * - Avz = h·tw between the flanges' centres; Avy = the flanges.
 *
 * @param s dimensions, m
 */
export function unequalI(s: UnequalIShape): SectionProperties {
  const { h, bTop, tfTop, bBottom, tfBottom, tw, r = 0 } = s;
  const low = tfBottom;
  const high = h - tfTop;
  const { A, z, Iy, Iz } = new Composite()
    .rectangle(-bBottom / 2, bBottom / 2, 0, low)
    .rectangle(-tw / 2, tw / 2, low, high)
    .rectangle(-bTop / 2, bTop / 2, high, h)
    .fillet([tw / 2, low], [1, 1], r)
    .fillet([-tw / 2, low], [-1, 1], r)
    .fillet([tw / 2, high], [1, -1], r)
    .fillet([-tw / 2, high], [-1, -1], r)
    .centroidal();
  const top = (tfTop * bTop ** 3) / 12;
  const bottom = (tfBottom * bBottom ** 3) / 12;
  const between = h - (tfTop + tfBottom) / 2;
  return {
    A,
    Iy,
    Iz,
    J:
      (bTop * tfTop ** 3 + bBottom * tfBottom ** 3 + (high - low) * tw ** 3) / 3 +
      teeJunction(tfTop, tw, r) +
      teeJunction(tfBottom, tw, r) -
      2 * endLoss * (tfTop ** 4 + tfBottom ** 4),
    Iw: ((top * bottom) / (top + bottom)) * between ** 2,
    Avz: between * tw,
    Avy: bTop * tfTop + bBottom * tfBottom,
    Wely: Iy / Math.max(z, h - z),
    Welz: (2 * Iz) / Math.max(bTop, bBottom),
    h,
    b: Math.max(bTop, bBottom),
  };
}
