import type { MemberField } from '../../../analysis/index.js';
import type { MemberCheckRule, MemberState, StepLog, Verdict } from '../../check.js';
import { bucklingSpans, type Span } from '../../members/lengths.js';
import type { PhysicalMember } from '../../members/physical-member.js';
import { stateWithin } from '../../members/stations.js';
import type { InteractionFactors, InteractionInput } from './interaction-input.js';
import { annexA } from './annex-a.js';
import { annexB, tableB } from './annex-b.js';
import { straightMoment } from '../buckling/equivalent-moment.js';
import { beyondClass3 } from '../classes/beyond-class-3.js';
import { effectiveSection } from '../classes/effective-section.js';
import { flexuralSlenderness } from '../buckling/flexural-buckling.js';
import { canBuckleLaterally, leastCapacity, worstStretch } from '../buckling/lateral-torsional.js';
import { memberClass } from '../member-forces.js';
import { bendingModulus, compressionArea, logStrength } from '../resistance.js';
import { tooSmall } from '../classes/too-small.js';

/** Sections for which the annexes give factors: doubly symmetric ones. Others by the elastic sum. */
const tabulated = (member: PhysicalMember): boolean => ['i', 'box', 'tube'].includes(member.section.kind);

/** Stretches that buckle about y and z and overlap one another. */
interface SpanPair {
  readonly y: Span;
  readonly z: Span;
}

const spanPairs = new WeakMap<PhysicalMember, readonly SpanPair[]>();

/** Every stretch that buckles about y with every one about z that it overlaps: mostly one pair, the whole member twice. */
function pairsOf(member: PhysicalMember): readonly SpanPair[] {
  let pairs = spanPairs.get(member);
  if (!pairs) {
    const near = 1e-9 * member.length;
    pairs = bucklingSpans(member, 'y').flatMap((y) =>
      bucklingSpans(member, 'z')
        .filter((z) => z.to > y.from + near && z.from < y.to - near)
        .map((z) => ({ y, z })),
    );
    spanPairs.set(member, pairs);
  }
  return pairs;
}

/** The part of a member that a pair of stretches speaks of in the equation of an axis, in one combination. */
interface Part {
  readonly state: MemberState;
  readonly spans: SpanPair;
  /** Of the whole member. */
  readonly field: MemberField;
}

function partsOf(member: PhysicalMember, whole: MemberState, axis: 'y' | 'z'): Part[] {
  return pairsOf(member).map((spans) => ({
    state: stateWithin(whole, spans[axis].from, spans[axis].to),
    spans,
    field: whole.field,
  }));
}

/** What both equations need, worked out once a combination where the stretch is the whole member. */
function inputOf(
  member: PhysicalMember,
  part: Part,
  log?: StepLog,
): { input: InteractionInput; factors: InteractionFactors } {
  const { memo } = part.state;
  const known = log ? undefined : (memo.get(inputOf) as ReturnType<typeof inputOf> | undefined);
  if (known) return known;
  const input = prepare(member, part, log);
  const both = { input, factors: factorsOf(input, log) };
  memo.set(inputOf, both);
  return both;
}

function factorsOf(input: InteractionInput, log?: StepLog): InteractionFactors {
  if (!tabulated(input.member)) return amplified(input, log);
  return input.member.code.interaction === 'A' ? annexA(input, log) : annexB(input, log);
}

function prepare(member: PhysicalMember, { state, spans, field }: Part, log?: StepLog): InteractionInput {
  const { section: s, code } = member;
  const cls = memberClass(member, state, log);
  logStrength(s, 'γM1', code, log);
  const A = compressionArea(s, cls, log);
  const Wy = bendingModulus(s, { cls, axis: 'y', moment: state.My.signed }, log);
  const Wz = bendingModulus(s, { cls, axis: 'z', moment: state.Mz.signed }, log);
  const y = flexuralSlenderness(member, 'y', state, A, log);
  const z = flexuralSlenderness(member, 'z', state, A, log);
  const lateral = worstStretch(member, state);
  log?.(
    'χLT',
    lateral?.chi ?? 1,
    '',
    lateral
      ? `stretch ${lateral.stretch.from.toFixed(2)} … ${lateral.stretch.to.toFixed(2)} m, C1 = ${lateral.C1.toFixed(3)}, λ̄LT = ${lateral.lambdaBar.toFixed(3)}`
      : 'not susceptible to torsional deformations',
    '6.3.2',
  );
  const N = state.compression.value;
  const shift = cls === 4 ? effectiveSection(s, 'N') : { ey: 0, ez: 0 };
  const MyEd = state.My.value + N * Math.abs(shift.ez);
  const MzEd = state.Mz.value + N * Math.abs(shift.ey);
  log?.('NEd', N, 'N', 'largest compression, analysis');
  log?.(
    'My,Ed',
    MyEd,
    'N·m',
    shift.ez === 0 ? 'largest along the member, analysis' : 'with ΔMy,Ed = NEd·eNy',
    '6.3.3(4)',
  );
  log?.(
    'Mz,Ed',
    MzEd,
    'N·m',
    shift.ey === 0 ? 'largest along the member, analysis' : 'with ΔMz,Ed = NEd·eNz',
    '6.3.3(4)',
  );
  const [NRk, MyRk, MzRk] = [A * s.fy, Wy * s.fy, Wz * s.fy];
  log?.('NRk', NRk, 'N', 'A·fy', 'Table 6.7');
  log?.('My,Rk', MyRk, 'N·m', 'Wy·fy', 'Table 6.7');
  log?.('Mz,Rk', MzRk, 'N·m', 'Wz·fy', 'Table 6.7');
  return {
    member,
    state,
    field,
    spans,
    cls,
    NEd: N,
    MyEd,
    MzEd,
    NRk,
    MyRk,
    MzRk,
    y,
    z,
    lateral,
    chiLT: lateral?.chi ?? 1,
  };
}

/**
 * Bending with compression, EN 1993-1-1 6.3.3(4) eq. 6.61 (buckling about y) and 6.62 (about z): the largest NEd with the largest
 * My,Ed and Mz,Ed of the stretch that buckles, in one combination. Channels, tees, unequal I and bars by the elastic sum of the utilisations with χ
 * (all k = 1/(1 − NEd/Ncr) ≥ 1), on the safe side.
 */
const interaction = (axis: 'y' | 'z'): MemberCheckRule => ({
  scope: 'member',
  clause: `6.3.3(4) eq. ${axis === 'y' ? '6.61' : '6.62'}`,
  title: `Bending with compression, buckling about ${axis}`,
  axis,
  covers(member) {
    return !member.tapered && member.section.kind !== 'angle';
  },
  atMost: (member, state) => bounds(member, state)[axis],
  evaluate(member, state, log) {
    let worst: { part: Part; verdict: NonNullable<Verdict> } | undefined;
    for (const part of partsOf(member, state, axis)) {
      const verdict = evaluatePart(member, axis, part);
      if (!verdict || (worst && sizeOf(verdict) <= sizeOf(worst.verdict))) continue;
      worst = { part, verdict };
    }
    if (log && worst) {
      const { from, to } = worst.part.state;
      if (to - from < 0.999 * member.length)
        log('Lcr', to - from, 'm', `stretch ${from.toFixed(2)} … ${to.toFixed(2)} m of the member`);
      evaluatePart(member, axis, worst.part, log);
    }
    return worst?.verdict;
  },
});

const sizeOf = (verdict: NonNullable<Verdict>): number =>
  'reason' in verdict ? Infinity : verdict.demand / verdict.capacity;

/** The equation of an axis in one stretch. */
function evaluatePart(member: PhysicalMember, axis: 'y' | 'z', part: Part, log?: StepLog): Verdict {
  const { state } = part;
  const { section: s, code } = member;
  const bent = state.My.value > 1e-7 * s.p.Wely * s.fy || state.Mz.value > 1e-7 * s.p.Welz * s.fy;
  if (tooSmall(s, state.compression.value) || !bent) return undefined;
  const cls = memberClass(member, state);
  const beyond = beyondClass3(s, cls);
  if (beyond) return beyond;
  const least = Math.min(
    flexuralSlenderness(member, 'y', state, s.p.A).Ncr,
    flexuralSlenderness(member, 'z', state, s.p.A).Ncr,
  );
  const N = state.compression.value;
  // Past the critical force no factor has a meaning: it fails, by how much the force says
  if (N >= least) {
    log?.('NEd', N, 'N', 'largest compression, analysis');
    log?.('Ncr', least, 'N', 'the lesser of Ncr,y and Ncr,z: past it nothing stands', '6.3.1.2(1)');
    return { demand: N / least, capacity: 1, x: state.compression.x };
  }
  const { input: i, factors: k } = inputOf(member, part, log);
  const buckling = axis === 'y' ? i.y : i.z;
  const [ky, kz] = axis === 'y' ? [k.kyy, k.kyz] : [k.kzy, k.kzz];
  const demand =
    (i.NEd * code.gammaM1) / (buckling.chi * i.NRk) +
    (ky * i.MyEd * code.gammaM1) / (i.chiLT * i.MyRk) +
    (kz * i.MzEd * code.gammaM1) / i.MzRk;
  log?.(
    'left side',
    demand,
    '',
    `NEd/(χ${axis}·NRk/γM1) + k${axis}y·My,Ed/(χLT·My,Rk/γM1) + k${axis}z·Mz,Ed/(Mz,Rk/γM1)`,
    `6.3.3(4) eq. ${axis === 'y' ? '6.61' : '6.62'}`,
  );
  return { demand, capacity: 1, x: state.My.value > 0 ? state.My.x : state.Mz.x };
}

interface Bounds {
  readonly y: number;
  readonly z: number;
}

const boundless: Bounds = { y: Infinity, z: Infinity };

function bounds(member: PhysicalMember, state: MemberState): Bounds {
  let both = state.memo.get(bounds) as Bounds | undefined;
  if (!both) state.memo.set(bounds, (both = boundsOf(member, state)));
  return both;
}

/**
 * At most the left sides of both equations by Annex B: Cm of straight diagrams and 1 of others, χLT too small. Infinity where something
 * given, another method or an effective section keeps it from being one.
 */
function boundsOf(member: PhysicalMember, state: MemberState): Bounds {
  const { section: s, code, design } = member;
  if (code.interaction !== 'B' || !tabulated(member) || design.lengths === 'buckling-analysis')
    return boundless;
  if (design.Cmy !== undefined || design.Cmz !== undefined || design.CmLT !== undefined) return boundless;
  const oneStretch = pairsOf(member).length === 1;
  const cls = memberClass(member, state);
  const twists = canBuckleLaterally(member);
  const Mb = twists
    ? leastCapacity(member, state)
    : (bendingModulus(s, { cls, axis: 'y', moment: state.My.signed }) * s.fy) / code.gammaM1;
  if (cls === 4 || !(Mb > 0)) return boundless;
  const y = flexuralSlenderness(member, 'y', state, s.p.A);
  const z = flexuralSlenderness(member, 'z', state, s.p.A);
  const n = (state.compression.value * code.gammaM1) / (s.p.A * s.fy);
  const ny = n / y.chi;
  const nz = n / z.chi;
  const k = tableB(cls <= 2, s.kind !== 'i', twists, {
    Cmy: oneStretch ? cmAtMost(member, state, 'My') : 1,
    Cmz: oneStretch ? cmAtMost(member, state, 'Mz') : 1,
    CmLT: 1,
    ny,
    nz,
    ly: y.lambdaBar,
    lz: z.lambdaBar,
  });
  const My = state.My.value / Mb;
  const Mz =
    (state.Mz.value * code.gammaM1) / (bendingModulus(s, { cls, axis: 'z', moment: state.Mz.signed }) * s.fy);
  return { y: ny + k.kyy * My + k.kyz * Mz, z: nz + k.kzy * My + k.kzz * Mz };
}

/** Cm of Table B.3 where the diagram is one straight line, else 1, which is the most of all. */
function cmAtMost({ design }: PhysicalMember, { field }: MemberState, name: 'My' | 'Mz'): number {
  const { breaks, forces, forceTerms: terms } = field;
  if (design.sway || breaks.length !== 2) return 1;
  const at = terms * (name === 'My' ? 4 : 5);
  for (let i = 2; i < terms; i++) if (forces[at + i] !== 0) return 1;
  const start = forces[at]!;
  const end = start + forces[at + 1]! * breaks[1]!;
  if (start === 0 && end === 0) return 1;
  return straightMoment(Math.abs(start) < Math.abs(end) ? start / end : end / start);
}

/** Sections without factors in the annexes: moments amplified by the sway-free second order, nothing taken off. */
function amplified({ NEd, y, z }: InteractionInput, log?: StepLog): InteractionFactors {
  const ky = 1 / (1 - NEd / y.Ncr);
  const kz = 1 / (1 - NEd / z.Ncr);
  log?.('ky', ky, '', '1/(1 − NEd/Ncr,y): elastic sum, conservative, not of an annex');
  log?.('kz', kz, '', '1/(1 − NEd/Ncr,z): elastic sum, conservative, not of an annex');
  return { kyy: ky, kzy: ky, kyz: kz, kzz: kz };
}

export const interactionAboutY = interaction('y');
export const interactionAboutZ = interaction('z');
