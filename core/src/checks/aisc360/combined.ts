import type { MemberCheckRule, MemberState, SectionCheck, StepLog } from '../check.js';
import type { PhysicalMember } from '../members/physical-member.js';
import type { CheckSection } from '../members/section.js';
import { torsionModulus } from '../members/torsion-modulus.js';
import { logSteel, phi, small, smallMoment } from './common.js';
import { beyondE7, compressiveStrength } from './compression.js';
import { flexuralStrength, flexureRule } from './flexure/flexure.js';
import { tooSlender } from './uncovered.js';

/** The force along a member that bends: the largest compression, else the largest tension. */
function axialOf(
  member: PhysicalMember,
  state: MemberState,
): { Pr: number; Pc: number; compression: boolean } {
  const { section: s } = member;
  if (!small(s, state.compression.value))
    return { Pr: state.compression.value, Pc: compressiveStrength(member, state), compression: true };
  return {
    Pr: state.extremes.tension.value,
    Pc: Math.min(phi * s.fy, 0.75 * s.fu) * s.p.A,
    compression: false,
  };
}

/** Where an axial force meets bending, and the axes it bends about. */
function situation(member: PhysicalMember, state: MemberState) {
  const { section: s } = member;
  const bentY = !smallMoment(s, state.My.value, 'y');
  const bentZ = !smallMoment(s, state.Mz.value, 'z');
  const axial = axialOf(member, state);
  const { Pr, Pc, compression } = axial;
  const meets = (!small(s, Pr) && (bentY || bentZ)) || (bentY && bentZ);
  return { Pr, Pc, compression, bentY, bentZ, meets };
}

/** What chapter H needs and chapters E and F do not have for the section. */
function uncovered(member: PhysicalMember): string | undefined {
  const beyond = beyondE7(member.section);
  if (beyond) return beyond;
  const axes = member.section.kind === 'angle' ? (['u', 'v'] as const) : (['y', 'z'] as const);
  return axes.every((axis) => flexureRule(member, axis)) ? undefined : tooSlender(member.section);
}

/**
 * Doubly and singly symmetric members in flexure and axial force, H1.1 (compression) and H1.2 (tension): the largest force with the
 * largest moments of one combination.
 */
export const flexureAndForce: MemberCheckRule = {
  scope: 'member',
  clause: 'H1.1 eq. H1-1a',
  title: 'Flexure with axial force',
  covers: (member) => !member.tapered && member.section.kind !== 'angle' && (uncovered(member) ?? true),
  evaluate(member, state, log) {
    const { Pr, Pc, compression, bentY, bentZ, meets } = situation(member, state);
    if (!meets) return undefined;
    const y = bentY ? flexuralStrength(member, 'y', state) : undefined;
    const z = bentZ ? flexuralStrength(member, 'z', state) : undefined;
    const axial = Pr / Pc;
    const moments = (y ? y.demand / y.capacity : 0) + (z ? z.demand / z.capacity : 0);
    const large = axial >= 0.2;
    const demand = large ? axial + (8 / 9) * moments : axial / 2 + moments;
    logTerms(member, { Pr, Pc, y, z }, log);
    log?.(
      'left side',
      demand,
      '',
      large ? 'Pr/Pc + 8/9·(Mrx/Mcx + Mry/Mcy)' : 'Pr/(2·Pc) + (Mrx/Mcx + Mry/Mcy)',
      `H1.${compression ? 1 : 2}`,
    );
    return {
      demand,
      capacity: 1,
      x: y?.x ?? z?.x ?? 0,
      clause: `H1.${compression ? 1 : 2} eq. H1-1${large ? 'a' : 'b'}`,
    };
  },
};

interface Terms {
  readonly Pr: number;
  readonly Pc: number;
  readonly y: { demand: number; capacity: number } | undefined;
  readonly z: { demand: number; capacity: number } | undefined;
}

function logTerms(member: PhysicalMember, { Pr, Pc, y, z }: Terms, log?: StepLog): void {
  const [major, minor] = member.section.kind === 'angle' ? ['w', 'z'] : ['x', 'y'];
  log?.('Pr', Pr, 'N', 'largest along the member, analysis');
  log?.('Pc', Pc, 'N', 'φ·Pn of chapter D or E');
  if (y) {
    log?.(`Mr${major}`, y.demand, 'N·m', 'largest along the member, analysis');
    log?.(`Mc${major}`, y.capacity, 'N·m', 'φ·Mn of chapter F');
  }
  if (z) {
    log?.(`Mr${minor}`, z.demand, 'N·m', 'largest along the member, analysis');
    log?.(`Mc${minor}`, z.capacity, 'N·m', 'φ·Mn of chapter F');
  }
}

/** Unsymmetric members (angles), H2: the sum of the ratios about the principal axes. */
export const unsymmetric: MemberCheckRule = {
  scope: 'member',
  clause: 'H2 eq. H2-1',
  title: 'Flexure with axial force about the principal axes',
  covers: (member) => !member.tapered && member.section.kind === 'angle' && (uncovered(member) ?? true),
  evaluate(member, state, log) {
    const { Pr, Pc, bentY, bentZ } = situation(member, state);
    if (!bentY && !bentZ) return undefined;
    const u = flexuralStrength(member, 'u', state)!;
    const v = flexuralStrength(member, 'v', state)!;
    const demand = Pr / Pc + u.demand / u.capacity + v.demand / v.capacity;
    logTerms(member, { Pr, Pc, y: u, z: v }, log);
    log?.('left side', demand, '', 'Pr/Pc + Mrw/Mcw + Mrz/Mcz', 'H2 eq. H2-1');
    return { demand, capacity: 1, x: u.x };
  },
};

/** C of H3.1: of rectangular hollow sections by its user note, as the tables have it; of others their modulus. m³ */
function torsionalConstant(s: CheckSection): { C: number; from: string } {
  if (s.shape.type === 'rectangular-hollow') {
    const { h, b, t } = s.shape;
    return {
      C: 2 * (b - t) * (h - t) * t - 4.5 * (4 - Math.PI) * t ** 3,
      from: '2·(B − t)·(H − t)·t − 4.5·(4 − π)·t³',
    };
  }
  const { Wt, from } = torsionModulus(s);
  return { C: Wt, from };
}

/** φ·Tn of hollow sections, H3.1; of open ones the shear stress of uniform torsion, H3.3. N·m */
function torsionalStrength(member: PhysicalMember, log?: StepLog): { capacity: number; clause: string } {
  const { section: s } = member;
  const { C, from } = torsionalConstant(s);
  logSteel(s, log);
  let Fcr = 0.6 * s.fy;
  if (s.kind === 'tube') {
    const slender = s.h / s.tw;
    const first = (1.23 * s.E) / (Math.sqrt(member.length / s.h) * slender ** 1.25);
    Fcr = Math.min(Fcr, Math.max(first, (0.6 * s.E) / slender ** 1.5));
  } else if (s.kind === 'box') {
    const ratio = Math.max((s.h - 3 * s.tw) / s.tw, (s.b - 3 * s.tf) / s.tf);
    const q = Math.sqrt(s.E / s.fy);
    if (ratio > 3.07 * q) Fcr = (0.458 * Math.PI ** 2 * s.E) / ratio ** 2;
    else if (ratio > 2.45 * q) Fcr = (0.6 * s.fy * 2.45 * q) / ratio;
  }
  const hollow = s.kind === 'tube' || s.kind === 'box';
  log?.('C', C, 'm3', from);
  log?.('Fcr', Fcr, 'N/m2', 'shear yielding or buckling', hollow ? 'H3.1' : 'H3.3 eq. H3-8');
  log?.('φ·Tn', phi * Fcr * C, 'N·m', '0.90·Fcr·C', hollow ? 'H3.1 eq. H3-1' : 'H3.3');
  return { capacity: phi * Fcr * C, clause: hollow ? 'H3.1' : 'H3.3 eq. H3-8' };
}

/** Torsion, H3. */
export const torsion: SectionCheck = {
  scope: 'section',
  clause: 'H3.1',
  title: 'Torsion',
  axis: 'T',
  by: 'T',
  steady: true,
  covers: () => true,
  evaluate(s, f, member, log) {
    const T = Math.abs(f.T);
    if (!(T > 1e-7 * Math.min(s.p.Wely, s.p.Welz) * s.fy)) return undefined;
    const { capacity, clause } = torsionalStrength(member, log);
    log?.('Tr', T, 'N·m', 'analysis');
    return { demand: T, capacity, clause };
  },
};
