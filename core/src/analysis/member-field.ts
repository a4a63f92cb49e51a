import type { Frame } from './frame.js';

/**
 * Functions along one member, exact: on each segment between breaks every internal force is a polynomial of the distance
 * t from the segment's start, up to cubic, and every displacement up to the fifth degree.
 *
 * `forces`: 6 × 4 coefficients a segment, in the order N, Vy, Vz, T, My, Mz (N, N·m).
 * `displacements`: 4 × 6 coefficients a segment, in the order u, v, w (m, local axes), φ (rad, twist about x).
 */
export interface MemberField {
  /** Ends of the segments, m from the member's start: 0 … length. */
  readonly breaks: Float64Array;
  readonly forces: Float64Array;
  readonly displacements: Float64Array;
}

export const forceTerms = 4;
export const displacementTerms = 6;
export const segmentSize = 24;

/** Initial strains of a member: axial, and curvatures w″ and v″ (1/m) that loads without force cause. */
export type InitialStrain = readonly [axial: number, curvatureW: number, curvatureV: number];

/**
 * Adds the part of the forces that the state at the member's start causes: constants, and moments that grow with shear.
 *
 * @param start N, Vy, Vz, T, My, Mz at x = 0, from `at` on
 */
export function addStartForces(
  forces: Float64Array,
  breaks: Float64Array,
  start: Float64Array,
  at: number,
): void {
  for (let s = 0; s + 1 < breaks.length; s++) {
    const base = segmentSize * s;
    for (let k = 0; k < 6; k++) forces[base + forceTerms * k]! += start[at + k]!;
    forces[base + 16]! += start[at + 2]! * breaks[s]!;
    forces[base + 17]! += start[at + 2]!;
    forces[base + 20]! += start[at + 1]! * breaks[s]!;
    forces[base + 21]! += start[at + 1]!;
  }
}

/**
 * Integrates forces into displacements from the start on: u′ = N/EA + ε, slope′ = M/EI + κ, w′ = slope − V/GAv,
 * φ′ = T/GJ. The slope of w is −θy, that of v is +θz.
 *
 * @param start u, v, w, φ, θy, θz at x = 0 inside the member's hinges, from `at` on
 * @returns the displacements' coefficients, and the six freedoms at the member's end
 */
export function integrate(
  frame: Frame,
  member: number,
  breaks: Float64Array,
  forces: Float64Array,
  strain: InitialStrain,
  start: Float64Array,
  at: number,
): { displacements: Float64Array; end: Float64Array } {
  const r = 6 * member;
  const flexible = (k: number) => (frame.rigidity[r + k]! > 0 ? 1 / frame.rigidity[r + k]! : 0);
  const axial = flexible(0);
  // A bar stays straight whatever its loads
  const bends = frame.axialOnly[member] ? 0 : 1;
  const bendY = bends * flexible(1);
  const bendZ = bends * flexible(2);
  const twist = flexible(3);
  const shearY = bends * flexible(4);
  const shearZ = bends * flexible(5);
  const count = breaks.length - 1;
  const out = new Float64Array(segmentSize * count);
  let u = start[at]!;
  let v = start[at + 1]!;
  let w = start[at + 2]!;
  let phi = start[at + 3]!;
  let slopeW = -start[at + 4]!;
  let slopeV = start[at + 5]!;
  for (let s = 0; s < count; s++) {
    const f = segmentSize * s;
    const t = breaks[s + 1]! - breaks[s]!;
    out[f] = u;
    out[f + 18] = phi;
    for (let k = 0; k < 4; k++) {
      out[f + 1 + k] = (axial * forces[f + k]! + (k === 0 ? strain[0] : 0)) / (k + 1);
      out[f + 19 + k] = (twist * forces[f + 12 + k]!) / (k + 1);
    }
    slopeV = bend(out, f + 6, v, slopeV, forces, f + 20, f + 4, bendZ, shearY, strain[2], t);
    slopeW = bend(out, f + 12, w, slopeW, forces, f + 16, f + 8, bendY, shearZ, strain[1], t);
    u = horner(out, f, t);
    v = horner(out, f + 6, t);
    w = horner(out, f + 12, t);
    phi = horner(out, f + 18, t);
  }
  return { displacements: out, end: Float64Array.of(u, v, w, phi, -slopeW, slopeV) };
}

/** One plane of bending over one segment; returns the slope at its end. */
function bend(
  out: Float64Array,
  at: number,
  deflection: number,
  slope: number,
  forces: Float64Array,
  moment: number,
  shear: number,
  flexibility: number,
  shearFlexibility: number,
  curvature: number,
  t: number,
): number {
  out[at] = deflection;
  out[at + 1] = slope - shearFlexibility * forces[shear]!;
  let endSlope = slope;
  let power = t;
  for (let k = 0; k < 4; k++) {
    const rate = (flexibility * forces[moment + k]! + (k === 0 ? curvature : 0)) / (k + 1);
    endSlope += rate * power;
    power *= t;
    out[at + 2 + k] = rate / (k + 2);
  }
  for (let k = 1; k < 4; k++) out[at + 1 + k]! -= (shearFlexibility * forces[shear + k]!) / (k + 1);
  return endSlope;
}

function horner(c: Float64Array, at: number, t: number): number {
  let value = 0;
  for (let k = displacementTerms - 1; k >= 0; k--) value = value * t + c[at + k]!;
  return value;
}
