import type { SectionCheck } from '../../check.js';
import { compressedClass, resistanceClass } from '../classes/classification.js';
import { compressionArea, logStrength } from '../resistance.js';
import { hasAxial } from '../significant.js';
import { beyondClass3 } from '../classes/beyond-class-3.js';

/** Compression of the cross-section, EN 1993-1-1 6.2.4: NEd ≤ Nc,Rd = A·fy/γM0, with Aeff in class 4. */
export const compression: SectionCheck = {
  scope: 'section',
  clause: '6.2.4(1) eq. 6.9',
  title: 'Compression',
  by: 'compression',
  atMost: ({ section: s, code }, { compression: N }) =>
    (N.value * code.gammaM0) / (compressionArea(s, compressedClass(s)) * s.fy),
  covers: () => true,
  evaluate(s, f, { code }, log) {
    if (f.N >= 0 || !hasAxial(s, f)) return undefined;
    const cls = resistanceClass(s, f, log);
    const beyond = beyondClass3(s, cls);
    if (beyond) return beyond;
    logStrength(s, 'γM0', code, log);
    const capacity = (compressionArea(s, cls, log) * s.fy) / code.gammaM0;
    log?.(
      'Nc,Rd',
      capacity,
      'N',
      cls === 4 ? 'Aeff·fy/γM0' : 'A·fy/γM0',
      `6.2.4(2) eq. 6.1${cls === 4 ? 1 : 0}`,
    );
    log?.('NEd', -f.N, 'N', 'analysis, compression');
    return { demand: -f.N, capacity };
  },
};
