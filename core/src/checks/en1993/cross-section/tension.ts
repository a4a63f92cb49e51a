import type { SectionCheck } from '../../check.js';
import { logStrength } from '../resistance.js';
import { hasAxial } from '../significant.js';

/** Tension, EN 1993-1-1 6.2.3: NEd ≤ Npl,Rd = A·fy/γM0; holes are not known to the model. */
export const tension: SectionCheck = {
  scope: 'section',
  clause: '6.2.3(1) eq. 6.5',
  title: 'Tension',
  by: 'tension',
  steady: true,
  covers: () => true,
  evaluate(s, f, { code }, log) {
    if (f.N <= 0 || !hasAxial(s, f)) return undefined;
    logStrength(s, 'γM0', code, log);
    log?.('A', s.p.A, 'm2', s.name);
    const capacity = (s.p.A * s.fy) / code.gammaM0;
    log?.('Npl,Rd', capacity, 'N', 'A·fy/γM0', '6.2.3(2) eq. 6.6');
    log?.('NEd', f.N, 'N', 'analysis');
    return { demand: f.N, capacity };
  },
};
