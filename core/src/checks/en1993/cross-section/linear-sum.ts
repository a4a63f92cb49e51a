import type { SectionCheck } from '../../check.js';
import { resistanceClass } from '../classes/classification.js';
import { bendingResistance } from '../resistance.js';
import { hasReducedMoment } from './reduced-moment.js';
import { countOf } from '../significant.js';

/**
 * Axial force with bending in classes 1 and 2 of sections for which 6.2.9.1 gives no formula (channels, tees, unequal I): the
 * sum of the utilisations, conservative, EN 1993-1-1 6.2.1(7).
 */
export const linearSum: SectionCheck = {
  scope: 'section',
  clause: '6.2.1(7) eq. 6.2',
  title: 'Axial force with bending, sum of utilisations (conservative)',
  covers: ({ section }) => !hasReducedMoment(section) && section.kind !== 'angle',
  evaluate(s, f, { code }, log) {
    if (countOf(s, f) < 2) return undefined;
    const cls = resistanceClass(s, f, log);
    if (cls > 2) return undefined;
    const N = (s.p.A * s.fy) / code.gammaM0;
    const My = bendingResistance(s, { cls, axis: 'y', moment: f.My }, code, log);
    const Mz = bendingResistance(s, { cls, axis: 'z', moment: f.Mz }, code, log);
    log?.('NRd', N, 'N', 'A·fy/γM0', '6.2.4(2) eq. 6.10');
    log?.('NEd', Math.abs(f.N), 'N', 'analysis');
    log?.('My,Ed', Math.abs(f.My), 'N·m', 'analysis');
    log?.('Mz,Ed', Math.abs(f.Mz), 'N·m', 'analysis');
    const demand = Math.abs(f.N) / N + Math.abs(f.My) / My + Math.abs(f.Mz) / Mz;
    log?.('left side', demand, '', 'NEd/NRd + My,Ed/My,Rd + Mz,Ed/Mz,Rd', '6.2.1(7) eq. 6.2');
    return { demand, capacity: 1 };
  },
};
