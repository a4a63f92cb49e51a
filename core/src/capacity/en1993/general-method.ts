import { initialBow } from '../../analysis/index.js';
import type { MemberCheckRule, MemberState, StepLog } from '../check.js';
import { lateralStretches } from '../lengths.js';
import type { PhysicalMember } from '../physical-member.js';
import { forcesAtX, places } from '../stations.js';
import { bucklingCurves, imperfectionFactor, reductionFactor } from './buckling-curves.js';
import { resistanceClass } from './classification.js';
import { generalCurve } from './lateral-torsional.js';
import { bendingModulus, compressionArea, logStrength } from './resistance.js';
import { inPlaneFactor, outOfPlaneFactor } from './tapered-critical.js';
import { tooSmall } from './too-small.js';

/**
 * Least factor on the forces that uses up a cross-section, with in-plane bow and second order (6.3.4(2)): at each place
 * α·N/NRk + (α·My + α·N·e0)/(1 − α/αcr,y)/My,Rk = 1.
 */
function ultimateFactor(
  member: PhysicalMember,
  state: MemberState,
  alphaCry: number,
  e0: number,
): { factor: number; x: number } {
  let found = { factor: Infinity, x: 0 };
  for (const { x, forces } of places(state.field)) {
    const s = member.sectionAt(x);
    const cls = resistanceClass(s, forces);
    const N = Math.max(0, -forces.N) / (compressionArea(s, cls) * s.fy);
    const W = bendingModulus(s, { cls, axis: 'y', moment: forces.My }) * s.fy;
    // The bow is greatest in the middle of the member
    const M =
      (Math.abs(forces.My) + Math.max(0, -forces.N) * e0 * Math.sin((Math.PI * x) / member.length)) / W;
    const used = (a: number) => a * N + (a * M) / (1 - a / alphaCry);
    let [low, high] = [0, alphaCry === Infinity ? 1 / Math.max(N + M, 1e-12) : alphaCry * (1 - 1e-12)];
    for (let i = 0; i < 60; i++) {
      const middle = (low + high) / 2;
      if (used(middle) < 1) low = middle;
      else high = middle;
    }
    if (low < found.factor) found = { factor: low, x };
  }
  return found;
}

/** Least critical factor out of the plane over the stretches between lateral restraints. */
function leastOutOfPlane(member: PhysicalMember, state: MemberState): number {
  const { Lcz, LLT } = member.design;
  if (LLT === 0 && (Lcz === 0 || Lcz === undefined)) return Infinity;
  const stretches = LLT === 0 ? [{ from: 0, to: member.length }] : lateralStretches(member, state);
  return Math.min(...stretches.map(({ from, to }) => outOfPlaneFactor(member, state, from, to)));
}

/** χop: the lesser of χ (6.3.1, curve z) and χLT (6.3.2.2) at the common slenderness (6.3.4(4)a). */
function reduction(member: PhysicalMember, lambdaBar: number, log?: StepLog): number {
  const s = member.section;
  const chi = reductionFactor(lambdaBar, imperfectionFactor[bucklingCurves(s).z]).chi;
  const chiLT = reductionFactor(lambdaBar, imperfectionFactor[generalCurve(s)]).chi;
  log?.('χ', chi, '', `curve ${bucklingCurves(s).z} at λ̄op`, '6.3.1');
  log?.('χLT', chiLT, '', `curve ${generalCurve(s)} at λ̄op`, '6.3.2.2');
  log?.('χop', Math.min(chi, chiLT), '', 'the lesser of both', '6.3.4(4)a');
  return Math.min(chi, chiLT);
}

/**
 * Members that taper: the general method of 6.3.4, χop·αult,k/γM1 ≥ 1, of doubly symmetric I sections in compression and bending in
 * their plane; demand is its reciprocal. The critical factor is that of the tapered member itself. Others are not covered.
 */
export const generalMethod: MemberCheckRule = {
  scope: 'member',
  clause: '6.3.4(2) eq. 6.63',
  title: 'Buckling of a tapered member, general method',
  covers: (member) => member.tapered,
  evaluate(member, state, log) {
    const { section: s, code } = member;
    const compressed = !tooSmall(s, state.compression.value);
    const bent = state.My.value > 1e-7 * s.p.Wely * s.fy;
    if (!compressed && !bent) return undefined;
    if (s.kind !== 'i')
      return {
        reason: `Buckling of the tapered member "${member.id}" is covered for I sections with equal flanges only (6.3.4); divide it into uniform members.`,
      };
    if (state.Mz.value > 1e-4 * s.p.Welz * s.fy)
      return {
        reason: `Member "${member.id}" tapers and bends out of its plane, which the general method of 6.3.4 does not cover; divide it into uniform members.`,
      };
    const alphaCry = member.design.Lcy === 0 || !compressed ? Infinity : inPlaneFactor(member, state);
    const e0 = compressed ? initialBow[bucklingCurves(s).y]!.elastic * member.length : 0;
    const ultimate = ultimateFactor(member, state, alphaCry, alphaCry === Infinity ? 0 : e0);
    const alphaCr = leastOutOfPlane(member, state);
    logStrength(s, 'γM1', code, log);
    if (alphaCry < Infinity) {
      log?.('αcr,y', alphaCry, '', 'in-plane buckling of the tapered member between its ends', '6.3.4(3)');
      log?.('e0', e0, 'm', `bow by buckling curve ${bucklingCurves(s).y}`, 'Table 5.1');
    }
    const { N, My } = forcesAtX(state.field, ultimate.x);
    log?.('NEd', -N, 'N', `compression at x = ${ultimate.x.toFixed(2)} m, analysis`);
    log?.('My,Ed', Math.abs(My), 'N·m', `at x = ${ultimate.x.toFixed(2)} m, analysis`);
    log?.(
      'αult,k',
      ultimate.factor,
      '',
      'least over the places, with in-plane bow and second order',
      '6.3.4(2)',
    );
    let chi = 1;
    if (alphaCr < Infinity) {
      const lambdaBar = Math.sqrt(ultimate.factor / alphaCr);
      log?.(
        'αcr,op',
        alphaCr,
        '',
        'out-of-plane buckling of the tapered member between restraints',
        '6.3.4(3)',
      );
      log?.('λ̄op', lambdaBar, '', '√(αult,k/αcr,op)', '6.3.4(3) eq. 6.64');
      chi = reduction(member, lambdaBar, log);
    }
    const factor = (chi * ultimate.factor) / code.gammaM1;
    log?.('χop·αult,k/γM1', factor, '', 'at least 1', '6.3.4(2) eq. 6.63');
    return { demand: 1 / factor, capacity: 1, x: ultimate.x };
  },
};
