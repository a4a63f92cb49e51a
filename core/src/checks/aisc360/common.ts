import type { StepLog } from '../check.js';
import type { CheckSection } from '../members/section.js';

/** Resistance factor of flexure, compression, yielding in tension, torsion. */
export const phi = 0.9;

export function logSteel(s: CheckSection, log?: StepLog): void {
  log?.('Fy', s.fy, 'N/m2', `${s.material}, ${s.strengthSource}`, 'A3.1');
  log?.('E', s.E, 'N/m2', s.material);
}

/** Forces below this share of the section's own are rounding. */
const share = 1e-7;
export const small = (s: CheckSection, N: number): boolean => !(Math.abs(N) > share * s.p.A * s.fy);
export const smallMoment = (s: CheckSection, M: number, axis: 'y' | 'z'): boolean =>
  !(Math.abs(M) > share * (axis === 'y' ? s.p.Wely : s.p.Welz) * s.fy);
