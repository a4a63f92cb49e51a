import type { Reach, SectionCheck, StepLog } from '../../check.js';
import type { CodeSettings, PhysicalMember } from '../../members/physical-member.js';
import type { CheckSection } from '../../members/section.js';
import { beyondClass3 } from '../classes/beyond-class-3.js';
import { resistanceClass, type SectionClass } from '../classes/classification.js';
import { remainder } from './reduced-moment.js';
import {
  bendingModulus,
  bendingResistance,
  plasticShear,
  shearArea,
  shearReduction,
  webDepth,
  type Bending,
} from '../resistance.js';
import { hasMy, hasMz } from '../significant.js';

/**
 * Bending resistance reduced by shear, 6.2.8: of I sections about y eq. 6.30; of others the strength of the shear area is
 * (1 − ρ)·fy (eq. 6.29). N·m
 */
export function reducedBending(
  s: CheckSection,
  bending: Bending,
  rho: number,
  code: CodeSettings,
  log?: StepLog,
): number {
  const { cls, axis } = bending;
  const full = bendingResistance(s, bending, code, log);
  const W = bendingModulus(s, bending);
  const loss = shearedModulus(s, cls, axis, code);
  log?.('ρ', rho, '', '(2·VEd/Vpl,Rd − 1)²', '6.2.8(3)');
  log?.('ΔW', loss.W, 'm3', loss.from, '6.2.8');
  const M = Math.max(remainder * full, Math.min(full, ((W - rho * loss.W) * s.fy) / code.gammaM0));
  log?.(
    `M${axis},V,Rd`,
    M,
    'N·m',
    '(W − ρ·ΔW)·fy/γM0 ≤ Mc,Rd',
    s.kind === 'i' && axis === 'y' && cls <= 2 ? '6.2.8(5) eq. 6.30' : '6.2.8(3) eq. 6.29',
  );
  return M;
}

/** Modulus of the shear area alone about the axis: what shear at full takes away. */
function shearedModulus(
  s: CheckSection,
  cls: SectionClass,
  axis: 'y' | 'z',
  code: CodeSettings,
): { W: number; from: string } {
  const plastic = cls <= 2;
  if (axis === 'y' && (s.kind === 'i' || s.kind === 'unequal-i' || s.kind === 'channel')) {
    const Aw = webDepth(s) * s.tw;
    return plastic
      ? { W: Aw ** 2 / (4 * s.tw), from: 'Aw²/(4·tw)' }
      : { W: Aw ** 2 / (6 * s.tw), from: 'Aw²/(6·tw)' };
  }
  if (s.kind === 'box') {
    const t = axis === 'y' ? s.tw : s.tf;
    const Av = shearArea(s, axis === 'y' ? 'z' : 'y', code.eta)!.Av;
    return plastic
      ? { W: Av ** 2 / (8 * t), from: 'Av²/(8·t), two walls' }
      : { W: Av ** 2 / (12 * t), from: 'Av²/(12·t)' };
  }
  // Flanges in shear carry the whole of Mz; of tubes and tees the whole section counts as sheared
  return { W: bendingModulus(s, { cls, axis, moment: 1 }), from: 'all of W' };
}

/** Whether a shear force along an axis reaches half of Vpl,Rd anywhere; a taper may do so at its thin end. */
export function sheared(member: PhysicalMember, axis: 'y' | 'z', reach: Reach): boolean {
  if (member.tapered) return true;
  return (
    shearReduction(axis === 'y' ? reach.Vy : reach.Vz, plasticShear(member.section, axis, member.code)) > 0
  );
}

/** Bending with shear, EN 1993-1-1 6.2.8, where VEd is more than half of Vpl,Rd. */
const bendingAndShear = (
  axis: 'y' | 'z',
  clause: string,
  kinds: readonly CheckSection['kind'][],
): SectionCheck => ({
  scope: 'section',
  clause,
  title: `Bending about ${axis} with shear`,
  axis,
  covers: ({ section }) => kinds.includes(section.kind),
  concerns: (member, reach) => sheared(member, axis === 'y' ? 'z' : 'y', reach),
  evaluate(s, f, { code }, log) {
    const V = axis === 'y' ? f.Vz : f.Vy;
    const rho = shearReduction(V, plasticShear(s, axis === 'y' ? 'z' : 'y', code));
    if (rho === 0 || !(axis === 'y' ? hasMy(s, f) : hasMz(s, f))) return undefined;
    const M = axis === 'y' ? f.My : f.Mz;
    const cls = resistanceClass(s, f, log);
    const beyond = beyondClass3(s, cls);
    if (beyond) return beyond;
    plasticShear(s, axis === 'y' ? 'z' : 'y', code, log);
    const capacity = reducedBending(s, { cls, axis, moment: M }, rho, code, log);
    log?.(`M${axis},Ed`, Math.abs(M), 'N·m', 'analysis');
    return { demand: Math.abs(M), capacity };
  },
});

const others: readonly CheckSection['kind'][] = ['unequal-i', 'channel', 'box', 'tube', 'tee'];

/** I sections with equal flanges about y, eq. 6.30. */
export const bendingAndShearOfI = bendingAndShear('y', '6.2.8(5) eq. 6.30', ['i']);
export const bendingAndShearAboutY = bendingAndShear('y', '6.2.8(3) eq. 6.29', others);
export const bendingAndShearAboutZ = bendingAndShear('z', '6.2.8(3) eq. 6.29', ['i', ...others]);
