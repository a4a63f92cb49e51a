import type { SectionCheck } from '../../check.js';
import { beyondClass3 } from '../classes/beyond-class-3.js';
import { resistanceClass } from '../classes/classification.js';
import { bendingResistance, leastModulus } from '../resistance.js';
import { hasMy, hasMz } from '../significant.js';

/** Bending about y or z, EN 1993-1-1 6.2.5: MEd ≤ Mc,Rd by class. Angles bend about their principal axes: elastic stresses. */
const bending = (axis: 'y' | 'z'): SectionCheck => ({
  scope: 'section',
  clause: '6.2.5(1) eq. 6.12',
  title: `Bending about ${axis}`,
  axis,
  by: axis === 'y' ? 'My' : 'Mz',
  atMost: ({ section: s, code }, state) =>
    ((axis === 'y' ? state.My : state.Mz).value * code.gammaM0) / (leastModulus(s, axis) * s.fy),
  covers: ({ section }) => section.kind !== 'angle',
  evaluate(s, f, { code }, log) {
    if (!(axis === 'y' ? hasMy(s, f) : hasMz(s, f))) return undefined;
    const M = axis === 'y' ? f.My : f.Mz;
    const cls = resistanceClass(s, f, log);
    const beyond = beyondClass3(s, cls);
    if (beyond) return beyond;
    const capacity = bendingResistance(s, { cls, axis, moment: M }, code, log);
    log?.(`M${axis},Ed`, Math.abs(M), 'N·m', 'analysis');
    return { demand: Math.abs(M), capacity };
  },
});

export const bendingAboutY = bending('y');
export const bendingAboutZ = bending('z');
