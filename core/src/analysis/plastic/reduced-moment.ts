import type { ResolvedSection } from '../../sections/sections.js';

/** Plastic moment about y reduced for axial force: its share of Mpl at n = |N|/Npl, and the slope by n. */
export interface Reduction {
  readonly share: number;
  readonly slope: number;
}

/**
 * Reduction of the plastic moment about the strong axis by axial force, EN 1993-1-1 6.2.9.1:
 * I sections (5), eq. 6.36: (1 − n)/(1 − 0.5a) ≤ 1, a = (A − 2·b·tf)/A ≤ 0.5; rectangular hollow sections (5), eq. 6.39
 * with aw = (A − 2·b·t)/A ≤ 0.5; solid rectangles (3), eq. 6.32: 1 − n²; circular hollow sections by
 * 1 − n^1.7 (6.2.9.1(5) note). Other sections: 1 − n, the linear sum of 6.2.1(7).
 *
 * @param n |N|/Npl,Rd, 0 … 1
 */
export function reducedMoment(section: ResolvedSection, n: number): Reduction {
  const { shape, properties } = section;
  const { A } = properties;
  const plates = (a: number): Reduction => {
    const share = (1 - n) / (1 - 0.5 * Math.min(a, 0.5));
    return share >= 1 ? { share: 1, slope: 0 } : { share, slope: -1 / (1 - 0.5 * Math.min(a, 0.5)) };
  };
  if (shape?.type === 'i' && !('bTop' in shape)) return plates((A - 2 * shape.b * shape.tf) / A);
  if (shape?.type === 'rectangular-hollow') return plates((A - 2 * shape.b * shape.t) / A);
  if (shape?.type === 'rectangle') return { share: 1 - n * n, slope: -2 * n };
  if (shape?.type === 'circular-hollow') return { share: 1 - n ** 1.7, slope: -1.7 * n ** 0.7 };
  return { share: 1 - n, slope: -1 };
}

/** Values of n at which a section's reduction turns from one formula to another. */
export function kinks(section: ResolvedSection): number[] {
  const { shape, properties } = section;
  const { A } = properties;
  if (shape?.type === 'i' && !('bTop' in shape))
    return [0.5 * Math.min((A - 2 * shape.b * shape.tf) / A, 0.5)];
  if (shape?.type === 'rectangular-hollow') return [0.5 * Math.min((A - 2 * shape.b * shape.t) / A, 0.5)];
  return [];
}
