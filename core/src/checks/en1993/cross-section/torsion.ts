import type { SectionCheck, StepLog } from '../../check.js';
import type { CheckSection } from '../../members/section.js';
import { torsionModulus } from '../../members/torsion-modulus.js';
import { logStrength } from '../resistance.js';
import { hasTorsion } from '../significant.js';

/** Stress of Saint-Venant's torsion, Pa. */
export function torsionStress(s: CheckSection, T: number, log?: StepLog): number {
  const { Wt, from } = torsionModulus(s);
  log?.('Wt', Wt, 'm3', from);
  log?.('TEd', Math.abs(T), 'N·m', 'analysis');
  log?.('τt,Ed', Math.abs(T) / Wt, 'N/m2', 'TEd/Wt', '6.2.7(5)');
  return Math.abs(T) / Wt;
}

/** Torsion, EN 1993-1-1 6.2.7: TEd ≤ TRd = Wt·(fy/√3)/γM0, elastic, all of it by Saint-Venant (6.2.7(7) for hollow sections). */
export const torsion: SectionCheck = {
  scope: 'section',
  clause: '6.2.7(1) eq. 6.23',
  title: 'Torsion',
  axis: 'T',
  by: 'T',
  steady: true,
  covers: () => true,
  evaluate(s, f, { code }, log) {
    if (!hasTorsion(s, f)) return undefined;
    logStrength(s, 'γM0', code, log);
    torsionStress(s, f.T, log);
    const capacity = (torsionModulus(s).Wt * s.fy) / (Math.sqrt(3) * code.gammaM0);
    log?.('TRd', capacity, 'N·m', 'Wt·(fy/√3)/γM0', '6.2.7(5)');
    return { demand: Math.abs(f.T), capacity };
  },
};
