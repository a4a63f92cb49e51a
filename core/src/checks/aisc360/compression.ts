import type { MemberCheckRule, MemberState, StepLog } from '../check.js';
import { bucklingLength, torsionalLength } from '../members/lengths.js';
import type { PhysicalMember } from '../members/physical-member.js';
import type { CheckSection } from '../members/section.js';
import { torsionalCriticalForce } from '../members/torsional-force.js';
import { logSteel, phi, small } from './common.js';
import { compressedElements, isSlender, root } from './slenderness.js';

type BucklingAxis = 'y' | 'z' | 'u' | 'v';

/** Nominal stress of a compression member, E3: 0.658^(Fy/Fe)·Fy up to Fy/Fe = 2.25, 0.877·Fe beyond. Pa */
export function nominalStress(Fy: number, Fe: number): number {
  return Fy / Fe <= 2.25 ? 0.658 ** (Fy / Fe) * Fy : 0.877 * Fe;
}

/** Effective area of slender elements at the stress Fn, E7. m² */
export function effectiveArea(s: CheckSection, Fn: number, log?: StepLog): number {
  if (s.kind === 'tube') {
    const slender = s.h / s.tw;
    return slender <= (0.11 * s.E) / s.fy ? s.p.A : ((0.038 * s.E) / (s.fy * slender) + 2 / 3) * s.p.A;
  }
  let A = s.p.A;
  for (const { name, b, t, limit, count, c1, c2 } of compressedElements(s)) {
    const lambda = b / t;
    if (lambda <= limit * Math.sqrt(s.fy / Fn)) continue;
    const Fel = ((c2 * limit) / lambda) ** 2 * s.fy;
    const ratio = Math.sqrt(Fel / Fn);
    const be = b * (1 - c1 * ratio) * ratio;
    log?.(`be ${name}`, be, 'm', 'b·(1 − c1·√(Fel/Fn))·√(Fel/Fn)', 'E7.1 eq. E7-3');
    A -= count * (b - be) * t;
  }
  log?.('Ae', A, 'm2', 'Ag − Σ(b − be)·t', 'E7');
  return A;
}

/** Elastic flexural buckling stress about an axis, Fe = π²E/(Lc/r)². Pa */
function flexuralStress(
  member: PhysicalMember,
  axis: BucklingAxis,
  state: MemberState,
  log?: StepLog,
): number {
  const { section: s } = member;
  const L = bucklingLength(member, axis === 'y' || axis === 'u' ? 'y' : 'z', state, log);
  const r = { y: s.p.iy, z: s.p.iz, u: s.p.iu, v: s.p.iv }[axis];
  log?.(`r${axis}`, r, 'm', s.name);
  const Fe = L === 0 ? Infinity : (Math.PI ** 2 * s.E) / (L / r) ** 2;
  if (L > 0) {
    log?.('Lc/r', L / r, '', 'slenderness', 'E2');
    log?.('Fe', Fe, 'N/m2', 'π²·E/(Lc/r)²', 'E3 eq. E3-4');
  }
  return Fe;
}

/** Angles in trusses connected through one leg, E5(a): the slenderness that takes the eccentricity in. Pa */
function oneLegStress(member: PhysicalMember, state: MemberState, log?: StepLog): number {
  const { section: s } = member;
  // The longer leg is connected; its axis is parallel to it
  const ra = s.h >= s.b ? s.p.iz : s.p.iy;
  const L = bucklingLength(member, s.h >= s.b ? 'z' : 'y', state, log);
  const slender = L / ra;
  const effective = slender <= 80 ? 72 + 0.75 * slender : 32 + 1.25 * slender;
  log?.('ra', ra, 'm', `${s.name}, axis parallel to the connected (longer) leg`);
  log?.('Lc/r', effective, '', slender <= 80 ? '72 + 0.75·L/ra' : '32 + 1.25·L/ra', 'E5 eq. E5-1, E5-2');
  return (Math.PI ** 2 * s.E) / effective ** 2;
}

/** Torsional or flexural-torsional buckling stress, E4: the lowest root with the shear centre's distance. Pa */
function torsionalStress(member: PhysicalMember, state: MemberState, log?: StepLog): number {
  const { section: s } = member;
  const { p } = s;
  const angle = s.kind === 'angle';
  const LT = torsionalLength(member, log);
  const us = angle ? p.ys * Math.cos(p.alpha) + p.zs * Math.sin(p.alpha) : p.ys;
  const vs = angle ? p.zs * Math.cos(p.alpha) - p.ys * Math.sin(p.alpha) : p.zs;
  const r0 = Math.sqrt((p.Iy + p.Iz) / p.A + us * us + vs * vs);
  const warping = LT === 0 ? Infinity : (Math.PI ** 2 * s.E * p.Iw) / LT ** 2;
  const Fez = (warping + s.G * p.J) / (p.A * r0 * r0);
  log?.('r0', r0, 'm', '√((Ix + Iy)/Ag + x0² + y0²)', 'E4 eq. E4-9');
  if (LT > 0) log?.('Fez', Fez, 'N/m2', '(π²·E·Cw/Lcz² + G·J)/(Ag·r0²)', 'E4 eq. E4-7');
  if (Fez === Infinity) return Fez;
  const first = flexuralStress(member, angle ? 'u' : 'y', state, log);
  const second = flexuralStress(member, angle ? 'v' : 'z', state, log);
  const clean = (value: number) => (Math.abs(value) < 1e-6 * r0 ? 0 : value);
  const uncoupled = { Nu: first * p.A, Nv: second * p.A, NT: Fez * p.A };
  const Fe = torsionalCriticalForce(uncoupled, { us: clean(us), vs: clean(vs), i0: r0 }) / p.A;
  log?.('Fe', Fe, 'N/m2', us === 0 && vs === 0 ? 'Fez' : 'lowest root of E4-3 or E4-4', 'E4');
  return Fe;
}

const oneLeg = (member: PhysicalMember): boolean =>
  member.section.kind === 'angle' && member.design.connection === 'oneLeg';

/** Axes about which a member buckles in flexure. */
export function flexuralAxes(member: PhysicalMember): BucklingAxis[] {
  if (oneLeg(member)) return [];
  return member.section.kind === 'angle' ? ['u', 'v'] : ['y', 'z'];
}

/** Whether E4 is asked for: open sections; of angles those with b/t above 0.71·√(E/Fy) (E5). */
export function twists(member: PhysicalMember): boolean {
  const { section: s } = member;
  if (oneLeg(member)) return false;
  if (s.kind === 'angle') return Math.max(s.h, s.b) / s.tw > 0.71 * root(s);
  return ['i', 'unequal-i', 'channel', 'tee'].includes(s.kind);
}

/** φ·Pn for one elastic buckling stress, with slender elements by E7. N */
function strength(member: PhysicalMember, Fe: number, log?: StepLog): number {
  const { section: s } = member;
  logSteel(s, log);
  const Fn = Fe === Infinity ? s.fy : nominalStress(s.fy, Fe);
  log?.('Fn', Fn, 'N/m2', s.fy / Fe <= 2.25 ? '0.658^(Fy/Fe)·Fy' : '0.877·Fe', 'E3 eq. E3-2, E3-3');
  const slender = isSlender(s);
  const A = slender ? effectiveArea(s, Fn, log) : s.p.A;
  if (!slender) log?.('Ag', A, 'm2', s.name);
  log?.(
    'φ·Pn',
    phi * Fn * A,
    'N',
    slender ? '0.90·Fn·Ae' : '0.90·Fn·Ag',
    slender ? 'E7 eq. E7-1' : 'E3 eq. E3-1',
  );
  return phi * Fn * A;
}

/** Beyond the formulas: round walls past 0.45·E/Fy. */
export function beyondE7(s: CheckSection): string | undefined {
  return s.kind === 'tube' && s.h / s.tw > (0.45 * s.E) / s.fy
    ? `${s.name} has D/t = ${(s.h / s.tw).toFixed(0)}, more than 0.45·E/Fy, which E7.2 does not cover; choose a thicker wall.`
    : undefined;
}

const least = new WeakMap<PhysicalMember, number>();

/** Least φ·Pn over all modes of buckling, N: what H1 takes. Kept where the lengths are the same in every combination. */
export function compressiveStrength(member: PhysicalMember, state: MemberState): number {
  if (member.design.lengths === 'buckling-analysis') return leastStrength(member, state);
  let Pc = least.get(member);
  if (Pc === undefined) least.set(member, (Pc = leastStrength(member, state)));
  return Pc;
}

function leastStrength(member: PhysicalMember, state: MemberState): number {
  const stresses = flexuralAxes(member).map((axis) => flexuralStress(member, axis, state));
  if (oneLeg(member)) stresses.push(oneLegStress(member, state));
  if (twists(member)) stresses.push(torsionalStress(member, state));
  return strength(member, Math.min(...stresses));
}

function rule(
  clause: string,
  title: string,
  axis: MemberCheckRule['axis'],
  applies: (member: PhysicalMember) => boolean | string,
  stress: (member: PhysicalMember, state: MemberState, log?: StepLog) => number,
): MemberCheckRule {
  return {
    scope: 'member',
    clause,
    title,
    ...(axis ? { axis } : {}),
    covers(member) {
      const asked = member.tapered ? false : applies(member);
      return asked === true ? (beyondE7(member.section) ?? true) : asked;
    },
    evaluate(member, state, log) {
      if (small(member.section, state.compression.value)) return undefined;
      const capacity = strength(member, stress(member, state, log), log);
      log?.('Pr', state.compression.value, 'N', 'largest compression, analysis');
      return { demand: state.compression.value, capacity, x: state.compression.x };
    },
  };
}

const axes: readonly BucklingAxis[] = ['y', 'z', 'u', 'v'];
const slenderOnly = (slender: boolean) => (member: PhysicalMember) => isSlender(member.section) === slender;

/** Compression, chapter E: flexural buckling (E3), torsional (E4), angles through one leg (E5); with slender elements E7. */
export const compressionChecks: readonly MemberCheckRule[] = [
  ...[false, true].flatMap((slender) =>
    axes.map((axis) =>
      rule(
        slender ? 'E7' : 'E3',
        `Flexural buckling about ${axis}${slender ? ', slender elements' : ''}`,
        axis,
        (member) => slenderOnly(slender)(member) && flexuralAxes(member).includes(axis),
        (member, state, log) => flexuralStress(member, axis, state, log),
      ),
    ),
  ),
  rule('E4', 'Torsional buckling', 'T', (m) => m.section.kind === 'i' && twists(m), torsionalStress),
  rule(
    'E4',
    'Flexural-torsional buckling',
    'TF',
    (m) => m.section.kind !== 'i' && twists(m),
    torsionalStress,
  ),
  rule(
    'E5',
    'Angle connected through one leg',
    undefined,
    (member) => {
      if (!oneLeg(member)) return false;
      const { h, b } = member.section;
      if ((member.design.bolts ?? 2) === 1)
        return 'E5 asks for at least two bolts or a weld at each end; use two bolts.';
      return Math.max(h, b) / Math.min(h, b) < 1.7
        ? true
        : 'E5 is for legs with a ratio below 1.7; model the eccentricity as offsets instead.';
    },
    oneLegStress,
  ),
];
