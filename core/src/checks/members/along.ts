import type { MemberField } from '../../analysis/index.js';
import { forceNames, type ForceName } from '../../results/index.js';
import type { CodeRules, MemberState, Reach, SectionCheck } from '../check.js';
import type { PhysicalMember } from './physical-member.js';
import { forcesAt } from './stations.js';

/** A place along a member on one side of a jump: the segment tells which. */
export interface PlaceAlong {
  readonly x: number;
  readonly segment: number;
}

/**
 * Equally spaced places along a member, and both sides of every place where a force jumps.
 *
 * @param more further places, m, that are looked at from both sides
 */
export function placesAlong(field: MemberField, count: number, more: readonly number[] = []): PlaceAlong[] {
  const { breaks } = field;
  const last = breaks.length - 2;
  const length = breaks[last + 1]!;
  const near = 1e-9 * length;
  const doubled = [...jumpsOf(field), ...more].sort((a, b) => a - b);
  const isDoubled = (x: number) => doubled.some((jump) => Math.abs(jump - x) <= near);
  const regular = Array.from({ length: count }, (_, i) => (length * i) / (count - 1)).filter(
    (x) => !isDoubled(x),
  );
  const segmentAt = (x: number, before: boolean): number => {
    let s = 0;
    while (s < last && (before ? x > breaks[s + 1]! + near : x >= breaks[s + 1]! - near)) s++;
    return s;
  };
  return [...regular, ...doubled.filter((x, k) => k === 0 || x - doubled[k - 1]! > near)]
    .sort((a, b) => a - b)
    .flatMap((x) =>
      isDoubled(x)
        ? [true, false].map((before) => ({ x, segment: segmentAt(x, before) }))
        : [{ x, segment: segmentAt(x, false) }],
    );
}

/** Places inside a member where a force jumps, m: by more than a billionth of its greatest value. */
export function jumpsOf(field: MemberField): number[] {
  const { breaks } = field;
  const count = breaks.length - 1;
  const sides = Array.from({ length: count }, (_, s) => ({
    first: forcesAt(field, s, 0),
    last: forcesAt(field, s, breaks[s + 1]! - breaks[s]!),
  }));
  const most = (name: ForceName) =>
    sides.reduce(
      (greatest, { first, last }) => Math.max(greatest, Math.abs(first[name]), Math.abs(last[name])),
      0,
    );
  const small = forceNames.map((name) => 1e-9 * most(name));
  return [...breaks]
    .slice(1, -1)
    .filter((_, k) =>
      forceNames.some((name, n) => Math.abs(sides[k + 1]!.first[name] - sides[k]!.last[name]) > small[n]!),
    );
}

/** The conditions of cross-sections that concern a member under the greatest of its forces. */
export const sectionChecksOf = (code: CodeRules, member: PhysicalMember, reach: Reach): SectionCheck[] =>
  code.checks.filter(
    (check): check is SectionCheck =>
      check.scope === 'section' &&
      check.covers(member) === true &&
      (member.tapered || !check.concerns || check.concerns(member, reach)),
  );

/** Greatest utilisation of conditions at a place of a member; undefined where one of them is not covered. */
export function utilisationAt(
  checks: readonly SectionCheck[],
  member: PhysicalMember,
  { field }: MemberState,
  { x, segment }: PlaceAlong,
): number | undefined {
  const section = member.sectionAt(x);
  const forces = forcesAt(field, segment, x - field.breaks[segment]!);
  let greatest = 0;
  for (const check of checks) {
    const verdict = check.evaluate(section, forces, member);
    if (!verdict) continue;
    if ('reason' in verdict) return undefined;
    greatest = Math.max(greatest, verdict.demand / verdict.capacity);
  }
  return greatest;
}
