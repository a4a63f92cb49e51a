import type { MemberCheckRule, MemberState, StepLog } from '../../check.js';
import { diagram, ofSign, type Diagram } from '../../members/diagram.js';
import type { PhysicalMember } from '../../members/physical-member.js';
import type { CheckSection } from '../../members/section.js';
import { imperfectionFactor, type BucklingCurve } from './buckling-curves.js';
import { cantileverFactor } from './cantilever.js';
import { asymmetry, criticalMoment } from './critical-moment.js';
import { c1Of, c2zgOf, leastC1 } from './moment-factors.js';
import { kcOf } from './equivalent-moment.js';
import { longestStretch, worstOfStretches, type Stretch } from '../../members/lengths.js';
import { memberClass } from '../member-forces.js';
import { bendingModulus, logStrength } from '../resistance.js';

/** What 6.3.2 gives for a stretch between lateral restraints. */
export interface LateralTorsional {
  readonly chi: number;
  readonly lambdaBar: number;
  readonly Mcr: number;
  readonly C1: number;
  readonly diagram: Diagram;
  readonly stretch: Stretch;
  readonly capacity: number;
}

/**
 * Sections that can buckle sideways when bent about y: open ones and upright bars. Hollow ones and round bars do not
 * (6.3.2.1(2), Table B.1), nor do sections bent about their weaker axis.
 */
export function canBuckleLaterally(member: PhysicalMember): boolean {
  const { section: s } = member;
  if (member.design.LLT === 0 || s.p.Iz >= s.p.Iy) return false;
  return ['i', 'unequal-i', 'channel', 'tee', 'rectangle'].includes(s.kind);
}

/** C1 and C2·zg as given or from the diagram, with the notes that say which. */
export function lateralFactors(
  member: PhysicalMember,
  d: Diagram,
  stretch: Stretch,
  log?: StepLog,
): { C1: number; c2zg: number } {
  const { design, section: s } = member;
  if (stretch.free && design.C1 === undefined) return cantileverFactors(member, d, stretch, log);
  const C1 = design.C1 ?? c1Of(s, d, stretch.length);
  log?.(
    'C1',
    C1,
    '',
    design.C1 === undefined
      ? 'true moment diagram of the stretch: critical moment against a uniform one'
      : 'given',
  );
  const zg = design.zg ?? 0;
  if (zg === 0) return { C1, c2zg: 0 };
  const c2zg = design.C2 === undefined ? c2zgOf(s, d, stretch.length, zg, C1) : design.C2 * zg;
  log?.('zg', zg, 'm', 'given, above the shear centre');
  log?.('C2', c2zg / zg, '', design.C2 === undefined ? 'true loads of the stretch at zg' : 'given');
  return { C1, c2zg };
}

/** C1 of a cantilever: its critical moment with a free tip against that of a uniform moment between forks; C2·zg is in it. */
function cantileverFactors(
  { section: s, design, builtIn }: PhysicalMember,
  d: Diagram,
  { free, length }: Stretch,
  log?: StepLog,
): { C1: number; c2zg: number } {
  const root = builtIn[free === 'end' ? 'start' : 'end'];
  const zg = design.zg ?? 0;
  const factor = cantileverFactor(s, d, { free: free!, builtIn: root, zg });
  const uniform = criticalMoment(s, length, { C1: 1, c2zg: 0, zj: 0 });
  const C1 = factor === Infinity ? 1 : (factor * Math.abs(d.peak.value)) / uniform;
  log?.(
    'C1',
    C1,
    '',
    `cantilever with a free tip, ${root ? 'built in' : 'free to warp'} at its root: critical moment against a uniform one between forks`,
  );
  return { C1, c2zg: 0 };
}

/** The curve for the less favourable of two depths: a deeper section has the lower one. */
export const lessFavourable = (a: BucklingCurve, b: BucklingCurve): BucklingCurve =>
  imperfectionFactor[b] > imperfectionFactor[a] ? b : a;

/** Curve of 6.3.2.2 (Table 6.4). */
export function generalCurve(s: CheckSection): BucklingCurve {
  if (s.kind !== 'i' && s.kind !== 'unequal-i') return 'd';
  const slim = s.h / s.b <= 2;
  return s.fabrication === 'welded' ? (slim ? 'c' : 'd') : slim ? 'a' : 'b';
}

/** Curve of 6.3.2.3 (Table 6.5). */
function rolledCurve(s: CheckSection): BucklingCurve {
  const slim = s.h / s.b <= 2;
  return s.fabrication === 'welded' ? (slim ? 'c' : 'd') : slim ? 'b' : 'c';
}

/** The moments that compress what a stretch's ends hold: all of them, or those of the sign that compresses its flange. */
export function stretchDiagram({ field }: MemberState, { from, to, flange }: Stretch): Diagram {
  const whole = diagram(field, 'My', from, to);
  return flange ? ofSign(whole, flange === 'top' ? 1 : -1) : whole;
}

/** χLT of one stretch under its own diagram. */
export function lateralTorsional(
  member: PhysicalMember,
  state: MemberState,
  stretch: Stretch,
  log?: StepLog,
): LateralTorsional {
  const { section: s, code } = member;
  const d = stretchDiagram(state, stretch);
  const cls = memberClass(member, state, log);
  logStrength(s, 'γM1', code, log);
  const W = bendingModulus(s, { cls, axis: 'y', moment: d.peak.value }, log);
  log?.('L', stretch.length, 'm', lengthWords(stretch));
  const { C1, c2zg } = lateralFactors(member, d, stretch, log);
  const zj = asymmetry(s, Math.sign(d.peak.value) || 1);
  const Mcr = criticalMoment(s, stretch.length, { C1, c2zg, zj }, log);
  const lambdaBar = Math.sqrt((W * s.fy) / Mcr);
  log?.('λ̄LT', lambdaBar, '', '√(Wy·fy/Mcr)', '6.3.2.2(1)');
  const rolled = code.lateralTorsional === 'rolled' && (s.kind === 'i' || s.kind === 'unequal-i');
  const chi = rolled
    ? modifiedChi(lambdaBar, plainChi(s, lambdaBar, log), correction(member, d, C1, log), log)
    : generalChi(s, lambdaBar, log);
  const capacity = (chi * W * s.fy) / code.gammaM1;
  log?.('Mb,Rd', capacity, 'N·m', 'χLT·Wy·fy/γM1', '6.3.2.1(3) eq. 6.55');
  return { chi, lambdaBar, Mcr, C1, diagram: d, stretch, capacity };
}

/** How a stretch came about and which flange it is of. */
export const lengthWords = ({ how, flange }: Stretch): string =>
  flange ? `${how}, ${flange} flange in compression` : `${how}, holding both flanges`;

/** 6.3.2.2 eq. 6.56, with no reduction up to λ̄LT = 0.2 (6.3.2.2(4)). */
export function generalChi(s: CheckSection, lambdaBar: number, log?: StepLog): number {
  const curve = generalCurve(s);
  const alpha = imperfectionFactor[curve];
  const phi = 0.5 * (1 + alpha * (lambdaBar - 0.2) + lambdaBar ** 2);
  const chi = lambdaBar <= 0.2 ? 1 : Math.min(1, 1 / (phi + Math.sqrt(phi ** 2 - lambdaBar ** 2)));
  log?.('αLT', alpha, '', `buckling curve ${curve}`, 'Tables 6.3 and 6.4');
  log?.('ΦLT', phi, '', '0.5·(1 + αLT·(λ̄LT − 0.2) + λ̄LT²)', '6.3.2.2(1)');
  log?.('χLT', chi, '', '1/(ΦLT + √(ΦLT² − λ̄LT²)) ≤ 1', '6.3.2.2(1) eq. 6.56');
  return chi;
}

/** χLT of 6.3.2.3(1) eq. 6.57 with λ̄LT,0 = 0.4 and β = 0.75. */
function plainChi(s: CheckSection, lambdaBar: number, log?: StepLog): number {
  const curve = rolledCurve(s);
  const alpha = imperfectionFactor[curve];
  const beta = 0.75;
  const phi = 0.5 * (1 + alpha * (lambdaBar - 0.4) + beta * lambdaBar ** 2);
  const top = Math.min(1, 1 / lambdaBar ** 2);
  const chi = lambdaBar <= 0.4 ? 1 : Math.min(top, 1 / (phi + Math.sqrt(phi ** 2 - beta * lambdaBar ** 2)));
  log?.('αLT', alpha, '', `buckling curve ${curve}`, 'Tables 6.3 and 6.5');
  log?.('ΦLT', phi, '', '0.5·(1 + αLT·(λ̄LT − 0.4) + 0.75·λ̄LT²)', '6.3.2.3(1)');
  log?.('χLT', chi, '', '1/(ΦLT + √(ΦLT² − 0.75·λ̄LT²)) ≤ 1 and 1/λ̄LT²', '6.3.2.3(1) eq. 6.57');
  return chi;
}

/** kc of Table 6.6 from the diagram; 1/√C1 where C1 is given. */
function correction(member: PhysicalMember, d: Diagram, C1: number, log?: StepLog): number {
  if (member.design.C1 === undefined) return kcOf(d, C1, log);
  const kc = Math.min(1, 1 / Math.sqrt(C1));
  log?.('kc', kc, '', '1/√C1, C1 given', 'Table 6.6');
  return kc;
}

/** χLT of eq. 6.57 divided by f of eq. 6.58 (6.3.2.3(2)). */
function modifiedChi(lambdaBar: number, plain: number, kc: number, log?: StepLog): number {
  const top = Math.min(1, 1 / lambdaBar ** 2);
  const f = Math.min(1, 1 - 0.5 * (1 - kc) * (1 - 2 * (lambdaBar - 0.8) ** 2));
  const chi = Math.min(top, plain / f);
  log?.('f', f, '', '1 − 0.5·(1 − kc)·(1 − 2·(λ̄LT − 0.8)²) ≤ 1', '6.3.2.3(2)');
  log?.('χLT,mod', chi, '', 'χLT/f ≤ 1 and 1/λ̄LT²', '6.3.2.3(2) eq. 6.58');
  return chi;
}

/** The stretch with the greatest utilisation; undefined where the member cannot buckle sideways. */
export function worstStretch(member: PhysicalMember, state: MemberState): LateralTorsional | undefined {
  if (!canBuckleLaterally(member)) return undefined;
  let worst = state.memo.get(worstStretch) as LateralTorsional | undefined;
  if (!worst && (worst = findWorst(member, state))) state.memo.set(worstStretch, worst);
  return worst;
}

/** Share of the greatest moment below which the other sign's moments are rounding. */
const negligible = 1e-9;

function findWorst(member: PhysicalMember, state: MemberState): LateralTorsional | undefined {
  return worstOfStretches(
    member,
    state,
    // Moments of the other sign compress the other flange
    (stretch) =>
      stretch.flange && Math.abs(stretchDiagram(state, stretch).peak.value) <= negligible * state.My.value
        ? undefined
        : lateralTorsional(member, state, stretch),
    ({ diagram: d, capacity }) => Math.abs(d.peak.value) / capacity,
  );
}

const uniformMomentShape = { C1: 1, c2zg: 0, zj: 0 };
const uniformMoments = new WeakMap<PhysicalMember, UniformMoment>();

interface UniformMoment {
  /** Of the longest stretch, N·m; 0 where no bound of Mb,Rd holds. */
  readonly Mcr: number;
  /** The stretch is the whole member. */
  readonly whole: boolean;
}

/**
 * Critical moment of a member's longest stretch under a uniform moment; 0 where something given, a free tip or an unsymmetric section
 * keep a bound of Mb,Rd from holding.
 */
function uniformMoment(member: PhysicalMember): UniformMoment {
  let known = uniformMoments.get(member);
  if (!known) {
    const { section: s, design } = member;
    const longest =
      s.kind === 'i' && design.C1 === undefined && !design.zg ? longestStretch(member) : undefined;
    known =
      longest && longest.length > 0
        ? { Mcr: criticalMoment(s, longest.length, uniformMomentShape), whole: longest.whole }
        : { Mcr: 0, whole: false };
    uniformMoments.set(member, known);
  }
  return known;
}

/** Less than Mb,Rd in a combination, and 0 where none can be told quickly. N·m */
export function leastCapacity(member: PhysicalMember, state: MemberState): number {
  let least = state.memo.get(leastCapacity) as number | undefined;
  if (least === undefined) state.memo.set(leastCapacity, (least = leastCapacityOf(member, state)));
  return least;
}

function leastCapacityOf(member: PhysicalMember, state: MemberState): number {
  const { Mcr: uniform, whole } = uniformMoment(member);
  if (uniform === 0 || state.My.value === 0) return 0;
  const { section: s, code } = member;
  const C1 = whole ? Math.max(1, leastC1(s, state.field, member.length, state.My.value)) : 1;
  const W = bendingModulus(s, { cls: memberClass(member, state), axis: 'y', moment: state.My.signed });
  const lambdaBar = Math.sqrt((W * s.fy) / (uniform * C1));
  // f only adds to χLT (6.3.2.3(2)): it is left out
  const chi = code.lateralTorsional === 'rolled' ? plainChi(s, lambdaBar) : generalChi(s, lambdaBar);
  return (chi * W * s.fy) / code.gammaM1;
}

function uniformBound(member: PhysicalMember, state: MemberState): number {
  const least = leastCapacity(member, state);
  return least > 0 ? state.My.value / least : Infinity;
}

/** Lateral-torsional buckling, EN 1993-1-1 6.3.2: MEd ≤ Mb,Rd in every stretch between lateral restraints. */
export const lateralTorsionalBuckling: MemberCheckRule = {
  scope: 'member',
  clause: '6.3.2.1(1) eq. 6.54',
  title: 'Lateral-torsional buckling',
  axis: 'y',
  covers(member) {
    return !member.tapered && canBuckleLaterally(member);
  },
  atMost: (member, state) => uniformBound(member, state),
  evaluate(member, state, log) {
    const { section: s } = member;
    if (!(state.My.value > 1e-7 * s.p.Wely * s.fy)) return undefined;
    const worst = worstStretch(member, state);
    if (!worst) return undefined;
    const { diagram: d, capacity } = log ? lateralTorsional(member, state, worst.stretch, log) : worst;
    log?.('My,Ed', Math.abs(d.peak.value), 'N·m', 'largest in the stretch, analysis');
    return { demand: Math.abs(d.peak.value), capacity, x: d.peak.x };
  },
};
