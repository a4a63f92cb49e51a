import type { SectionCheck } from '../../check.js';
import type { CheckSection } from '../../members/section.js';
import { logStrength } from '../resistance.js';
import { hasShear } from '../significant.js';

/** Webs that carry a force along z: their depth between flanges and how many. */
function webs(s: CheckSection): { hw: number; count: number } {
  if (s.shape.type === 'i' && 'bTop' in s.shape)
    return { hw: s.h - s.shape.tfTop - s.shape.tfBottom, count: 1 };
  if (s.shape.type === 'rectangular-hollow') return { hw: s.h - 3 * s.tw, count: 2 };
  return { hw: s.h - 2 * s.tf, count: s.kind === 'box' ? 2 : 1 };
}

/** Whether a web is so slender that it may buckle in shear (6.2.6(6) eq. 6.22). */
const isSlender = (s: CheckSection, eta: number): boolean => webs(s).hw / s.tw > (72 * s.epsilon) / eta;

/**
 * Shear buckling of a web stiffened at its supports only, EN 1993-1-1 6.2.6(6) and EN 1993-1-5 section 5: Vbw,Rd with a
 * non-rigid end post; what the flanges add (5.4) is left out, on the safe side.
 */
export const shearBuckling: SectionCheck = {
  scope: 'section',
  clause: '6.2.6(6)',
  title: 'Shear buckling of the web',
  axis: 'z',
  by: 'Vz',
  steady: true,
  covers: ({ section, tapered, code }) =>
    ['i', 'unequal-i', 'channel', 'box'].includes(section.kind) && (tapered || isSlender(section, code.eta)),
  evaluate(s, f, { code }, log) {
    const V = Math.abs(f.Vz);
    if (!hasShear(s, V) || !isSlender(s, code.eta)) return undefined;
    const { hw, count } = webs(s);
    logStrength(s, 'γM1', code, log);
    const lambda = hw / (86.4 * s.tw * s.epsilon);
    const chi = lambda < 0.83 / code.eta ? code.eta : 0.83 / lambda;
    log?.(
      'hw/tw',
      hw / s.tw,
      '',
      `more than 72·ε/η = ${((72 * s.epsilon) / code.eta).toFixed(1)}`,
      'eq. 6.22',
    );
    log?.('λ̄w', lambda, '', 'hw/(86.4·tw·ε)', 'EN 1993-1-5 5.3(3) eq. 5.5');
    log?.('χw', chi, '', '0.83/λ̄w ≤ η, non-rigid end post', 'EN 1993-1-5 Table 5.1');
    const capacity = (count * chi * s.fy * hw * s.tw) / (Math.sqrt(3) * code.gammaM1);
    log?.('Vb,Rd', capacity, 'N', 'χw·fyw·hw·tw/(√3·γM1), without the flanges', 'EN 1993-1-5 5.2(1) eq. 5.2');
    log?.('Vz,Ed', V, 'N', 'analysis');
    return { demand: V, capacity };
  },
};
