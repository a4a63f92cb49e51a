import type { SectionCheck } from '../check.js';
import { phi } from './common.js';
import { torsion } from './combined.js';
import { shearChecks } from './shear.js';

/**
 * Hollow sections under torsion with shear, flexure and axial force, H3.2: where Tr is more than a fifth of Tc,
 * (Pr/Pc + Mr/Mc) + (Vr/Vc + Tr/Tc)² ≤ 1, at one place, with the strengths of the cross-section.
 */
export const hollowWithTorsion: SectionCheck = {
  scope: 'section',
  clause: 'H3.2 eq. H3-6',
  title: 'Torsion with shear, flexure and axial force',
  covers: ({ section }) => section.kind === 'box' || section.kind === 'tube',
  evaluate(s, f, member, log) {
    const T = torsion.evaluate(s, f, member);
    if (!T || 'reason' in T || T.demand <= 0.2 * T.capacity) return undefined;
    torsion.evaluate(s, f, member, log);
    let V = 0;
    for (const check of shearChecks) {
      if (check.covers(member) !== true) continue;
      const one = check.evaluate(s, f, member);
      if (one && !('reason' in one)) V = Math.max(V, one.demand / one.capacity);
    }
    const P = Math.abs(f.N) / (phi * s.fy * s.p.A);
    const M = Math.abs(f.My) / (phi * s.fy * s.p.Wply) + Math.abs(f.Mz) / (phi * s.fy * s.p.Wplz);
    const demand = P + M + (V + T.demand / T.capacity) ** 2;
    log?.('Pr/Pc', P, '', 'on Fy·Ag of the cross-section; members by H1');
    log?.('Mr/Mc', M, '', 'on Fy·Z of the cross-section; members by H1');
    log?.('Vr/Vc', V, '', 'chapter G');
    log?.('Tr/Tc', T.demand / T.capacity, '', 'H3.1');
    log?.('left side', demand, '', '(Pr/Pc + Mr/Mc) + (Vr/Vc + Tr/Tc)²', 'H3.2 eq. H3-6');
    return { demand, capacity: 1 };
  },
};
