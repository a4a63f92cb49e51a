import type { SectionCheck } from '../../check.js';
import { logStrength, plasticShear } from '../resistance.js';
import { hasShear } from '../significant.js';

/**
 * Shear, EN 1993-1-1 6.2.6: VEd ≤ Vpl,Rd with the shear area of 6.2.6(3). Angles and solid bars, for which it gives none, by the
 * elastic stress of 6.2.6(4): V·S/(I·t) is 1.5·V/A of a rectangle, 4/3·V/A of a round, 1.5·V/(h·t) of a leg.
 */
const shear = (axis: 'y' | 'z'): SectionCheck => ({
  scope: 'section',
  clause: '6.2.6(1) eq. 6.17',
  title: `Shear along ${axis}`,
  axis,
  by: axis === 'y' ? 'Vy' : 'Vz',
  steady: true,
  covers: () => true,
  evaluate(s, f, { code }, log) {
    const V = Math.abs(axis === 'y' ? f.Vy : f.Vz);
    if (!hasShear(s, V)) return undefined;
    const plastic = plasticShear(s, axis, code, log);
    log?.(`V${axis},Ed`, V, 'N', 'analysis');
    if (plastic !== undefined) return { demand: V, capacity: plastic };
    logStrength(s, 'γM0', code, log);
    const leg = s.kind === 'angle' ? (axis === 'z' ? s.h : s.b) * s.tw : s.p.A;
    const peak = s.kind === 'round' ? 4 / 3 : 1.5;
    log?.('A', leg, 'm2', s.kind === 'angle' ? 'the leg along the force' : s.name);
    const capacity = (leg * s.fy) / (peak * Math.sqrt(3) * code.gammaM0);
    log?.(
      'Vc,Rd',
      capacity,
      'N',
      `A·fy/(${s.kind === 'round' ? '4/3' : '1.5'}·√3·γM0), elastic stress`,
      '6.2.6(4) eq. 6.19',
    );
    return { demand: V, capacity };
  },
});

export const shearAlongY = shear('y');
export const shearAlongZ = shear('z');
