import type { Elements } from '../elements.js';
import { clampedStiffness } from '../elements.js';
import type { Frame } from '../frame.js';
import { displaceInside } from '../hinges.js';
import { addStartForces, integrate, memberFlexibility } from '../member-field.js';
import { evaluate, shiftOrigin } from '../polynomial.js';
import { gaussPoints } from '../../numeric/gauss.js';

/** How many shapes inside a member: bending by moments of degree 2 …, stretch and twist by forces of degree 1 … */
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

/** Shapes already tabulated: members alike in all that shapes depend on share them. */
export type ShapeCache = Map<string, MemberShapes>;

/** A member's shapes, from the cache where one alike was tabulated before. */
export function cachedShapes(
  cache: ShapeCache,
  frame: Frame,
  elements: Elements,
  m: number,
  breaks: Float64Array,
  forModes: boolean,
  richness: Richness,
): MemberShapes {
  if (frame.hinged[m] || frame.tapers.has(m))
    return memberShapes(frame, elements, m, breaks, forModes, richness);
  const numbers = [
    ...breaks,
    ...frame.rigidity.subarray(6 * m, 6 * m + 6),
    frame.coupling[m]!,
    ...bendingDirections(frame, m).flat(),
  ];
  // Lengths that differ by rounding are the same
  const key = `${frame.axialOnly[m]}|${numbers.map((value) => value.toPrecision(13)).join()}`;
  let shapes = cache.get(key);
  if (!shapes) cache.set(key, (shapes = memberShapes(frame, elements, m, breaks, forModes, richness)));
  return shapes;
}

/**
 * A member's shapes: the exact static response to its ends' displacements, through its hinges, and inside it freedoms
 * behind hinges and polynomials enough for its own buckling and vibration. In energy the inner unknowns are apart from
 * the ends, because a moment without load is linear and the shapes' curvatures are square to linear functions.
 *
 * @param breaks segments on which what is integrated against the shapes is smooth, m
 * @param forModes adds axial and twisting shapes
 */
function memberShapes(
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
  const bar = frame.axialOnly[m] === 1;
  /** Tabulates the fields under forces along the member (particular, `terms` coefficients) and a state at its start. */
  const write = (forces: Float64Array, terms: number, start: Float64Array, unknown: number): void => {
    addStartForces(forces, terms, breaks, start, 0);
    const { displacements, displacementTerms: D } = integrate(
      flexibility,
      bar,
      breaks,
      forces,
      terms,
      noStrain,
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
      const force = (k: number) => evaluate(forces, terms * (6 * s + k), terms, t);
      table[at(p, 6, unknown)] = dv + (bar ? 0 : flexibilityValue(flexibility, s, 5, t) * force(1));
      table[at(p, 7, unknown)] = dw + (bar ? 0 : flexibilityValue(flexibility, s, 6, t) * force(2));
    }
  };
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
    write(new Float64Array(24 * (breaks.length - 1)), 4, start, unknown);
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

  // Shapes that vanish at the ends: the clamped member under forces that are Legendre polynomials of the length
  const shapes: { degree: number; share: readonly [N: number, T: number, My: number, Mz: number] }[] = [];
  for (const [dv, dw] of directions)
    for (let j = 2; j < 2 + bendingShapes; j++)
      shapes.push({
        degree: j,
        share: [0, 0, dw * frame.rigidity[6 * m + 1]!, dv * frame.rigidity[6 * m + 2]!],
      });
  for (const field of stretches)
    for (let j = 1; j <= stretchShapes; j++) {
      const EA = frame.rigidity[6 * m]! * L;
      const GJ = frame.rigidity[6 * m + 3]! * L;
      shapes.push({ degree: j, share: field === 0 ? [EA, 0, 0, 0] : [0, GJ, 0, 0] });
    }
  const forcesOf = shapes.map(({ degree, share }, b) => {
    const forces = legendreForces(breaks, degree, share);
    const terms = degree + 1;
    const unloaded = new Float64Array(12);
    const { end } = integrate(flexibility, bar, breaks, forces.slice(), terms, noStrain, [], unloaded, 6);
    // The end is brought back by the member's own stiffness
    const start = new Float64Array(12);
    for (let j = 0; j < 6; j++) {
      const back = -end[j]!;
      start[0]! -= clamped[6 + j]! * back;
      start[1]! += clamped[12 + 6 + j]! * back;
      start[2]! += clamped[24 + 6 + j]! * back;
      start[3]! -= clamped[36 + 6 + j]! * back;
      start[4]! += clamped[48 + 6 + j]! * back;
      start[5]! -= clamped[60 + 6 + j]! * back;
    }
    write(forces, terms, start, 12 + steps.length + b);
    return { forces, terms };
  });

  // Twice their energy, by the forces and the flexibility
  const values = new Float64Array(6 * bubbles);
  for (let p = 0; p < x.length; p++) {
    const s = segment[p]!;
    const t = x[p]! - breaks[s]!;
    forcesOf.forEach(({ forces, terms }, b) => {
      for (let k = 0; k < 6; k++) values[6 * b + k] = evaluate(forces, terms * (6 * s + k), terms, t);
    });
    const c = Array.from({ length: 7 }, (_, k) => weight[p]! * flexibilityValue(flexibility, s, k, t));
    for (let a = 0; a < bubbles; a++)
      for (let b = 0; b < bubbles; b++) {
        const i = 6 * a;
        const j = 6 * b;
        Kinner[(steps.length + a) * inner + steps.length + b]! +=
          c[0]! * values[i]! * values[j]! +
          c[1]! * values[i + 4]! * values[j + 4]! +
          c[2]! * (values[i + 4]! * values[j + 5]! + values[i + 5]! * values[j + 4]!) +
          c[3]! * values[i + 5]! * values[j + 5]! +
          c[4]! * values[i + 3]! * values[j + 3]! +
          c[5]! * values[i + 1]! * values[j + 1]! +
          c[6]! * values[i + 2]! * values[j + 2]!;
      }
  }
  return { inner, Kinner, x, weight, table };
}

const noStrain = [0, 0, 0] as const;

/** Forces along a member, a Legendre polynomial of its length by given shares of N, T, My, Mz; shear is the moment's slope. */
function legendreForces(
  breaks: Float64Array,
  degree: number,
  [N, T, My, Mz]: readonly [number, number, number, number],
): Float64Array {
  const count = breaks.length - 1;
  const L = breaks[count]!;
  const terms = degree + 1;
  const forces = new Float64Array(6 * terms * count);
  const powers = legendrePowers(degree);
  for (let s = 0; s < count; s++) {
    // P(2x/L − 1) about the segment's start, by Taylor's shift and scale
    const c = powers.slice();
    const origin = (2 * breaks[s]!) / L - 1;
    shiftOrigin(c, 0, terms, origin);
    for (let k = 0; k < terms; k++) c[k]! *= (2 / L) ** k / (L * L);
    const base = 6 * terms * s;
    for (let k = 0; k < terms; k++) {
      forces[base + k] = N * c[k]!;
      forces[base + 3 * terms + k] = T * c[k]!;
      forces[base + 4 * terms + k] = My * c[k]!;
      forces[base + 5 * terms + k] = Mz * c[k]!;
      if (k + 1 < terms) {
        forces[base + 2 * terms + k] = (k + 1) * My * c[k + 1]!;
        forces[base + terms + k] = (k + 1) * Mz * c[k + 1]!;
      }
    }
  }
  return forces;
}

/** Powers of ξ in the Legendre polynomial of a degree. */
function legendrePowers(degree: number): Float64Array {
  let before = Float64Array.of(1);
  let own = Float64Array.of(0, 1);
  for (let k = 2; k <= degree; k++) {
    const next = new Float64Array(k + 1);
    own.forEach((value, i) => (next[i + 1]! += ((2 * k - 1) * value) / k));
    before.forEach((value, i) => (next[i]! -= ((k - 1) * value) / k));
    [before, own] = [own, next];
  }
  return own;
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

type FlexibilityTable = ReturnType<typeof memberFlexibility>;

function flexibilityValue(f: FlexibilityTable, s: number, k: number, t: number): number {
  const base = f.uniform ? 0 : 7 * f.terms * s;
  return evaluate(f.coefficients, base + k * f.terms, f.terms, t);
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
