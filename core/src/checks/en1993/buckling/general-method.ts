import { initialBow } from '../../../analysis/index.js';
import type { Forces, MemberCheckRule, MemberState, StepLog } from '../../check.js';
import { worstOfStretches, type Span, type Stretch } from '../../members/lengths.js';
import type { PhysicalMember } from '../../members/physical-member.js';
import type { CheckSection } from '../../members/section.js';
import { forcesAtX, places } from '../../members/stations.js';
import {
  bucklingCurves,
  imperfectionFactor,
  reductionFactor,
  type BucklingCurve,
} from './buckling-curves.js';
import { resistanceClass } from '../classes/classification.js';
import { generalCurve, lessFavourable } from './lateral-torsional.js';
import { bendingModulus, compressionArea, logStrength } from '../resistance.js';
import { inPlaneFactor, outOfPlaneFactor } from './tapered-critical.js';
import { tooSmall } from '../classes/too-small.js';

/** Least factors on the forces that use up the cross-section of a place, at places along a member and wherever they are asked for. */
class UltimateFactors {
  readonly along: readonly PlacedFactor[];

  constructor(
    private readonly member: PhysicalMember,
    private readonly state: MemberState,
    private readonly alphaCry: number,
    private readonly e0: number,
  ) {
    this.along = places(state.field).map(({ x, forces }) => this.under(x, forces));
  }

  /** The least of a stretch, its ends among its places. */
  within({ from, to }: Span): PlacedFactor {
    const ends = [from, to].map((x) => this.under(x, forcesAtX(this.state.field, x)));
    return leastOf([...ends, ...this.along.filter(({ x }) => x > from && x < to)]);
  }

  /** With in-plane bow and second order (6.3.4(2)): α·N/NRk + (α·My + α·N·e0)/(1 − α/αcr,y)/My,Rk = 1. */
  private under(x: number, forces: Forces): PlacedFactor {
    const { member, alphaCry, e0 } = this;
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
    return { factor: low, x };
  }
}

const leastOf = (factors: readonly PlacedFactor[]): PlacedFactor =>
  factors.reduce((a, b) => (b.factor < a.factor ? b : a));

/** A factor at a place. */
interface PlacedFactor {
  readonly factor: number;
  /** m from the member's start. */
  readonly x: number;
}

/** What 6.3.4 gives for a stretch between lateral restraints. */
interface General {
  readonly stretch: Stretch;
  /** αult,k of the stretch. */
  readonly ultimate: PlacedFactor;
  /** αcr,op; Infinity where nothing buckles out of the plane. */
  readonly critical: number;
  readonly chi: number;
}

/** 6.3.4 for one stretch: αult,k and αcr,op of the same combination and stretch. */
function inStretch(
  member: PhysicalMember,
  state: MemberState,
  factors: UltimateFactors,
  stretch: Stretch,
): General {
  const ultimate = factors.within(stretch);
  const critical = outOfPlaneFactor(member, state, stretch);
  const chi = critical === Infinity ? 1 : reduction(member, stretch, Math.sqrt(ultimate.factor / critical));
  return { stretch, ultimate, critical, chi };
}

/** The stretch that governs; of a member that is held throughout the whole of it, which cannot buckle out of the plane. */
function worstStretch(member: PhysicalMember, state: MemberState, factors: UltimateFactors): General {
  const { design, length } = member;
  const whole: Stretch = { from: 0, to: length, length, how: 'held throughout' };
  if (design.LLT !== 0 || (design.Lcz !== 0 && design.Lcz !== undefined)) {
    const of = (stretch: Stretch) => inStretch(member, state, factors, stretch);
    const found =
      design.LLT === 0
        ? of(whole)
        : worstOfStretches(member, state, of, ({ chi, ultimate }) => 1 / (chi * ultimate.factor));
    if (found) return found;
  }
  return {
    stretch: whole,
    ultimate: leastOf(factors.along),
    critical: Infinity,
    chi: 1,
  };
}

/** The less favourable of the curves of a stretch's sections: h/b differs along a taper. */
function curvesOf(member: PhysicalMember, { from, to }: Stretch): Record<'y' | 'z' | 'LT', BucklingCurve> {
  const nearEnd = 1e-9 * member.length;
  const sections = [from + nearEnd, (from + to) / 2, to - nearEnd].map((x) => member.sectionAt(x));
  const worst = (of: (s: CheckSection) => BucklingCurve) => sections.map(of).reduce(lessFavourable);
  return {
    y: worst((s) => bucklingCurves(s).y),
    z: worst((s) => bucklingCurves(s).z),
    LT: worst(generalCurve),
  };
}

/** χop: the lesser of χ (6.3.1, curve z) and χLT (6.3.2.2) at the common slenderness (6.3.4(4)a). */
function reduction(member: PhysicalMember, stretch: Stretch, lambdaBar: number, log?: StepLog): number {
  const curves = curvesOf(member, stretch);
  const chi = reductionFactor(lambdaBar, imperfectionFactor[curves.z]).chi;
  const chiLT = reductionFactor(lambdaBar, imperfectionFactor[curves.LT]).chi;
  log?.('χ', chi, '', `curve ${curves.z} at λ̄op, the less favourable of the stretch`, '6.3.1');
  log?.('χLT', chiLT, '', `curve ${curves.LT} at λ̄op, the less favourable of the stretch`, '6.3.2.2');
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
    const curve = curvesOf(member, { from: 0, to: member.length, length: member.length, how: '' }).y;
    const e0 = compressed ? initialBow[curve]!.elastic * member.length : 0;
    const factors = new UltimateFactors(member, state, alphaCry, alphaCry === Infinity ? 0 : e0);
    const { stretch, ultimate, critical: alphaCr } = worstStretch(member, state, factors);
    logStrength(s, 'γM1', code, log);
    if (alphaCry < Infinity) {
      log?.('αcr,y', alphaCry, '', 'in-plane buckling of the tapered member between its ends', '6.3.4(3)');
      log?.('e0', e0, 'm', `bow by buckling curve ${curve}`, 'Table 5.1');
    }
    const { N, My } = forcesAtX(state.field, ultimate.x);
    log?.('NEd', -N, 'N', `compression at x = ${ultimate.x.toFixed(2)} m, analysis`);
    log?.('My,Ed', Math.abs(My), 'N·m', `at x = ${ultimate.x.toFixed(2)} m, analysis`);
    log?.(
      'αult,k',
      ultimate.factor,
      '',
      `least of the stretch ${stretch.from.toFixed(2)} … ${stretch.to.toFixed(2)} m (${stretch.how}), with in-plane bow and second order`,
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
      chi = reduction(member, stretch, lambdaBar, log);
    }
    const factor = (chi * ultimate.factor) / code.gammaM1;
    log?.('χop·αult,k/γM1', factor, '', 'at least 1', '6.3.4(2) eq. 6.63');
    return { demand: 1 / factor, capacity: 1, x: ultimate.x };
  },
};
