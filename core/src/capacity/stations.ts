import { rootsBetween, type MemberField } from '../analysis/index.js';
import { forceExtremes } from '../results/index.js';
import type { Forces, MemberState } from './check.js';

/** A place of a member with its forces. `segment` tells on which side of a jump. */
export interface Place {
  readonly x: number;
  readonly segment: number;
  readonly forces: Forces;
}

const inner = [0.25, 0.5, 0.75];

/**
 * Places where a condition can be at its worst: both sides of every break, where the moments turn, and quarters between;
 * what lies between them is found by {@link worstBetween}.
 */
export function places(field: MemberField): Place[] {
  const out: Place[] = [];
  const { breaks, forceTerms: terms, forces } = field;
  for (let s = 0; s + 1 < breaks.length; s++) {
    const h = breaks[s + 1]! - breaks[s]!;
    const at = [0];
    for (const share of inner) at.push(share * h);
    for (const k of [4, 5]) {
      const from = terms * (6 * s + k);
      if (terms <= 4) turns(forces[from + 1]!, forces[from + 2]!, forces[from + 3] ?? 0, h, at);
      else {
        const derivative = Float64Array.from({ length: terms - 1 }, (_, i) => (i + 1) * forces[from + i + 1]!);
        at.push(...rootsBetween(derivative, 0, h));
      }
    }
    at.push(h);
    at.sort((a, b) => a - b);
    let last = -1;
    for (const t of at) {
      if (t - last < 1e-9 * h) continue;
      last = t;
      out.push({ x: breaks[s]! + t, segment: s, forces: forcesAt(field, s, t) });
    }
  }
  return out;
}

/** Roots of c1 + 2·c2·t + 3·c3·t² inside (0, h). */
function turns(c1: number, c2: number, c3: number, h: number, out: number[]): void {
  const square = c2 * c2 - 3 * c3 * c1;
  if (square < 0 || (c2 === 0 && c3 === 0)) return;
  const q = -(c2 + (c2 < 0 ? -1 : 1) * Math.sqrt(square));
  for (const t of [c1 / q, q / (3 * c3)]) if (t > 0 && t < h) out.push(t);
}

/** Forces on a segment at t from its start. */
export function forcesAt(field: MemberField, segment: number, t: number): Forces {
  const { forceTerms: terms, forces } = field;
  const base = 6 * terms * segment;
  const value = (k: number): number => {
    const at = base + terms * k;
    let sum = 0;
    for (let i = terms - 1; i >= 0; i--) sum = sum * t + forces[at + i]!;
    return sum;
  };
  return { N: value(0), Vy: value(1), Vz: value(2), T: value(3), My: value(4), Mz: value(5) };
}

/** Forces at x of the member, on the segment that begins there (the last at its end). */
export function forcesAtX(field: MemberField, x: number): Forces {
  let s = 0;
  while (s < field.breaks.length - 2 && x >= field.breaks[s + 1]!) s++;
  return forcesAt(field, s, x - field.breaks[s]!);
}

const golden = (Math.sqrt(5) - 1) / 2;

/** The place between two places of one segment where `value` is greatest, by golden section. */
export function worstBetween(
  field: MemberField,
  segment: number,
  from: number,
  to: number,
  value: (place: Place) => number,
): { place: Place; value: number } {
  const start = field.breaks[segment]!;
  const at = (x: number): Place => ({ x, segment, forces: forcesAt(field, segment, x - start) });
  let [a, b] = [from, to];
  let left = at(b - golden * (b - a));
  let right = at(a + golden * (b - a));
  let [fLeft, fRight] = [value(left), value(right)];
  for (let i = 0; i < 24; i++)
    if (fLeft >= fRight) {
      b = right.x;
      [right, fRight] = [left, fLeft];
      left = at(b - golden * (b - a));
      fLeft = value(left);
    } else {
      a = left.x;
      [left, fLeft] = [right, fRight];
      right = at(a + golden * (b - a));
      fRight = value(right);
    }
  return fLeft >= fRight ? { place: left, value: fLeft } : { place: right, value: fRight };
}

/** A member's forces in one combination with their extremes. */
export function memberState(id: string, field: MemberField, buckling?: MemberState['buckling']): MemberState {
  const N = forceExtremes(field, 'N').min;
  const largest = (name: 'My' | 'Mz') => {
    const { min, max } = forceExtremes(field, name);
    const { x, value } = -min.value > max.value ? min : max;
    return { value: Math.abs(value), x, signed: value };
  };
  return {
    id,
    field,
    compression: { value: Math.max(0, -N.value), x: N.x },
    My: largest('My'),
    Mz: largest('Mz'),
    ...(buckling ? { buckling } : {}),
  };
}
