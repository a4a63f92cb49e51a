import type { StepLog } from '../../check.js';
import type { CheckSection } from '../../members/section.js';

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

/** Buckling curves about y and z (an angle: about any axis), EN 1993-1-1 Table 6.2. */
export function bucklingCurves(s: CheckSection): { y: BucklingCurve; z: BucklingCurve } {
  const high = s.fy >= 460e6;
  const same = (curve: BucklingCurve) => ({ y: curve, z: curve });
  switch (s.kind) {
    case 'i':
    case 'unequal-i':
      return iCurves(s, high);
    case 'box':
    case 'tube':
      if (s.fabrication === 'cold-formed') return same('c');
      if (s.fabrication === 'welded') return same('b');
      return same(high ? 'a0' : 'a');
    case 'angle':
      return same('b');
    case 'channel':
    case 'tee':
    case 'rectangle':
    case 'round':
      return same('c');
  }
}

function iCurves(s: CheckSection, high: boolean): { y: BucklingCurve; z: BucklingCurve } {
  if (s.fabrication === 'welded') return s.tf <= 0.04 ? { y: 'b', z: 'c' } : { y: 'c', z: 'd' };
  if (s.h / s.b > 1.2) {
    if (s.tf <= 0.04) return high ? { y: 'a0', z: 'a0' } : { y: 'a', z: 'b' };
    return high ? { y: 'a', z: 'a' } : { y: 'b', z: 'c' };
  }
  if (s.tf <= 0.1) return high ? { y: 'a', z: 'a' } : { y: 'b', z: 'c' };
  return high ? { y: 'c', z: 'c' } : { y: 'd', z: 'd' };
}

/** Reduction factor χ, EN 1993-1-1 6.3.1.2(1) eq. 6.49; 1 up to λ̄ = 0.2 (6.3.1.2(4)). */
export function reductionFactor(lambdaBar: number, alpha: number): { phi: number; chi: number } {
  const phi = 0.5 * (1 + alpha * (lambdaBar - 0.2) + lambdaBar ** 2);
  const chi = lambdaBar <= 0.2 ? 1 : 1 / (phi + Math.sqrt(phi ** 2 - lambdaBar ** 2));
  return { phi, chi: Math.min(1, chi) };
}

/** χ with its steps. */
export function loggedReduction(
  lambdaBar: number,
  curve: BucklingCurve,
  axis: string,
  log?: StepLog,
): number {
  const alpha = imperfectionFactor[curve];
  const { phi, chi } = reductionFactor(lambdaBar, alpha);
  log?.('α', alpha, '', `buckling curve ${curve}`, 'Tables 6.1 and 6.2');
  log?.(`Φ${axis}`, phi, '', '0.5·(1 + α·(λ̄ − 0.2) + λ̄²)', '6.3.1.2(1)');
  log?.(`χ${axis}`, chi, '', '1/(Φ + √(Φ² − λ̄²)) ≤ 1', '6.3.1.2(1) eq. 6.49');
  return chi;
}
