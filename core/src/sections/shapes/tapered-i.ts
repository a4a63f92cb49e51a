import type { IShape, SectionProperties } from '../../model/types.js';
import { flangeThicknesses, integralsOf } from '../outline/outlines.js';
import { plasticModuli } from '../outline/plastic.js';
import { shearAreas } from './i-section.js';
import { outlineOf } from '../outline/outlines.js';
import { endLoss, taperedPlate, teeJunction } from '../outline/torsion-constants.js';

/**
 * Doubly symmetric I whose flanges' inner faces slope; A, second moments and plastic moduli exact for the shape; J by
 * plates of linear thickness with El Darwish and Johnston's junctions; Iw = Iz·(h − tf)²/4; shear areas as for the I.
 */
export function taperedI(d: IShape): SectionProperties {
  const { h, b, tw, tf, r = 0, slope = 0 } = d;
  const { A, Iy, Iz } = integralsOf(d);
  const { tip, root } = flangeThicknesses(tf, slope, d.tfAt, (b - tw) / 2);
  const { Wply, Wplz } = plasticModuli(outlineOf(d));
  const J =
    4 * taperedPlate((b - tw) / 2, tip, root) +
    (2 * tw * root ** 3) / 3 +
    ((h - 2 * root) * tw ** 3) / 3 +
    2 * teeJunction(root, tw, r) -
    4 * endLoss * tip ** 4;
  return {
    A,
    Iy,
    Iz,
    J,
    Iw: (Iz * (h - tf) ** 2) / 4,
    Wely: (2 * Iy) / h,
    Welz: (2 * Iz) / b,
    Wply,
    Wplz,
    ...shearAreas(d, A),
    h,
    b,
  };
}
