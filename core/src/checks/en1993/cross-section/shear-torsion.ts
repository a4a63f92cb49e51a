import type { SectionCheck } from '../../check.js';
import { nearlyUsedUp, remainder } from './reduced-moment.js';
import { plasticShear } from '../resistance.js';
import { hasShear, hasTorsion } from '../significant.js';
import { torsionStress } from './torsion.js';

/** Shear with torsion, EN 1993-1-1 6.2.7(9): VEd ≤ Vpl,T,Rd of I sections (eq. 6.26), channels (6.27) and hollow ones (6.28). */
const shearAndTorsion = (axis: 'y' | 'z'): SectionCheck => ({
  scope: 'section',
  clause: '6.2.7(9) eq. 6.25',
  title: `Shear along ${axis} with torsion`,
  axis,
  covers: ({ section }) => ['i', 'unequal-i', 'channel', 'box', 'tube'].includes(section.kind),
  concerns: ({ section: s }, { T }) => T > 1e-7 * Math.min(s.p.Wely, s.p.Welz) * s.fy,
  // Both forces at their greatest at once
  atMost(member, { extremes }) {
    const forces = { N: 0, Vy: extremes.Vy.value, Vz: extremes.Vz.value, T: extremes.T.value, My: 0, Mz: 0 };
    const verdict = this.evaluate(member.section, forces, member);
    return verdict && !('reason' in verdict) ? verdict.demand / verdict.capacity : 0;
  },
  evaluate(s, f, { code }, log) {
    const V = Math.abs(axis === 'y' ? f.Vy : f.Vz);
    if (!hasTorsion(s, f) || !hasShear(s, V)) return undefined;
    const Vpl = plasticShear(s, axis, code, log)!;
    const tau = torsionStress(s, f.T, log);
    const limit = s.fy / (Math.sqrt(3) * code.gammaM0);
    const hollow = s.kind === 'box' || s.kind === 'tube';
    const used = hollow ? tau / limit : tau / (1.25 * limit);
    const factor = hollow ? Math.max(0, 1 - tau / limit) : Math.sqrt(Math.max(0, 1 - tau / (1.25 * limit)));
    const capacity = Math.max(remainder, factor) * Vpl;
    log?.(
      'Vpl,T,Rd',
      capacity,
      'N',
      hollow ? '(1 − τt/(fy/√3/γM0))·Vpl,Rd' : '√(1 − τt/(1.25·fy/√3/γM0))·Vpl,Rd',
      `eq. ${hollow ? '6.28' : s.kind === 'channel' ? '6.27' : '6.26'}`,
    );
    log?.(`V${axis},Ed`, V, 'N', 'analysis');
    return { demand: V, capacity: V / nearlyUsedUp(used, [V / Vpl], V / capacity, log) };
  },
});

export const shearAndTorsionAlongY = shearAndTorsion('y');
export const shearAndTorsionAlongZ = shearAndTorsion('z');
