import { derivative, polynomialAt, rootsBetween, type MemberField } from '../../analysis/index.js';
import { forceExtremesInto } from '../../results/index.js';
import type { ExtremeForce, Forces, MemberState } from '../check.js';

/** A place of a member with its forces. `segment` tells on which side of a jump. */
export interface Place {
  readonly x: number;
  readonly segment: number;
  readonly forces: Forces;
}

/**
 * Places where a condition can be at its worst: both sides of every break, where the moments turn, and thirds between;
 * what lies between them is found by {@link worstBetween}.
 *
 * @param zeros also where moments change their sign: there a section is in the class of compression alone, over a short length
 */
export function places(field: MemberField, zeros = false): Place[] {
  const out: Place[] = [];
  const { breaks, forceTerms: terms, forces } = field;
  for (let s = 0; s + 1 < breaks.length; s++) {
    const h = breaks[s + 1]! - breaks[s]!;
    const at = [0, h / 3, (2 * h) / 3];
    for (const k of [4, 5]) {
      const from = terms * (6 * s + k);
      if (terms <= 4) cubicTurns(forces[from + 1]!, forces[from + 2]!, forces[from + 3] ?? 0, h, at);
      else at.push(...rootsBetween(derivative(forces.subarray(from, from + terms)), 0, h));
      if (zeros) at.push(...rootsBetween(forces.subarray(from, from + terms), 0, h));
    }
    at.push(h);
    ascend(at);
    let last = -1;
    for (const t of at) {
      if (t - last < 1e-9 * h) continue;
      last = t;
      out.push({ x: breaks[s]! + t, segment: s, forces: forcesAt(field, s, t) });
    }
  }
  return out;
}

/** Changes that are looked for between two neighbouring places. */
const mostChanges = 3;
/** How near to a change a place is found, as a share of the distance between the places beside it. */
const changeRounds = 30;

/**
 * The places with two more beside each change of a whole number that goes by the forces of a place: the last before and the first
 * behind it. What is at its worst just there would be missed between the places.
 */
export function withChanges(
  field: MemberField,
  list: readonly Place[],
  of: (place: Place) => number,
): Place[] {
  const out: Place[] = [];
  list.forEach((place, i) => {
    let before = list[i - 1];
    // Between two values others may lie, each over a short length
    for (let k = 0; k < mostChanges && before?.segment === place.segment && of(before) !== of(place); k++) {
      const start = field.breaks[place.segment]!;
      const at = (x: number): Place => ({
        x,
        segment: place.segment,
        forces: forcesAt(field, place.segment, x - start),
      });
      let [low, high]: [Place, Place] = [before, place];
      for (let round = 0; round < changeRounds; round++) {
        const middle = at((low.x + high.x) / 2);
        if (of(middle) === of(before)) low = middle;
        else high = middle;
      }
      out.push(low, high);
      before = high;
    }
    out.push(place);
  });
  return out;
}

/** Sorts a few numbers that are nearly in order. */
function ascend(list: number[]): void {
  for (let i = 1; i < list.length; i++) {
    const value = list[i]!;
    let k = i;
    for (; k > 0 && list[k - 1]! > value; k--) list[k] = list[k - 1]!;
    list[k] = value;
  }
}

/** Where a cubic with coefficients c1 … c3 turns inside (0, h): roots of c1 + 2·c2·t + 3·c3·t². */
export function cubicTurns(c1: number, c2: number, c3: number, h: number, out: number[]): void {
  const square = c2 * c2 - 3 * c3 * c1;
  if (square < 0 || (c2 === 0 && c3 === 0)) return;
  const q = -(c2 + (c2 < 0 ? -1 : 1) * Math.sqrt(square));
  for (const t of [c1 / q, q / (3 * c3)]) if (t > 0 && t < h) out.push(t);
}

/** Forces on a segment at t from its start. */
export function forcesAt(field: MemberField, segment: number, t: number): Forces {
  const { forceTerms: terms, forces } = field;
  const at = 6 * terms * segment;
  return {
    N: polynomialAt(forces, at, terms, t),
    Vy: polynomialAt(forces, at + terms, terms, t),
    Vz: polynomialAt(forces, at + 2 * terms, terms, t),
    T: polynomialAt(forces, at + 3 * terms, terms, t),
    My: polynomialAt(forces, at + 4 * terms, terms, t),
    Mz: polynomialAt(forces, at + 5 * terms, terms, t),
  };
}

/** Forces at x of the member, on the segment that begins there (the last at its end). */
export function forcesAtX(field: MemberField, x: number): Forces {
  let s = 0;
  while (s < field.breaks.length - 2 && x >= field.breaks[s + 1]!) s++;
  return forcesAt(field, s, x - field.breaks[s]!);
}

const golden = (Math.sqrt(5) - 1) / 2;

/**
 * The place between two places of one segment where `value` is greatest, by golden section. Where two places are as bad as one another
 * it goes on towards `known`, the end that is known to count: beyond a change of class nothing may be there to check.
 */
export function worstBetween(
  field: MemberField,
  segment: number,
  { known, other }: { readonly known: number; readonly other: number },
  value: (place: Place) => number,
): { place: Place; value: number } {
  const [from, to] = known < other ? [known, other] : [other, known];
  const prefersLeft = (left: number, right: number) => (known < other ? left >= right : left > right);
  const start = field.breaks[segment]!;
  const at = (x: number): Place => ({ x, segment, forces: forcesAt(field, segment, x - start) });
  let [a, b] = [from, to];
  let left = at(b - golden * (b - a));
  let right = at(a + golden * (b - a));
  let [fLeft, fRight] = [value(left), value(right)];
  for (let i = 0; i < 24; i++)
    if (prefersLeft(fLeft, fRight)) {
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

/** x and value of a smallest, then of a largest force. */
const found = new Float64Array(4);

function largest(field: MemberField, name: 'Vy' | 'Vz' | 'T' | 'My' | 'Mz'): ExtremeForce {
  forceExtremesInto(field, name, found);
  const at = -found[1]! > found[3]! ? 0 : 2;
  const signed = found[at + 1]!;
  return { value: Math.abs(signed), x: found[at]!, signed };
}

/** A member's forces in one combination with their extremes. */
export function memberState(
  id: string,
  field: MemberField,
  more: Pick<MemberState, 'buckling' | 'situation'> = {},
): MemberState {
  const { breaks } = field;
  return stateOf({ ...more, id, field, from: breaks[0]!, to: breaks[breaks.length - 1]! });
}

/** The state of a part of a member that begins and ends at breaks; the whole member's where it is the whole. */
export function stateWithin(state: MemberState, from: number, to: number): MemberState {
  const near = 1e-9 * (state.to - state.from);
  if (from <= state.from + near && to >= state.to - near) return state;
  const { field, id, buckling, situation } = state;
  const { breaks, forces, forceTerms } = field;
  let first = 0;
  while (first < breaks.length - 2 && breaks[first + 1]! <= from + near) first++;
  let last = first;
  while (last < breaks.length - 2 && breaks[last + 1]! < to - near) last++;
  const part: MemberField = Object.assign(Object.create(field) as MemberField, {
    breaks: breaks.subarray(first, last + 2),
    forces: forces.subarray(6 * forceTerms * first, 6 * forceTerms * (last + 1)),
  });
  const more = { ...(buckling ? { buckling } : {}), ...(situation === undefined ? {} : { situation }) };
  return stateOf({ ...more, id, field: part, from, to });
}

function stateOf(
  part: Pick<MemberState, 'id' | 'field' | 'from' | 'to' | 'buckling' | 'situation'>,
): MemberState {
  const { field } = part;
  forceExtremesInto(field, 'N', found);
  const extremes = {
    tension: { value: Math.max(0, found[3]!), x: found[2]!, signed: found[3]! },
    compression: { value: Math.max(0, -found[1]!), x: found[0]!, signed: found[1]! },
    Vy: largest(field, 'Vy'),
    Vz: largest(field, 'Vz'),
    T: largest(field, 'T'),
    My: largest(field, 'My'),
    Mz: largest(field, 'Mz'),
  };
  const { compression, My, Mz } = extremes;
  return { ...part, extremes, compression, My, Mz, memo: new Map() };
}

/** The place at x on the side of a jump where a force is the one wanted. */
export function placeOf(
  field: MemberField,
  x: number,
  wanted: (forces: Forces) => number,
  value: number,
): Place {
  const { breaks } = field;
  const last = breaks.length - 2;
  // An end found as start + length of a segment may miss the next break by rounding
  const slack = 1e-12 * Math.abs(breaks[last + 1]!);
  const on = (segment: number): Place => ({
    x,
    segment,
    forces: forcesAt(field, segment, x - breaks[segment]!),
  });
  let before = 0;
  while (before < last && x > breaks[before + 1]! + slack) before++;
  const first = on(before);
  if (before === last || x < breaks[before + 1]! - slack) return first;
  const second = on(before + 1);
  return Math.abs(wanted(second.forces) - value) < Math.abs(wanted(first.forces) - value) ? second : first;
}
