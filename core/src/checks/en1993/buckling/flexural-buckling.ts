import type { MemberCheckRule, MemberState, StepLog } from '../../check.js';
import type { PhysicalMember } from '../../members/physical-member.js';
import { beyondClass3 } from '../classes/beyond-class-3.js';
import { bucklingCurves, loggedReduction } from './buckling-curves.js';
import { compressedClass } from '../classes/classification.js';
import { bucklingLength } from '../../members/lengths.js';
import { memberClass } from '../member-forces.js';
import { compressionArea, logStrength } from '../resistance.js';
import { tooSmall } from '../classes/too-small.js';

/** Slenderness and reduction factor for buckling about an axis. */
export interface Slenderness {
  readonly Ncr: number;
  readonly lambdaBar: number;
  readonly chi: number;
}

type BucklingAxis = 'y' | 'z' | 'u' | 'v';

const secondMoment = (member: PhysicalMember, axis: BucklingAxis): number =>
  ({ y: member.section.p.Iy, z: member.section.p.Iz, u: member.section.p.Iu, v: member.section.p.Iv })[axis];

interface KnownSlenderness extends Slenderness {
  readonly axis: BucklingAxis;
  readonly area: number;
}

const slendernesses = new WeakMap<PhysicalMember, KnownSlenderness[]>();

/** Flexural slenderness about an axis, kept where the length is the same in every combination. */
export function flexuralSlenderness(
  member: PhysicalMember,
  axis: BucklingAxis,
  state: MemberState,
  area: number,
  log?: StepLog,
): Slenderness {
  if (log || member.design.lengths === 'buckling-analysis')
    return slendernessOf(member, axis, state, area, log);
  let known = slendernesses.get(member);
  if (!known) slendernesses.set(member, (known = []));
  for (const one of known) if (one.axis === axis && one.area === area) return one;
  const found = { axis, area, ...slendernessOf(member, axis, state, area) };
  known.push(found);
  return found;
}

/** Flexural slenderness about an axis; u goes with the length about y, v with that about z. */
function slendernessOf(
  member: PhysicalMember,
  axis: BucklingAxis,
  state: MemberState,
  area: number,
  log?: StepLog,
): Slenderness {
  const s = member.section;
  const about = axis === 'y' || axis === 'u' ? 'y' : 'z';
  const L = bucklingLength(member, about, state, log);
  const I = secondMoment(member, axis);
  const Ncr = L === 0 ? Infinity : (Math.PI ** 2 * s.E * I) / L ** 2;
  const slender = Math.sqrt((area * s.fy) / Ncr);
  log?.('E', s.E, 'N/m2', s.material, '3.2.6(1)');
  log?.(`I${axis}`, I, 'm4', s.name);
  if (L > 0) log?.(`Ncr,${axis}`, Ncr, 'N', `π²·E·I${axis}/Lcr²`, '6.3.1.2(1)');
  log?.(`λ̄${axis}`, slender, '', '√(A·fy/Ncr)', '6.3.1.2(1)');
  const lambdaBar = oneLeg(member) ? throughOneLeg(axis, slender, log) : slender;
  const curve = bucklingCurves(s)[about];
  return { Ncr, lambdaBar, chi: loggedReduction(lambdaBar, curve, axis, log) };
}

export const oneLeg = (member: PhysicalMember): boolean =>
  member.section.kind === 'angle' && member.design.connection === 'oneLeg';

/** Effective slenderness of angles connected through one leg by two bolts or more, BB.1.2(2) eq. BB.1. */
function throughOneLeg(axis: BucklingAxis, lambda: number, log?: StepLog): number {
  const [base, text] = axis === 'v' ? [0.35, '0.35 + 0.7·λ̄v'] : [0.5, `0.5 + 0.7·λ̄${axis}`];
  const effective = base + 0.7 * lambda;
  log?.(`λ̄eff,${axis}`, effective, '', text, 'BB.1.2(2) eq. BB.1');
  return effective;
}

/**
 * Flexural buckling, EN 1993-1-1 6.3.1: NEd ≤ Nb,Rd = χ·A·fy/γM1, with Aeff in class 4. About y and z; of angles about u and v, or,
 * connected through one leg, about y, z and v. Nothing for a member that is never in compression.
 */
const flexuralBuckling = (axis: BucklingAxis): MemberCheckRule => ({
  scope: 'member',
  clause: '6.3.1.1(1) eq. 6.46',
  title: `Flexural buckling about ${axis}`,
  axis,
  covers(member) {
    if (member.tapered) return false;
    const angle = member.section.kind === 'angle';
    if (axis === 'y' || axis === 'z') {
      if (!angle) return true;
      return oneLeg(member) && (member.design.bolts ?? 2) > 1;
    }
    if (!angle) return false;
    if (!oneLeg(member)) return true;
    if ((member.design.bolts ?? 2) === 1)
      return axis === 'u'
        ? false
        : 'An angle connected through one leg by one bolt needs its eccentricity taken into account (BB.1.2(3)); use two bolts or model the eccentricity as offsets.';
    return axis === 'v';
  },
  by: 'compression',
  atMost: (member, state) =>
    member.design.lengths === 'buckling-analysis' || member.section.kind === 'angle'
      ? Infinity
      : state.compression.value / leastBuckling(member, state),
  evaluate(member, state, log) {
    const { section: s, code } = member;
    if (tooSmall(s, state.compression.value)) return undefined;
    const cls = memberClass(member, state, log);
    const beyond = beyondClass3(s, cls);
    if (beyond) return beyond;
    logStrength(s, 'γM1', code, log);
    const A = compressionArea(s, cls, log);
    const { chi } = flexuralSlenderness(member, axis, state, A, log);
    const capacity = (chi * A * s.fy) / code.gammaM1;
    log?.(
      'Nb,Rd',
      capacity,
      'N',
      `χ·${cls === 4 ? 'Aeff' : 'A'}·fy/γM1`,
      `6.3.1.1(3) eq. 6.4${cls === 4 ? 8 : 7}`,
    );
    log?.('NEd', state.compression.value, 'N', 'largest compression, analysis');
    return { demand: state.compression.value, capacity, x: state.compression.x };
  },
});

const least = new WeakMap<PhysicalMember, number>();

/** Least Nb,Rd about y and z that any stresses leave, of a member whose lengths are the same in every combination. N */
export function leastBuckling(member: PhysicalMember, state: MemberState): number {
  let Nb = least.get(member);
  if (Nb === undefined) {
    const { section: s, code } = member;
    const A = compressionArea(s, compressedClass(s));
    const chi = (['y', 'z'] as const).map((axis) => flexuralSlenderness(member, axis, state, A).chi);
    least.set(member, (Nb = (Math.min(...chi) * A * s.fy) / code.gammaM1));
  }
  return Nb;
}

export const flexuralBucklingChecks = (['y', 'z', 'u', 'v'] as const).map(flexuralBuckling);
