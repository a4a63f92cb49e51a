import type { SectionCheck } from '../../check.js';
import { reducedBending, sheared } from './bending-shear.js';
import { resistanceClass } from '../classes/classification.js';
import { hasReducedMoment, reducedMomentShare, nearlyUsedUp } from './reduced-moment.js';
import { plasticShear, shearArea, shearReduction } from '../resistance.js';
import { hasAxial, hasMy, hasMz } from '../significant.js';

/**
 * Bending, shear and axial force together, EN 1993-1-1 6.2.10(3): where VEd is more than half of Vpl,Rd the shear area counts with
 * (1 − ρ)·fy in the resistance to bending with axial force (eq. 6.45). Classes 1 and 2.
 */
const bendingShearAxial = (axis: 'y' | 'z'): SectionCheck => ({
  scope: 'section',
  clause: '6.2.10(3) eq. 6.45',
  title: `Bending about ${axis} with shear and axial force`,
  axis,
  covers: ({ section }) =>
    hasReducedMoment(section) && section.kind !== 'rectangle' && section.kind !== 'round',
  concerns: (member, reach) => sheared(member, axis === 'y' ? 'z' : 'y', reach),
  evaluate(s, f, { code }, log) {
    if (!hasAxial(s, f) || !(axis === 'y' ? hasMy(s, f) : hasMz(s, f))) return undefined;
    const across = axis === 'y' ? 'z' : 'y';
    const rho = shearReduction(axis === 'y' ? f.Vz : f.Vy, plasticShear(s, across, code));
    if (rho === 0) return undefined;
    const cls = resistanceClass(s, f, log);
    if (cls > 2) return undefined;
    const M = axis === 'y' ? f.My : f.Mz;
    plasticShear(s, across, code, log);
    const MV = reducedBending(s, { cls, axis, moment: M }, rho, code, log);
    const lost = rho * shearArea(s, across, code.eta)!.Av;
    const n = (Math.abs(f.N) * code.gammaM0) / ((s.p.A - lost) * s.fy);
    log?.('A − ρ·Av', s.p.A - lost, 'm2', 'what remains for the axial force', '6.2.10(3)');
    log?.('n', n, '', 'NEd/((A − ρ·Av)·fy/γM0)', '6.2.9.1(5)');
    const capacity = MV * reducedMomentShare(s, axis, n, axis === 'y' ? lost : 0, log);
    log?.(`M${axis},NV,Rd`, capacity, 'N·m', 'MV,Rd reduced for NEd', '6.2.10(3)');
    log?.(`M${axis},Ed`, Math.abs(M), 'N·m', 'analysis');
    const utilisation = nearlyUsedUp(n, [Math.abs(M) / MV], Math.abs(M) / capacity, log);
    return { demand: Math.abs(M), capacity: Math.abs(M) / utilisation };
  },
});

export const bendingShearAxialAboutY = bendingShearAxial('y');
export const bendingShearAxialAboutZ = bendingShearAxial('z');
