import type { MemberCheckRule, MemberState, StepLog, Verdict } from '../check.js';
import type { Diagram } from '../members/diagram.js';
import { worstOfStretches, type Stretch } from '../members/lengths.js';
import type { PhysicalMember } from '../members/physical-member.js';
import { aboutPrincipalAxes, angleAsymmetry, principalDiagram } from '../members/principal-axes.js';
import { bentAngleBeyondClass3 } from './classes/beyond-class-3.js';
import { criticalMoment } from './buckling/critical-moment.js';
import { flexuralSlenderness, oneLeg } from './buckling/flexural-buckling.js';
import { generalChi, lateralFactors } from './buckling/lateral-torsional.js';
import { memberClass } from './member-forces.js';
import { logStrength } from './resistance.js';
import { tooSmall } from './classes/too-small.js';

/** What 6.3 gives for an angle bent about its principal axes in one combination. */
interface BentAngle {
  readonly stretch: Stretch | undefined;
  readonly u: Diagram;
  /** χLT·Wel,u·fy/γM1, N·m. */
  readonly MuRd: number;
}

const isAngle = ({ section, tapered }: PhysicalMember): boolean => section.kind === 'angle' && !tapered;

function isBent({ section: s }: PhysicalMember, state: MemberState): boolean {
  return state.My.value > 1e-7 * s.p.Wely * s.fy || state.Mz.value > 1e-7 * s.p.Welz * s.fy;
}

/** Bending about u in one stretch: Wel,u with χLT of 6.3.2.2 and Mcr about the principal axes. */
function inStretch(
  member: PhysicalMember,
  state: MemberState,
  stretch: Stretch | undefined,
  log?: StepLog,
): BentAngle {
  const { section: s, code } = member;
  const u = principalDiagram(s, 'u', state.field, stretch?.from ?? 0, stretch?.to ?? member.length);
  logStrength(s, 'γM1', code, log);
  const Mel = s.p.Welu * s.fy;
  log?.('Wel,u', s.p.Welu, 'm3', s.name, '6.2.5(2) eq. 6.14');
  if (!stretch) {
    log?.('χLT', 1, '', 'held throughout', '6.3.2.1(2)');
    return { stretch, u, MuRd: Mel / code.gammaM1 };
  }
  log?.('L', stretch.length, 'm', stretch.how);
  const principal = { ...member, section: aboutPrincipalAxes(s) };
  const { C1, c2zg } = lateralFactors(principal, u, stretch, log);
  const zj = (-Math.sign(u.peak.value) * angleAsymmetry(s)) / 2;
  const Mcr = criticalMoment(principal.section, stretch.length, { C1, c2zg, zj }, log);
  const lambdaBar = Math.sqrt(Mel / Mcr);
  log?.('λ̄LT', lambdaBar, '', '√(Wel,u·fy/Mcr)', '6.3.2.2(1)');
  const MuRd = (generalChi(s, lambdaBar, log) * Mel) / code.gammaM1;
  log?.('Mb,Rd', MuRd, 'N·m', 'χLT·Wel,u·fy/γM1', '6.3.2.1(3) eq. 6.55');
  return { stretch, u, MuRd };
}

const ratio = ({ u, MuRd }: BentAngle): number => Math.abs(u.peak.value) / MuRd;

/** The worst stretch between lateral restraints. */
function bentAngle(member: PhysicalMember, state: MemberState): BentAngle {
  let worst = state.memo.get(bentAngle) as BentAngle | undefined;
  if (worst) return worst;
  worst =
    worstOfStretches(member, state, (stretch) => inStretch(member, state, stretch), ratio) ??
    inStretch(member, state, undefined);
  state.memo.set(bentAngle, worst);
  return worst;
}

/** Lateral-torsional buckling of an angle bent about its major axis, EN 1993-1-1 6.3.2.2: Mu,Ed ≤ χLT·Wel,u·fy/γM1, curve d. */
export const angleLateralTorsionalBuckling: MemberCheckRule = {
  scope: 'member',
  clause: '6.3.2.1(1) eq. 6.54',
  title: 'Lateral-torsional buckling about u',
  axis: 'u',
  covers: (member) => isAngle(member) && member.design.LLT !== 0,
  evaluate(member, state, log): Verdict {
    if (!isBent(member, state)) return undefined;
    const beyond = bentAngleBeyondClass3(member.section, memberClass(member, state));
    if (beyond) return beyond;
    const { stretch, u, MuRd } = bentAngle(member, state);
    if (log) inStretch(member, state, stretch, log);
    log?.('Mu,Ed', Math.abs(u.peak.value), 'N·m', 'largest in the stretch, My·cos α − Mz·sin α');
    return { demand: Math.abs(u.peak.value), capacity: MuRd, x: u.peak.x };
  },
};

/**
 * An angle in compression with bending, EN 1993-1-1 6.3.3(4): the annexes have no factors for it, so the elastic utilisations with
 * χ about the principal axes are summed, the moments amplified by 1/(1 − NEd/Ncr); conservative.
 */
const angleInteraction = (axis: 'u' | 'v'): MemberCheckRule => {
  const equation = axis === 'u' ? '6.61' : '6.62';
  return {
    scope: 'member',
    clause: `6.3.3(4) eq. ${equation}`,
    title: `Bending with compression, buckling about ${axis}`,
    axis,
    covers: (member) => isAngle(member) && !oneLeg(member),
    evaluate(member, state, log): Verdict {
      const { section: s, code } = member;
      const N = state.compression.value;
      if (tooSmall(s, N) || !isBent(member, state)) return undefined;
      const beyond = bentAngleBeyondClass3(member.section, memberClass(member, state));
      if (beyond) return beyond;
      const buckling = {
        u: flexuralSlenderness(member, 'u', state, s.p.A, axis === 'u' ? log : undefined),
        v: flexuralSlenderness(member, 'v', state, s.p.A, axis === 'v' ? log : undefined),
      };
      log?.('NEd', N, 'N', 'largest compression, analysis');
      const least = Math.min(buckling.u.Ncr, buckling.v.Ncr);
      // Past the critical force no factor has a meaning: it fails, by how much the force says
      if (N >= least) {
        log?.('Ncr', least, 'N', 'the lesser of Ncr,u and Ncr,v: past it nothing stands', '6.3.1.2(1)');
        return { demand: N / least, capacity: 1, x: state.compression.x };
      }
      const bent = bentAngle(member, state);
      if (log) inStretch(member, state, bent.stretch, log);
      const Mu = principalDiagram(s, 'u', state.field, 0, member.length).peak;
      const Mv = Math.abs(principalDiagram(s, 'v', state.field, 0, member.length).peak.value);
      const NRd = (buckling[axis].chi * s.p.A * s.fy) / code.gammaM1;
      const MvRd = (s.p.Welv * s.fy) / code.gammaM1;
      const [ku, kv] = [1 / (1 - N / buckling.u.Ncr), 1 / (1 - N / buckling.v.Ncr)];
      const demand = N / NRd + (ku * Math.abs(Mu.value)) / bent.MuRd + (kv * Mv) / MvRd;
      log?.('Nb,Rd', NRd, 'N', `χ${axis}·A·fy/γM1`, '6.3.1.1(3) eq. 6.47');
      log?.('Mv,Rd', MvRd, 'N·m', 'Wel,v·fy/γM1', '6.2.5(2) eq. 6.14');
      log?.('Mu,Ed', Math.abs(Mu.value), 'N·m', 'largest along the member, My·cos α − Mz·sin α');
      log?.('Mv,Ed', Mv, 'N·m', 'largest along the member, My·sin α + Mz·cos α');
      log?.('ku', ku, '', '1/(1 − NEd/Ncr,u): elastic sum, conservative, not of an annex');
      log?.('kv', kv, '', '1/(1 − NEd/Ncr,v): elastic sum, conservative, not of an annex');
      log?.(
        'left side',
        demand,
        '',
        `NEd/(χ${axis}·NRk/γM1) + ku·Mu,Ed/(χLT·Mu,Rk/γM1) + kv·Mv,Ed/(Mv,Rk/γM1)`,
        `6.3.3(4) eq. ${equation}`,
      );
      return { demand, capacity: 1, x: Mu.x };
    },
  };
};

export const angleInteractions: readonly MemberCheckRule[] = [angleInteraction('u'), angleInteraction('v')];
