import type { Elements } from '../elements.js';
import { clampedStiffness } from '../elements.js';
import type { Frame } from '../frame.js';
import { displaceInside } from '../hinges.js';
import { addStartForces, integrate, memberFlexibility } from '../member-field.js';
import { evaluate } from '../polynomial.js';
import { gaussPoints } from './gauss.js';

/** How many shapes inside a member: bending with κ = Legendre polynomials of degree 2 …, stretch of degree 1 … */
export interface Richness {
  readonly bending: number;
  readonly stretch: number;
}
/** Enough where members buckle or swing between their ends in one or two waves. */
export const usual: Richness = { bending: 4, stretch: 2 };
/** For more waves within one member. */
export const rich: Richness = { bending: 10, stretch: 6 };

/** A member's displacements as functions of its unknowns, tabulated at integration points. */
export interface MemberShapes {
  /** Unknowns inside the member: freedoms behind its hinges, then shapes that vanish at its ends. */
  readonly inner: number;
  /** Stiffness over the inner unknowns; they share none with the ends. */
  readonly Kinner: Float64Array;
  /** Integration points: place (m) and weight (m). */
  readonly x: Float64Array;
  readonly weight: Float64Array;
  /**
   * By point, then field (u, v, w, φ, v′, w′, ψv, ψw), then unknown (12 at the ends, local, then the inner ones):
   * values of the fields under a unit of the unknown.
   */
  readonly table: Float64Array;
}

export const fieldCount = 8;

/**
 * A member's shapes: the exact static response to its ends' displacements, through its hinges, and inside it freedoms
 * behind hinges and polynomials enough for its own buckling and vibration. In energy the inner unknowns are apart from
 * the ends, because a moment without load is linear and the shapes' curvatures are square to linear functions.
 *
 * @param breaks segments on which what is integrated against the shapes is smooth, m
 * @param forModes adds axial and twisting shapes
 */
export function memberShapes(
  frame: Frame,
  elements: Elements,
  m: number,
  breaks: Float64Array,
  forModes: boolean,
  { bending: bendingShapes, stretch: stretchShapes }: Richness,
): MemberShapes {
  const L = frame.length[m]!;
  const steps = elements.hinges.get(m) ?? [];
  const directions = frame.axialOnly[m] ? [] : bendingDirections(frame, m);
  const stretches = forModes && !frame.axialOnly[m] ? (frame.plane ? [0] : [0, 3]) : [];
  const bubbles = bendingShapes * directions.length + stretchShapes * stretches.length;
  const inner = steps.length + bubbles;
  const total = 12 + inner;
  const { x, weight, segment } = integrationPoints(breaks, bendingShapes + 5);
  const table = new Float64Array(x.length * fieldCount * total);
  const at = (point: number, field: number, unknown: number) =>
    (point * fieldCount + field) * total + unknown;

  // Ends: through the hinges to the member's own ends, then along it
  const clamped = clampedStiffness(elements, m);
  const flexibility = memberFlexibility(frame, m, breaks);
  const tabulate = (ends: Float64Array, unknown: number): void => {
    const start = new Float64Array(12);
    if (frame.axialOnly[m]) {
      start.set(ends.subarray(0, 6), 6);
      start[0] = clamped[0]! * (ends[6]! - ends[0]!);
      start[10] = -(ends[8]! - ends[2]!) / L;
      start[11] = (ends[7]! - ends[1]!) / L;
    } else {
      for (let j = 0; j < 12; j++) {
        const e = ends[j]!;
        if (e === 0) continue;
        start[0]! -= clamped[j]! * e;
        start[1]! += clamped[12 + j]! * e;
        start[2]! += clamped[24 + j]! * e;
        start[3]! -= clamped[36 + j]! * e;
        start[4]! += clamped[48 + j]! * e;
        start[5]! -= clamped[60 + j]! * e;
      }
      start.set(ends.subarray(0, 6), 6);
    }
    const forces = new Float64Array(24 * (breaks.length - 1));
    addStartForces(forces, 4, breaks, start, 0);
    const strain = [0, 0, 0] as const;
    const bar = frame.axialOnly[m] === 1;
    const { displacements, displacementTerms: D } = integrate(
      flexibility,
      bar,
      breaks,
      forces,
      4,
      strain,
      [],
      start,
      6,
    );
    for (let p = 0; p < x.length; p++) {
      const s = segment[p]!;
      const t = x[p]! - breaks[s]!;
      const base = 4 * D * s;
      for (let k = 0; k < 4; k++) table[at(p, k, unknown)] = evaluate(displacements, base + k * D, D, t);
      const dv = slopeOf(displacements, base + D, D, t);
      const dw = slopeOf(displacements, base + 2 * D, D, t);
      table[at(p, 4, unknown)] = dv;
      table[at(p, 5, unknown)] = dw;
      const shear = shearFlexibility(flexibility, s, t);
      table[at(p, 6, unknown)] = dv + (bar ? 0 : shear.y * start[1]!);
      table[at(p, 7, unknown)] = dw + (bar ? 0 : shear.z * start[2]!);
    }
  };
  const ends = new Float64Array(12);
  for (let j = 0; j < 12; j++) {
    ends.fill(0);
    ends[j] = 1;
    if (steps.length > 0) displaceInside(steps, undefined, ends);
    tabulate(ends, j);
  }
  const Kinner = new Float64Array(inner * inner);
  steps.forEach(({ freedom }, i) => {
    ends.fill(0);
    ends[freedom] = 1;
    tabulate(ends, 12 + i);
    steps.forEach((other, j) => {
      Kinner[i * inner + j] = clamped[12 * freedom + other.freedom]! + (i === j ? other.spring : 0);
    });
  });

  // Shapes that vanish at the ends
  let own = 12 + steps.length;
  const curvature = new Float64Array(x.length * bubbles * 2);
  const shearStrain = new Float64Array(x.length * bubbles * 2);
  const stretch = new Float64Array(x.length * bubbles * 2);
  const bubbleOf = (unknown: number) => unknown - 12 - steps.length;
  for (const [dv, dw] of directions) {
    for (let j = 2; j < 2 + bendingShapes; j++, own++) {
      const b = bubbleOf(own);
      const EI = bendingRigidity(frame, m, dv, dw);
      let shearY = 0;
      let shearZ = 0;
      let sumY = 0;
      let sumZ = 0;
      for (let p = 0; p < x.length; p++) {
        const V = (2 / L) * legendreSlope(j, (2 * x[p]!) / L - 1) * EI;
        const s = shearFlexibility(flexibility, segment[p]!, x[p]! - breaks[segment[p]!]!);
        shearY += weight[p]! * s.y * V;
        shearZ += weight[p]! * s.z * V;
        sumY += weight[p]! * s.y;
        sumZ += weight[p]! * s.z;
      }
      for (let p = 0; p < x.length; p++) {
        const xi = (2 * x[p]!) / L - 1;
        const s = shearFlexibility(flexibility, segment[p]!, x[p]! - breaks[segment[p]!]!);
        const V = (2 / L) * legendreSlope(j, xi) * EI;
        const psi = (L / 2) * legendreIntegral(j, xi);
        const gammaY = dv * s.y * (V - (sumY > 0 ? shearY / sumY : 0));
        const gammaZ = dw * s.z * (V - (sumZ > 0 ? shearZ / sumZ : 0));
        table[at(p, 4, own)] = dv * psi - gammaY;
        table[at(p, 5, own)] = dw * psi - gammaZ;
        table[at(p, 6, own)] = dv * psi;
        table[at(p, 7, own)] = dw * psi;
        // Deflection: bending in closed form, what shear adds as EI·s·(V̄·x − M) with constant s
        const bend = (L / 2) ** 2 * legendreDoubleIntegral(j, xi);
        const M = EI * (legendre(j, xi) - legendre(j, -1));
        table[at(p, 1, own)] = dv * (bend - s.y * (M - (sumY > 0 ? (shearY / sumY) * x[p]! : 0)));
        table[at(p, 2, own)] = dw * (bend - s.z * (M - (sumZ > 0 ? (shearZ / sumZ) * x[p]! : 0)));
        curvature[2 * (p * bubbles + b)] = dv * legendre(j, xi);
        curvature[2 * (p * bubbles + b) + 1] = dw * legendre(j, xi);
        shearStrain[2 * (p * bubbles + b)] = gammaY;
        shearStrain[2 * (p * bubbles + b) + 1] = gammaZ;
      }
    }
  }
  for (const field of stretches)
    for (let j = 1; j <= stretchShapes; j++, own++)
      for (let p = 0; p < x.length; p++) {
        const xi = (2 * x[p]!) / L - 1;
        table[at(p, field, own)] = (L / 2) * legendreIntegral(j, xi);
        stretch[2 * (p * bubbles + bubbleOf(own)) + (field === 0 ? 0 : 1)] = legendre(j, xi);
      }

  for (let p = 0; p < x.length; p++) {
    const r = rigidities(flexibility, segment[p]!, x[p]! - breaks[segment[p]!]!);
    const row = 2 * p * bubbles;
    for (let a = 0; a < bubbles; a++)
      for (let b = 0; b < bubbles; b++) {
        const [kva, kwa] = [curvature[row + 2 * a]!, curvature[row + 2 * a + 1]!];
        const [kvb, kwb] = [curvature[row + 2 * b]!, curvature[row + 2 * b + 1]!];
        const value =
          r.EIw * kwa * kwb +
          r.EIv * kva * kvb +
          r.EIwv * (kwa * kvb + kva * kwb) +
          r.GAy * shearStrain[row + 2 * a]! * shearStrain[row + 2 * b]! +
          r.GAz * shearStrain[row + 2 * a + 1]! * shearStrain[row + 2 * b + 1]! +
          r.EA * stretch[row + 2 * a]! * stretch[row + 2 * b]! +
          r.GJ * stretch[row + 2 * a + 1]! * stretch[row + 2 * b + 1]!;
        Kinner[(steps.length + a) * inner + steps.length + b]! += weight[p]! * value;
      }
  }
  return { inner, Kinner, x, weight, table };
}

/** Directions (v, w) a member bends in: both in space, the one in the plane of a plane frame. */
function bendingDirections(frame: Frame, m: number): [number, number][] {
  if (!frame.plane)
    return [
      [1, 0],
      [0, 1],
    ];
  // In-plane normal to the member's axis against its y and z
  const a = 9 * m;
  const t = [-frame.axes[a + 2]!, 0, frame.axes[a]!];
  const along = (row: number) => t[0]! * frame.axes[a + row]! + t[2]! * frame.axes[a + row + 2]!;
  return [[along(3), along(6)]];
}

function bendingRigidity(frame: Frame, m: number, dv: number, dw: number): number {
  return dw * dw * frame.rigidity[6 * m + 1]! + dv * dv * frame.rigidity[6 * m + 2]!;
}

type FlexibilityTable = ReturnType<typeof memberFlexibility>;

function flexibilityValue(f: FlexibilityTable, s: number, k: number, t: number): number {
  const base = f.uniform ? 0 : 7 * f.terms * s;
  return evaluate(f.coefficients, base + k * f.terms, f.terms, t);
}

function shearFlexibility(f: FlexibilityTable, s: number, t: number): { y: number; z: number } {
  return { y: flexibilityValue(f, s, 5, t), z: flexibilityValue(f, s, 6, t) };
}

function rigidities(f: FlexibilityTable, s: number, t: number) {
  const inverse = (x: number) => (x > 0 ? 1 / x : 0);
  const ww = flexibilityValue(f, s, 1, t);
  const wv = flexibilityValue(f, s, 2, t);
  const vv = flexibilityValue(f, s, 3, t);
  const d = ww * vv - wv * wv;
  const coupled = wv !== 0;
  return {
    EA: inverse(flexibilityValue(f, s, 0, t)),
    EIw: coupled ? vv / d : inverse(ww),
    EIv: coupled ? ww / d : inverse(vv),
    EIwv: coupled ? -wv / d : 0,
    GJ: inverse(flexibilityValue(f, s, 4, t)),
    GAy: inverse(flexibilityValue(f, s, 5, t)),
    GAz: inverse(flexibilityValue(f, s, 6, t)),
  };
}

/** Gauss points of every segment between breaks. */
function integrationPoints(
  breaks: Float64Array,
  n: number,
): { x: Float64Array; weight: Float64Array; segment: Int32Array } {
  const count = breaks.length - 1;
  const x = new Float64Array(n * count);
  const weight = new Float64Array(n * count);
  const segment = new Int32Array(n * count);
  for (let s = 0; s < count; s++) {
    const h = breaks[s + 1]! - breaks[s]!;
    gaussPoints(n).forEach(([place, share], i) => {
      x[n * s + i] = breaks[s]! + h * place;
      weight[n * s + i] = h * share;
      segment[n * s + i] = s;
    });
  }
  return { x, weight, segment };
}

function slopeOf(c: Float64Array, at: number, terms: number, t: number): number {
  let value = 0;
  for (let k = terms - 1; k >= 1; k--) value = value * t + k * c[at + k]!;
  return value;
}

/** Legendre polynomial of degree j at ξ, −1 … 1. */
function legendre(j: number, xi: number): number {
  let before = 1;
  let value = xi;
  if (j === 0) return before;
  for (let k = 2; k <= j; k++) [before, value] = [value, ((2 * k - 1) * xi * value - (k - 1) * before) / k];
  return value;
}

/** ∫ P_j from −1 to ξ = (P_{j+1} − P_{j−1})/(2j + 1), j ≥ 1. */
function legendreIntegral(j: number, xi: number): number {
  return (legendre(j + 1, xi) - legendre(j - 1, xi)) / (2 * j + 1);
}

/** ∬ P_j from −1 to ξ, j ≥ 2: it vanishes at both ends. */
function legendreDoubleIntegral(j: number, xi: number): number {
  return (legendreIntegral(j + 1, xi) - legendreIntegral(j - 1, xi)) / (2 * j + 1);
}

/** dP_j/dξ by Σ (2k + 1)·P_k over k = j − 1, j − 3, … */
function legendreSlope(j: number, xi: number): number {
  let sum = 0;
  for (let k = j - 1; k >= 0; k -= 2) sum += (2 * k + 1) * legendre(k, xi);
  return sum;
}
