import type { SectionProperties } from '../../model/types.js';

/**
 * Circular hollow section, exact (EN 10210-2 Annex A); Avy = Avz = 2A/π (EN 1993-1-1 6.2.6(3)h).
 *
 * @param d outer diameter, m
 * @param t wall, m
 */
export function circularHollow(d: number, t: number): SectionProperties {
  const inner = d - 2 * t;
  const A = (Math.PI / 4) * (d * d - inner * inner);
  const I = (Math.PI / 64) * (d ** 4 - inner ** 4);
  const Av = (2 * A) / Math.PI;
  const Wpl = (d ** 3 - inner ** 3) / 6;
  return {
    A,
    Iy: I,
    Iz: I,
    J: 2 * I,
    Avz: Av,
    Avy: Av,
    Wely: (2 * I) / d,
    Welz: (2 * I) / d,
    Wply: Wpl,
    Wplz: Wpl,
    h: d,
    b: d,
  };
}
