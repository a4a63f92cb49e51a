import type { SectionProperties } from '../../model/types.js';

/**
 * Solid round bar; shear areas 9/10 A (energy of the parabolic shear stress).
 *
 * @param d diameter, m
 */
export function round(d: number): SectionProperties {
  const A = (Math.PI / 4) * d * d;
  const I = (Math.PI / 64) * d ** 4;
  const Wel = (Math.PI / 32) * d ** 3;
  const Wpl = d ** 3 / 6;
  return {
    A,
    Iy: I,
    Iz: I,
    J: 2 * I,
    Avz: 0.9 * A,
    Avy: 0.9 * A,
    Wely: Wel,
    Welz: Wel,
    Wply: Wpl,
    Wplz: Wpl,
    h: d,
    b: d,
  };
}
