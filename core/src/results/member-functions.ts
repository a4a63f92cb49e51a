import { derivative, polynomialAt, rootsBetween, type Frame, type MemberField } from '../analysis/index.js';

/** Internal forces in the order of a member field. */
export const forceNames = ['N', 'Vy', 'Vz', 'T', 'My', 'Mz'] as const;
export type ForceName = (typeof forceNames)[number];

/** Displacements along a member, in its local axes. */
export const displacementNames = ['u', 'v', 'w', 'phi'] as const;
export type DisplacementName = (typeof displacementNames)[number];

/** Segment that holds x; at a break the segment before it with `before`, else the one after. */
function segmentAt(breaks: Float64Array, x: number, before: boolean): number {
  let s = 0;
  const last = breaks.length - 2;
  while (s < last && (before ? x > breaks[s + 1]! : x >= breaks[s + 1]!)) s++;
  return s;
}

/** Internal force at x (m from the start); at a jump its value just before or just after. N or N·m. */
export function forceAt(field: MemberField, name: ForceName, x: number, before = false): number {
  const s = segmentAt(field.breaks, x, before);
  const terms = field.forceTerms;
  const at = terms * (6 * s + forceNames.indexOf(name));
  return polynomialAt(field.forces, at, terms, x - field.breaks[s]!);
}

/** The polynomial of an internal force on the segment that holds x: Σ cₖ·(x − from)ᵏ, N or N·m. */
export function forceFormula(
  field: MemberField,
  name: ForceName,
  x: number,
  before = false,
): { from: number; coefficients: number[] } {
  const s = segmentAt(field.breaks, x, before);
  const at = field.forceTerms * (6 * s + forceNames.indexOf(name));
  return { from: field.breaks[s]!, coefficients: [...field.forces.subarray(at, at + field.forceTerms)] };
}

/** Displacement at x, local axes, m or rad. */
export function displacementAt(field: MemberField, name: DisplacementName, x: number): number {
  const s = segmentAt(field.breaks, x, false);
  const terms = field.displacementTerms;
  const at = terms * (4 * s + displacementNames.indexOf(name));
  return polynomialAt(field.displacements, at, terms, x - field.breaks[s]!);
}

/** A value and where it is. */
export interface PlacedValue {
  /** m from the member's start. */
  readonly x: number;
  readonly value: number;
}

/** Where a function turns, and the ends of its segments with both values at a jump: all candidates for an extreme. */
function candidates(
  breaks: Float64Array,
  coefficients: Float64Array,
  size: number,
  offset: number,
  terms: number,
): PlacedValue[] {
  const found: PlacedValue[] = [];
  for (let s = 0; s + 1 < breaks.length; s++) {
    const from = breaks[s]!;
    const t = breaks[s + 1]! - from;
    const at = size * s + offset;
    const c = coefficients.subarray(at, at + terms);
    found.push({ x: from, value: c[0]! });
    for (const root of rootsBetween(derivative(c), 0, t))
      found.push({ x: from + root, value: polynomialAt(c, 0, terms, root) });
    found.push({ x: breaks[s + 1]!, value: polynomialAt(c, 0, terms, t) });
  }
  return found;
}

/** Candidates for extremes of an internal force: segment ends and turning points, in order. */
export function forceCandidates(field: MemberField, name: ForceName): PlacedValue[] {
  const terms = field.forceTerms;
  return candidates(field.breaks, field.forces, 6 * terms, terms * forceNames.indexOf(name), terms);
}

/** Smallest and largest value of an internal force along the member, found and not sampled. */
export function forceExtremes(field: MemberField, name: ForceName): { min: PlacedValue; max: PlacedValue } {
  forceExtremesInto(field, name, four);
  return { min: { x: four[0]!, value: four[1]! }, max: { x: four[2]!, value: four[3]! } };
}

const four = new Float64Array(4);

/** The same as x and value of the smallest, then of the largest, into `out`. */
export function forceExtremesInto(field: MemberField, name: ForceName, out: Float64Array): void {
  const terms = field.forceTerms;
  if (terms <= 4) {
    cubicExtremes(field, terms * forceNames.indexOf(name), out);
    return;
  }
  const { min, max } = extremes(forceCandidates(field, name));
  out[0] = min.x;
  out[1] = min.value;
  out[2] = max.x;
  out[3] = max.value;
}

/** Extremes of polynomials up to the third degree: their derivatives' roots are in closed form. */
function cubicExtremes(field: MemberField, offset: number, out: Float64Array): void {
  const { breaks, forces, forceTerms: terms } = field;
  let minX = breaks[0]!;
  let maxX = minX;
  let min = Infinity;
  let max = -Infinity;
  for (let s = 0; s + 1 < breaks.length; s++) {
    const at = 6 * terms * s + offset;
    const from = breaks[s]!;
    const h = breaks[s + 1]! - from;
    const c0 = forces[at]!;
    const c1 = forces[at + 1]!;
    const c2 = forces[at + 2]!;
    const c3 = forces[at + 3]!;
    for (let k = 0; k < 4; k++) {
      let t = 0;
      if (k === 1) t = h;
      else if (k >= 2) {
        // Roots of c1 + 2·c2·t + 3·c3·t², without cancellation
        const square = c2 * c2 - 3 * c3 * c1;
        if (square < 0) break;
        const q = -(c2 + (c2 < 0 ? -1 : 1) * Math.sqrt(square));
        t = k === 2 ? c1 / q : q / (3 * c3);
        if (!(t > 0 && t < h)) continue;
      }
      const value = c0 + (c1 + (c2 + c3 * t) * t) * t;
      if (value < min) {
        min = value;
        minX = k === 1 ? breaks[s + 1]! : from + t;
      }
      if (value > max) {
        max = value;
        maxX = k === 1 ? breaks[s + 1]! : from + t;
      }
    }
  }
  out[0] = minX;
  out[1] = min;
  out[2] = maxX;
  out[3] = max;
}

/** Smallest and largest displacement along the member, local axes. */
export function displacementExtremes(
  field: MemberField,
  name: DisplacementName,
): { min: PlacedValue; max: PlacedValue } {
  const terms = field.displacementTerms;
  const offset = terms * displacementNames.indexOf(name);
  return extremes(candidates(field.breaks, field.displacements, 4 * terms, offset, terms));
}

function extremes(list: readonly PlacedValue[]): { min: PlacedValue; max: PlacedValue } {
  let min = list[0]!;
  let max = list[0]!;
  for (const candidate of list) {
    if (candidate.value < min.value) min = candidate;
    if (candidate.value > max.value) max = candidate;
  }
  return { min, max };
}

/** Displacement of the member's axis at x in global axes, m. */
export function globalDisplacementAt(
  frame: Frame,
  field: MemberField,
  member: number,
  x: number,
): [number, number, number] {
  const local = [
    displacementAt(field, 'u', x),
    displacementAt(field, 'v', x),
    displacementAt(field, 'w', x),
  ] as const;
  const a = 9 * member;
  const column = (k: number) =>
    frame.axes[a + k]! * local[0] + frame.axes[a + 3 + k]! * local[1] + frame.axes[a + 6 + k]! * local[2];
  return [column(0), column(1), column(2)];
}
