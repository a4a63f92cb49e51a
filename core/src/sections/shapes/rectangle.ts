import type { SectionProperties } from '../../model/types.js';

/**
 * Solid rectangle, h along z; shear areas 5/6 A; J by Saint-Venant's series (Timoshenko and Goodier, Theory of
 * Elasticity, art. 109).
 *
 * @param h height, m
 * @param b width, m
 */
export function rectangle(h: number, b: number): SectionProperties {
  const A = h * b;
  const long = Math.max(h, b);
  const short = Math.min(h, b);
  let sum = 0;
  for (let n = 1; n <= 15; n += 2) sum += Math.tanh((n * Math.PI * long) / (2 * short)) / n ** 5;
  return {
    A,
    Iy: (b * h ** 3) / 12,
    Iz: (h * b ** 3) / 12,
    J: ((long * short ** 3) / 3) * (1 - ((192 * short) / (Math.PI ** 5 * long)) * sum),
    Avz: (5 / 6) * A,
    Avy: (5 / 6) * A,
    Wely: (b * h * h) / 6,
    Welz: (h * b * b) / 6,
    Wply: (b * h * h) / 4,
    Wplz: (h * b * b) / 4,
    h,
    b,
  };
}
