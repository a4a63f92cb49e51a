import type { IDimensions } from '../../library/properties.js';

/** Buckling curve and its imperfection factor. */
export type BucklingCurve = 'a0' | 'a' | 'b' | 'c' | 'd';

/** EN 1993-1-1 Table 6.1. */
export const imperfectionFactor: Record<BucklingCurve, number> = {
  a0: 0.13,
  a: 0.21,
  b: 0.34,
  c: 0.49,
  d: 0.76,
};

/**
 * Buckling curves of an I section about y and z, EN 1993-1-1 Table 6.2.
 *
 * @param fy Pa; S460 rules apply from 460 MPa
 */
export function bucklingCurves(
  { h, b, tf }: IDimensions,
  rolled: boolean,
  fy: number,
): { y: BucklingCurve; z: BucklingCurve } {
  const high = fy >= 460e6;
  if (!rolled) return tf <= 0.04 ? { y: 'b', z: 'c' } : { y: 'c', z: 'd' };
  if (h / b > 1.2) {
    if (tf <= 0.04) return high ? { y: 'a0', z: 'a0' } : { y: 'a', z: 'b' };
    return high ? { y: 'a', z: 'a' } : { y: 'b', z: 'c' };
  }
  if (tf <= 0.1) return high ? { y: 'a', z: 'a' } : { y: 'b', z: 'c' };
  return high ? { y: 'c', z: 'c' } : { y: 'd', z: 'd' };
}

/** Reduction factor χ, EN 1993-1-1 6.3.1.2(1) eq. 6.49; 1 up to λ̄ = 0.2 (6.3.1.2(4)). */
export function reductionFactor(lambdaBar: number, alpha: number): { phi: number; chi: number } {
  const phi = 0.5 * (1 + alpha * (lambdaBar - 0.2) + lambdaBar ** 2);
  const chi = lambdaBar <= 0.2 ? 1 : 1 / (phi + Math.sqrt(phi ** 2 - lambdaBar ** 2));
  return { phi, chi: Math.min(1, chi) };
}
