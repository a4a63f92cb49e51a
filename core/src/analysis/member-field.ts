import type { Frame } from './frame/frame.js';
import { flexibilityCount, type Flexibility } from './frame/taper.js';

/**
 * Functions along one member: on each segment between breaks every internal force and every displacement is a polynomial
 * of the distance t from the segment's start. First order: exact. Second order: series, exact to rounding.
 *
 * `forces`: 6 × `forceTerms` coefficients a segment, in the order N, Vy, Vz, T, My, Mz (N, N·m).
 * `displacements`: 4 × `displacementTerms` coefficients a segment, in the order u, v, w (m, local axes), φ (rad, twist).
 */
export interface MemberField {
  /** Ends of the segments, m from the member's start: 0 … length. */
  readonly breaks: Float64Array;
  readonly forceTerms: number;
  readonly forces: Float64Array;
  readonly displacementTerms: number;
  readonly displacements: Float64Array;
}

/** Force terms of a uniform member: loads vary linearly, so moments are cubic. */
export const uniformForceTerms = 4;
/** Force terms of a taper: its weight varies with the square of x. */
export const taperForceTerms = 5;

/** Initial strains of a member: axial, and curvatures w″ and v″ (1/m) that loads without force cause. */
export type InitialStrain = readonly [axial: number, curvatureW: number, curvatureV: number];

/** Places where one end of a cut moves against the other: u, v, w, φ, θy, θz by which the part behind jumps. */
export interface Dislocation {
  /** Segment before which it lies. */
  readonly segment: number;
  readonly by: Float64Array;
}

/** Forces along a member, on segments between breaks and laid out as in `MemberField`, and what strains it without force. */
export interface StrainedForces {
  readonly breaks: Float64Array;
  /** Coefficients a force and segment. */
  readonly terms: number;
  readonly forces: Float64Array;
  readonly strain: InitialStrain;
  readonly dislocations: readonly Dislocation[];
}

/** What a member's displacements follow from. */
export interface Integrand extends StrainedForces {
  readonly flexibility: Flexibility;
  /** A bar: it stays straight whatever its loads. */
  readonly straight: boolean;
}

/**
 * Adds the part of the forces that the state at the member's start causes: constants, and moments that grow with shear.
 *
 * @param start N, Vy, Vz, T, My, Mz at x = 0, from `at` on
 */
export function addStartForces(
  forces: Float64Array,
  terms: number,
  breaks: Float64Array,
  start: Float64Array,
  at: number,
): void {
  for (let s = 0; s + 1 < breaks.length; s++) {
    const base = 6 * terms * s;
    for (let k = 0; k < 6; k++) forces[base + terms * k]! += start[at + k]!;
    forces[base + 4 * terms]! += start[at + 2]! * breaks[s]!;
    forces[base + 4 * terms + 1]! += start[at + 2]!;
    forces[base + 5 * terms]! += start[at + 1]! * breaks[s]!;
    forces[base + 5 * terms + 1]! += start[at + 1]!;
  }
}

/** Flexibility of a member on the segments between `breaks`. */
export function memberFlexibility(frame: Frame, member: number, breaks: Float64Array): Flexibility {
  const taper = frame.tapers.get(member);
  if (taper) return taper.flexibility(breaks);
  const coefficients = new Float64Array(flexibilityCount);
  const r = 6 * member;
  const inverse = (k: number) => (frame.rigidity[r + k]! > 0 ? 1 / frame.rigidity[r + k]! : 0);
  const coupling = frame.coupling[member]!;
  coefficients[0] = inverse(0);
  if (coupling === 0) {
    coefficients[1] = inverse(1);
    coefficients[3] = inverse(2);
  } else {
    const d = frame.rigidity[r + 1]! * frame.rigidity[r + 2]! - coupling * coupling;
    coefficients[1] = frame.rigidity[r + 2]! / d;
    coefficients[2] = -coupling / d;
    coefficients[3] = frame.rigidity[r + 1]! / d;
  }
  coefficients[4] = inverse(3);
  coefficients[5] = inverse(4);
  coefficients[6] = inverse(5);
  return { terms: 1, uniform: true, coefficients };
}

/**
 * Integrates forces into displacements from the start on: u′ = N/EA + ε, slope′ = curvature of M + κ, w′ = slope − V/GAv,
 * φ′ = T/GJ. The slope of w is −θy, that of v is +θz.
 *
 * @param start u, v, w, φ, θy, θz at x = 0 inside the member's hinges, from `at` on
 * @returns the displacements' coefficients, and the six freedoms at the member's end
 */
export function integrate(
  { flexibility, straight, breaks, terms, forces, strain, dislocations }: Integrand,
  start: Float64Array,
  at: number,
): { displacements: Float64Array; displacementTerms: number; end: Float64Array } {
  const { terms: m, coefficients: c } = flexibility;
  const D = terms + m + 1;
  const count = breaks.length - 1;
  const out = new Float64Array(4 * D * count);
  const state = Float64Array.of(
    start[at]!,
    start[at + 1]!,
    start[at + 2]!,
    start[at + 3]!,
    -start[at + 4]!,
    start[at + 5]!,
  );
  const bends = straight ? 0 : 1;
  const rate = new Float64Array(D);
  const other = new Float64Array(D);
  /** rate += factor · the flexibility that begins at `ic` · the force that begins at `f` */
  const strainBy = (ic: number, f: number, factor: number): void => {
    for (let i = 0; i < m; i++) {
      const x = factor * c[ic + i]!;
      if (x !== 0) for (let j = 0; j < terms; j++) rate[i + j]! += x * forces[f + j]!;
    }
  };
  for (let s = 0; s < count; s++) {
    const f = 6 * terms * s;
    const o = 4 * D * s;
    const t = breaks[s + 1]! - breaks[s]!;
    const g = flexibility.uniform ? 0 : flexibilityCount * m * s;
    for (const { segment, by } of dislocations) if (segment === s) jump(state, by);
    // Along the axis and about it
    rate.fill(0);
    strainBy(g, f, 1);
    rate[0]! += strain[0];
    state[0] = antiderivative(rate, state[0]!, out, o, t);
    rate.fill(0);
    strainBy(g + 4 * m, f + 3 * terms, 1);
    state[3] = antiderivative(rate, state[3]!, out, o + 3 * D, t);
    // Bending in the planes of w (My, Vz) and v (Mz, Vy)
    for (let plane = 0; plane < 2; plane++) {
      const own = f + (plane === 0 ? 4 : 5) * terms;
      const cross = f + (plane === 0 ? 5 : 4) * terms;
      const shear = f + (plane === 0 ? 2 : 1) * terms;
      rate.fill(0);
      strainBy(g + (plane === 0 ? 1 : 3) * m, own, bends);
      strainBy(g + 2 * m, cross, bends);
      rate[0]! += bends * strain[1 + plane]!;
      const slope = plane === 0 ? 4 : 5;
      const endSlope = antiderivative(rate, state[slope]!, other, 0, t);
      rate.fill(0);
      strainBy(g + (plane === 0 ? 6 : 5) * m, shear, -bends);
      for (let k = 0; k < D - 1; k++) rate[k]! += other[k]!;
      const deflection = plane === 0 ? 2 : 1;
      state[deflection] = antiderivative(rate, state[deflection]!, out, o + deflection * D, t);
      state[slope] = endSlope;
    }
  }
  for (const { segment, by } of dislocations) if (segment === count) jump(state, by);
  const [u, v, w, phi, slopeW, slopeV] = state as unknown as number[];
  return {
    displacements: out,
    displacementTerms: D,
    end: Float64Array.of(u!, v!, w!, phi!, -slopeW!, slopeV!),
  };
}

/** Moves a state (u, v, w, φ and the slopes of w and v) by a dislocation; the slope of w is −θy. */
function jump(state: Float64Array, by: Float64Array): void {
  for (let k = 0; k < 4; k++) state[k]! += by[k]!;
  state[4]! -= by[4]!;
  state[5]! += by[5]!;
}

/** Writes first + ∫ rate as coefficients; returns its value at t. */
function antiderivative(rate: Float64Array, first: number, out: Float64Array, at: number, t: number): number {
  const D = rate.length;
  out[at] = first;
  for (let k = 1; k < D; k++) out[at + k] = rate[k - 1]! / k;
  let value = 0;
  for (let k = D - 1; k >= 0; k--) value = value * t + out[at + k]!;
  return value;
}

/** A member's functions from its forces; displacements are integrated when first asked for: most readers want forces only. */
export function fieldOf(
  frame: Frame,
  member: number,
  along: StrainedForces,
  start: Float64Array,
): MemberField {
  return new LazyField(frame, member, along, start);
}

class LazyField implements MemberField {
  readonly breaks: Float64Array;
  readonly forceTerms: number;
  readonly forces: Float64Array;
  private integrated: { displacements: Float64Array; displacementTerms: number } | undefined;
  private readonly frame: Frame;
  private readonly member: number;
  private readonly along: StrainedForces;
  private readonly start: Float64Array;

  constructor(frame: Frame, member: number, along: StrainedForces, start: Float64Array) {
    this.breaks = along.breaks;
    this.forceTerms = along.terms;
    this.forces = along.forces;
    this.frame = frame;
    this.member = member;
    this.along = along;
    this.start = start;
  }

  get displacementTerms(): number {
    return this.displaced().displacementTerms;
  }

  get displacements(): Float64Array {
    return this.displaced().displacements;
  }

  private displaced(): { displacements: Float64Array; displacementTerms: number } {
    const { frame, member, along, start } = this;
    return (this.integrated ??= integrate(
      {
        ...along,
        flexibility: memberFlexibility(frame, member, along.breaks),
        straight: frame.axialOnly[member] === 1,
      },
      start,
      6,
    ));
  }
}
