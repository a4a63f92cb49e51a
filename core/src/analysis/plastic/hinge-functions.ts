import type { Frame } from '../frame/frame.js';
import type { MemberField } from '../member-field.js';
import { polynomialAt } from '../polynomial.js';
import type { FrameState } from '../first-order/states.js';

/** N and My of a field at x. */
export function sectionForces(field: MemberField, x: number, before: boolean): { N: number; M: number } {
  const { breaks, forces, forceTerms: terms } = field;
  let s = 0;
  while (s + 2 < breaks.length && (before ? x > breaks[s + 1]! : x >= breaks[s + 1]!)) s++;
  const t = x - breaks[s]!;
  return {
    N: polynomialAt(forces, 6 * terms * s, terms, t),
    M: polynomialAt(forces, 6 * terms * s + 4 * terms, terms, t),
  };
}

/**
 * Turn of a hinge by a unit of the loads in the sense of its moment: positive where a sagging hinge opens downwards.
 * Between the section's rotation inside and the node's outside.
 */
export function hingeTurn(frame: Frame, state: FrameState, m: number, side: 'before' | 'behind'): number {
  const field = state.field(m);
  const last = field.breaks.length - 2;
  const s = side === 'behind' ? 0 : last;
  const t = side === 'behind' ? 0 : field.breaks[last + 1]! - field.breaks[last]!;
  const D = field.displacementTerms;
  const at = D * (4 * s + 2);
  let slope = 0;
  for (let k = D - 1; k >= 1; k--) slope = slope * t + k * field.displacements[at + k]!;
  const V = polynomialAt(field.forces, field.forceTerms * (6 * s + 2), field.forceTerms, t);
  const shear = frame.rigidity[6 * m + 5]!;
  const section = slope + (shear > 0 ? V / shear : 0);
  const n = side === 'behind' ? frame.start[m]! : frame.end[m]!;
  const axis = 9 * m + 3;
  let about = 0;
  for (let k = 0; k < 3; k++) about += frame.axes[axis + k]! * state.displacements[6 * n + 3 + k]!;
  const node = -about;
  // A sagging hinge grows where the slope behind it exceeds the one before
  return side === 'behind' ? section - node : node - section;
}

/** Cubic through four points, coefficients of t. */
export function throughFour(t: readonly number[], y: readonly number[]): Float64Array {
  const out = new Float64Array(4);
  t.forEach((ti, i) => {
    let c = [y[i]!];
    t.forEach((tj, j) => {
      if (i === j) return;
      const next = new Array<number>(c.length + 1).fill(0);
      c.forEach((value, k) => {
        next[k]! -= (value * tj) / (ti - tj);
        next[k + 1]! += value / (ti - tj);
      });
      c = next;
    });
    c.forEach((value, k) => (out[k]! += value));
  });
  return out;
}
