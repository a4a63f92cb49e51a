import type { SectionCheck } from '../../check.js';
import { resistanceClass } from '../classes/classification.js';
import { bendingResistance } from '../resistance.js';
import { hasReducedMoment, momentRatioAtMost, reducedMomentShare, nearlyUsedUp } from './reduced-moment.js';
import { hasAxial, hasMy, hasMz } from '../significant.js';

/** Bending with axial force, EN 1993-1-1 6.2.9.1: MEd ≤ MN,Rd in classes 1 and 2. */
const bendingAndAxial = (axis: 'y' | 'z'): SectionCheck => ({
  scope: 'section',
  clause: '6.2.9.1(2) eq. 6.31',
  title: `Bending about ${axis} with axial force`,
  axis,
  covers: ({ section }) => hasReducedMoment(section),
  atMost: (member, state) => momentRatioAtMost(member, axis, state),
  evaluate(s, f, { code }, log) {
    if (!hasAxial(s, f) || !(axis === 'y' ? hasMy(s, f) : hasMz(s, f))) return undefined;
    const cls = resistanceClass(s, f, log);
    if (cls > 2) return undefined;
    const M = Math.abs(axis === 'y' ? f.My : f.Mz);
    const Mpl = bendingResistance(s, { cls, axis, moment: M }, code, log);
    const Npl = (s.p.A * s.fy) / code.gammaM0;
    const n = Math.abs(f.N) / Npl;
    log?.('NEd', Math.abs(f.N), 'N', 'analysis');
    log?.('Npl,Rd', Npl, 'N', 'A·fy/γM0', '6.2.4(2) eq. 6.10');
    log?.('n', n, '', 'NEd/Npl,Rd', '6.2.9.1(5)');
    const share = reducedMomentShare(s, axis, n, 0, log);
    const capacity = share * Mpl;
    log?.(`MN,${axis},Rd`, capacity, 'N·m', 'Mpl,Rd reduced for NEd', '6.2.9.1(3) to (5)');
    log?.(`M${axis},Ed`, M, 'N·m', 'analysis');
    return { demand: M, capacity: M / nearlyUsedUp(n, [M / Mpl], M / capacity, log) };
  },
});

export const bendingAndAxialAboutY = bendingAndAxial('y');
export const bendingAndAxialAboutZ = bendingAndAxial('z');
