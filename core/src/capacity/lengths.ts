import type { MemberState, StepLog } from './check.js';
import type { PhysicalMember } from './physical-member.js';

/** Buckling length about y or z, m: given, from the buckling analysis, or the member's own. */
export function bucklingLength(
  member: PhysicalMember,
  axis: 'y' | 'z',
  state: MemberState,
  log?: StepLog,
): number {
  const given = axis === 'y' ? member.design.Lcy : member.design.Lcz;
  const symbol = `Lcr,${axis}`;
  if (member.design.lengths === 'buckling-analysis' && state.buckling) {
    log?.('αcr', state.buckling.factor, '', 'lowest mode that moves the member', '5.2.1(3)');
    log?.(symbol, state.buckling[axis], 'm', 'π·√(E·I/(αcr·NEd)), buckling analysis', '6.3.1.3(1)');
    return state.buckling[axis];
  }
  if (given !== undefined) {
    log?.(symbol, given, 'm', given === 0 ? 'given: held throughout' : 'given');
    return given;
  }
  log?.(symbol, member.length, 'm', 'the member’s own length');
  return member.length;
}

/** Torsional buckling length, m: given, else as about z. */
export function torsionalLength(member: PhysicalMember, state: MemberState, log?: StepLog): number {
  const { LT } = member.design;
  if (LT === undefined) return bucklingLength(member, 'z', state, log);
  log?.('LT', LT, 'm', 'given');
  return LT;
}

/** A stretch between lateral restraints of the compression flange. */
export interface Stretch {
  readonly from: number;
  readonly to: number;
  /** Length that counts, m. */
  readonly length: number;
  readonly how: string;
}

/**
 * Stretches between lateral restraints: those between the restraints named, or equal ones of the LLT given, or the whole member.
 * Empty where the flange is held throughout. A length that does not divide the member is taken on both sides of the largest My.
 */
export function lateralStretches(member: PhysicalMember, state: MemberState): Stretch[] {
  const { LLT } = member.design;
  const L = member.length;
  if (LLT === 0) return [];
  if (LLT === undefined) {
    const { restraints } = member;
    return restraints
      .slice(1)
      .map((to, i) => ({ from: restraints[i]!, to, length: to - restraints[i]!, how: 'between restraints' }));
  }
  if (LLT >= L * 0.999) return [{ from: 0, to: L, length: LLT, how: 'given' }];
  const count = Math.round(L / LLT);
  if (Math.abs(L / count - LLT) < 0.01 * LLT)
    return Array.from({ length: count }, (_, i) => ({
      from: (i * L) / count,
      to: ((i + 1) * L) / count,
      length: LLT,
      how: 'given, equal parts of the member',
    }));
  const from = Math.min(L - LLT, Math.max(0, state.My.x - LLT / 2));
  return [{ from, to: from + LLT, length: LLT, how: 'given, about the largest moment' }];
}
