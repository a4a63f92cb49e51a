import type { Frame, MemberField } from '../analysis/index.js';
import { forceAt, forceNames, globalDisplacementAt, type ForceName } from './member-functions.js';

/** Internal forces and displacement at one place of a member; u is global. */
export type Station = { x: number; u: [number, number, number] } & Record<ForceName, number>;

/**
 * Values at `count` equally spaced places and on both sides of every jump of an internal force, in order of x.
 *
 * @param count at least 2
 */
export function memberStations(frame: Frame, field: MemberField, member: number, count: number): Station[] {
  const L = frame.length[member]!;
  const out: Station[] = [];
  const jumps = [...field.breaks].slice(1, -1).filter((_, s) => isJump(field, s + 1));
  const regular = Array.from({ length: count }, (_, i) => (L * i) / (count - 1));
  const at = (x: number, before: boolean): Station => {
    const forces = Object.fromEntries(
      forceNames.map((name) => [name, forceAt(field, name, x, before)]),
    ) as Record<ForceName, number>;
    return { x, ...forces, u: globalDisplacementAt(frame, field, member, x) };
  };
  const near = (x: number) => jumps.find((jump) => Math.abs(jump - x) <= 1e-9 * L);
  const places = [...regular.filter((x) => near(x) === undefined), ...jumps].sort((a, b) => a - b);
  for (const x of places) {
    if (jumps.includes(x)) out.push(at(x, true));
    out.push(at(x, false));
  }
  return out;
}

function isJump(field: MemberField, s: number): boolean {
  const x = field.breaks[s]!;
  return forceNames.some((name, k) => {
    const before = forceAt(field, name, x, true);
    const after = field.forces[field.forceTerms * (6 * s + k)]!;
    return Math.abs(after - before) > 1e-9 * Math.max(Math.abs(before), Math.abs(after));
  });
}
