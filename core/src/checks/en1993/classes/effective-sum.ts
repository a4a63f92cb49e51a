import type { SectionCheck } from '../../check.js';
import { beyondClass3 } from './beyond-class-3.js';
import { compressedClass, resistanceClass } from './classification.js';
import { effectiveSection } from './effective-section.js';
import { bendingModulus, compressionArea, leastModulus, logStrength } from '../resistance.js';
import { countOf } from '../significant.js';

/** Axial force with bending in class 4, EN 1993-1-1 6.2.9.3(2) eq. 6.44, with the shift eN of the effective centroid. */
export const effectiveSum: SectionCheck = {
  scope: 'section',
  clause: '6.2.9.3(2) eq. 6.44',
  title: 'Axial force with bending on the effective section',
  covers: ({ section }) => !['angle', 'rectangle', 'round'].includes(section.kind),
  concerns: ({ section, tapered }) => tapered || compressedClass(section) === 4,
  atMost({ section: s, code }, { extremes, compression, My, Mz }) {
    if (s.kind === 'tube' || compressedClass(s) < 4) return Infinity;
    const whole = effectiveSection(s, 'N');
    const N = Math.max(extremes.tension.value, compression.value);
    const y = (My.value + N * Math.abs(whole.ez)) / leastModulus(s, 'y');
    const z = (Mz.value + N * Math.abs(whole.ey)) / leastModulus(s, 'z');
    return ((N / Math.min(whole.A, s.p.A) + y + z) * code.gammaM0) / s.fy;
  },
  evaluate(s, f, { code }, log) {
    if (countOf(s, f) < 2) return undefined;
    const cls = resistanceClass(s, f, log);
    if (cls < 4) return undefined;
    const beyond = beyondClass3(s, cls);
    if (beyond) return beyond;
    logStrength(s, 'γM0', code, log);
    const strength = s.fy / code.gammaM0;
    const compressed = f.N < 0;
    const A = compressed ? compressionArea(s, cls, log) : s.p.A;
    const shift = compressed ? effectiveSection(s, 'N') : { ey: 0, ez: 0 };
    const N = Math.abs(f.N);
    log?.('eNy', Math.abs(shift.ez), 'm', 'shift along z of the effective centroid', 'EN 1993-1-5 4.3(3)');
    log?.('eNz', Math.abs(shift.ey), 'm', 'shift along y of the effective centroid', 'EN 1993-1-5 4.3(3)');
    const Wy = bendingModulus(s, { cls, axis: 'y', moment: f.My }, log);
    const Wz = bendingModulus(s, { cls, axis: 'z', moment: f.Mz }, log);
    log?.('NEd', N, 'N', 'analysis');
    log?.('My,Ed', Math.abs(f.My), 'N·m', 'analysis');
    log?.('Mz,Ed', Math.abs(f.Mz), 'N·m', 'analysis');
    const demand =
      N / (A * strength) +
      (Math.abs(f.My) + N * Math.abs(shift.ez)) / (Wy * strength) +
      (Math.abs(f.Mz) + N * Math.abs(shift.ey)) / (Wz * strength);
    log?.(
      'left side',
      demand,
      '',
      'NEd/(Aeff·fy/γM0) + (My,Ed + NEd·eNy)/(Weff,y·fy/γM0) + (Mz,Ed + NEd·eNz)/(Weff,z·fy/γM0)',
      '6.2.9.3(2) eq. 6.44',
    );
    return { demand, capacity: 1 };
  },
};
