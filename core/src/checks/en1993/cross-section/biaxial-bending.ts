import type { SectionCheck } from '../../check.js';
import type { CheckSection } from '../../members/section.js';
import { resistanceClass } from '../classes/classification.js';
import { bendingResistance } from '../resistance.js';
import { hasReducedMoment, momentRatioAtMost, reducedMomentShare, nearlyUsedUp } from './reduced-moment.js';
import { hasMy, hasMz } from '../significant.js';

/** Exponents α and β of eq. 6.41 (6.2.9.1(6)). */
export function biaxialExponents(s: CheckSection, n: number): { alpha: number; beta: number } {
  switch (s.kind) {
    case 'i':
      return { alpha: 2, beta: Math.max(1, 5 * n) };
    case 'tube':
    case 'round':
      return { alpha: 2, beta: 2 };
    case 'box': {
      const both = 1.13 * n * n < 1 ? Math.min(6, 1.66 / (1 - 1.13 * n * n)) : 6;
      return { alpha: both, beta: both };
    }
    default:
      return { alpha: 1, beta: 1 };
  }
}

/** Bending about both axes with axial force, EN 1993-1-1 6.2.9.1(6): the left side of eq. 6.41 itself, in classes 1 and 2. */
export const biaxialBending: SectionCheck = {
  scope: 'section',
  clause: '6.2.9.1(6) eq. 6.41',
  title: 'Bending about both axes with axial force',
  covers: ({ section }) => hasReducedMoment(section),
  // Exponents of 1 or more make less of ratios up to 1
  atMost(member, state) {
    const [y, z] = [momentRatioAtMost(member, 'y', state), momentRatioAtMost(member, 'z', state)];
    return y <= 1 && z <= 1 ? y + z : Infinity;
  },
  evaluate(s, f, { code }, log) {
    if (!hasMy(s, f) || !hasMz(s, f)) return undefined;
    const cls = resistanceClass(s, f, log);
    if (cls > 2) return undefined;
    const n = (Math.abs(f.N) * code.gammaM0) / (s.p.A * s.fy);
    log?.('n', n, '', 'NEd/Npl,Rd', '6.2.9.1(5)');
    const MplY = bendingResistance(s, { cls, axis: 'y', moment: f.My }, code, log);
    const MplZ = bendingResistance(s, { cls, axis: 'z', moment: f.Mz }, code, log);
    const My = MplY * reducedMomentShare(s, 'y', n, 0, log);
    const Mz = MplZ * reducedMomentShare(s, 'z', n, 0, log);
    const { alpha, beta } = biaxialExponents(s, n);
    log?.('MN,y,Rd', My, 'N·m', 'Mpl,y,Rd reduced for NEd', '6.2.9.1(5)');
    log?.('MN,z,Rd', Mz, 'N·m', 'Mpl,z,Rd reduced for NEd', '6.2.9.1(5)');
    log?.('α', alpha, '', 'exponent', '6.2.9.1(6)');
    log?.('β', beta, '', 'exponent', '6.2.9.1(6)');
    log?.('My,Ed', Math.abs(f.My), 'N·m', 'analysis');
    log?.('Mz,Ed', Math.abs(f.Mz), 'N·m', 'analysis');
    const demand = (Math.abs(f.My) / My) ** alpha + (Math.abs(f.Mz) / Mz) ** beta;
    log?.('left side', demand, '', '(My,Ed/MN,y,Rd)^α + (Mz,Ed/MN,z,Rd)^β', '6.2.9.1(6) eq. 6.41');
    const shares = [Math.abs(f.My) / MplY, Math.abs(f.Mz) / MplZ];
    return { demand: nearlyUsedUp(n, shares, demand, log), capacity: 1 };
  },
};
