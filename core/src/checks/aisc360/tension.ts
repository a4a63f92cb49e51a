import type { SectionCheck } from '../check.js';
import { logSteel, phi, small } from './common.js';

/** Tension, D2: yielding 0.90·Fy·Ag and rupture 0.75·Fu·Ae; without holes and shear lag Ae = Ag (the model knows none). */
export const tension: SectionCheck = {
  scope: 'section',
  clause: 'D2',
  title: 'Tension',
  by: 'tension',
  steady: true,
  covers: () => true,
  evaluate(s, f, _, log) {
    if (f.N <= 0 || small(s, f.N)) return undefined;
    logSteel(s, log);
    const yielding = phi * s.fy * s.p.A;
    const rupture = 0.75 * s.fu * s.p.A;
    log?.('Ag', s.p.A, 'm2', s.name);
    log?.('φ·Pn yielding', yielding, 'N', '0.90·Fy·Ag', 'D2 eq. D2-1');
    log?.('φ·Pn rupture', rupture, 'N', '0.75·Fu·Ae, Ae = Ag', 'D2 eq. D2-2');
    log?.('Pr', f.N, 'N', 'analysis');
    return { demand: f.N, capacity: Math.min(yielding, rupture) };
  },
};
