import type { Elements } from '../frame/elements.js';
import { clampedStiffness } from '../frame/elements.js';
import type { Frame } from '../frame/frame.js';
import { displaceInside, type HingeStep } from '../frame/hinges.js';
import { addStartForces, integrate, memberFlexibility } from '../member-field.js';
import { polynomialAt, shiftOrigin } from '../polynomial.js';
import { gaussPoints } from '../../base/quadrature.js';

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
  /** Ends of the segments, m. */
  readonly breaks: Float64Array;
  /** Integration points: place (m), weight (m) and segment. */
  readonly x: Float64Array;
  readonly weight: Float64Array;
  readonly segment: Int32Array;
  /**
   * By point, then field (u, v, w, φ, v′, w′, ψv, ψw), then unknown (12 at the ends, local, then the inner ones):
   * values of the fields under a unit of the unknown.
   */
  readonly table: Float64Array;
}

export const fieldCount = 8;

/** What shapes are made for: vibration adds axial and twisting ones. */
export interface ShapeWish {
  readonly forModes: boolean;
  readonly richness: Richness;
}

/** A frame and its members' stiffnesses. */
export interface Elastic {
  readonly frame: Frame;
  readonly elements: Elements;
}

/**
 * A member's shapes: the exact static response to its ends' displacements, through its hinges, and inside it freedoms
 * behind hinges and polynomials enough for its own buckling and vibration. In energy the inner unknowns are apart from
 * the ends, because a moment without load is linear and the shapes' curvatures are square to linear functions.
 */
export function memberShapes(of: Elastic, m: number, breaks: Float64Array, wish: ShapeWish): MemberShapes {
  const bubbles = bubblesOf(of.frame, m, wish);
  const shapes = new ShapeTable(of, m, breaks, wish.richness.bending + 5, bubbles.length);
  shapes.addEnds();
  shapes.addHinges();
  shapes.addBubbles(bubbles);
  return shapes;
}

/** A shape that vanishes at the ends: forces that are a Legendre polynomial of the length, by shares of N, T, My, Mz. */
interface Bubble {
  readonly degree: number;
  readonly share: readonly [N: number, T: number, My: number, Mz: number];
}

function bubblesOf(frame: Frame, m: number, { forModes, richness }: ShapeWish): Bubble[] {
  if (frame.axialOnly[m]) return [];
  const [EA, EIy, EIz, GJ] = frame.rigidity.subarray(6 * m, 6 * m + 4) as unknown as [
    number,
    number,
    number,
    number,
  ];
  const L = frame.length[m]!;
  const bubbles: Bubble[] = [];
  for (const [dv, dw] of bendingDirections(frame, m))
    for (let j = 0; j < richness.bending; j++)
      bubbles.push({ degree: 2 + j, share: [0, 0, dw * EIy, dv * EIz] });
  if (!forModes) return bubbles;
  for (const share of frame.plane
    ? [[EA * L, 0, 0, 0] as const]
    : ([
        [EA * L, 0, 0, 0],
        [0, GJ * L, 0, 0],
      ] as const))
    for (let j = 0; j < richness.stretch; j++) bubbles.push({ degree: 1 + j, share });
  return bubbles;
}

/** Tabulates a member's shapes one after the other. */
class ShapeTable implements MemberShapes {
  readonly inner: number;
  readonly Kinner: Float64Array;
  readonly x: Float64Array;
  readonly weight: Float64Array;
  readonly table: Float64Array;
  readonly segment: Int32Array;
  private readonly frame: Frame;
  private readonly steps: readonly HingeStep[];
  private readonly clamped: Float64Array;
  private readonly flexibility: FlexibilityTable;
  private readonly straight: boolean;
  private readonly ends = new Float64Array(12);

  /** @param points of integration on each segment */
  constructor(
    { frame, elements }: Elastic,
    private readonly m: number,
    readonly breaks: Float64Array,
    points: number,
    bubbles: number,
  ) {
    this.frame = frame;
    this.steps = elements.hinges.get(m) ?? [];
    this.inner = this.steps.length + bubbles;
    this.Kinner = new Float64Array(this.inner * this.inner);
    const { x, weight, segment } = integrationPoints(breaks, points);
    this.x = x;
    this.weight = weight;
    this.segment = segment;
    this.table = new Float64Array(x.length * fieldCount * (12 + this.inner));
    this.clamped = clampedStiffness(elements, m);
    this.flexibility = memberFlexibility(frame, m, breaks);
    this.straight = frame.axialOnly[m] === 1;
  }

  /** Under unit displacements of the ends: through the hinges to the member's own ends, then along it. */
  addEnds(): void {
    const { ends, steps } = this;
    for (let j = 0; j < 12; j++) {
      ends.fill(0);
      ends[j] = 1;
      if (steps.length > 0) displaceInside(steps, undefined, ends);
      this.addByEnds(j);
    }
  }

  /** Under unit displacements of the freedoms behind hinges, with their stiffness. */
  addHinges(): void {
    const { ends, steps, clamped, inner } = this;
    steps.forEach(({ freedom }, i) => {
      ends.fill(0);
      ends[freedom] = 1;
      this.addByEnds(12 + i);
      steps.forEach((other, j) => {
        this.Kinner[i * inner + j] = clamped[12 * freedom + other.freedom]! + (i === j ? other.spring : 0);
      });
    });
  }

  /** Shapes that vanish at the ends: the clamped member under their forces. */
  addBubbles(bubbles: readonly Bubble[]): void {
    const { breaks, flexibility, straight, steps } = this;
    const forcesOf = bubbles.map(({ degree, share }, b) => {
      const forces = legendreForces(breaks, degree, share);
      const terms = degree + 1;
      const { end } = integrate(
        { flexibility, straight, breaks, terms, forces: forces.slice(), strain: noStrain, dislocations: [] },
        unloaded,
        0,
      );
      // The end is brought back by the member's own stiffness
      const start = new Float64Array(12);
      for (let j = 0; j < 6; j++) this.addClampedForces(start, 6 + j, -end[j]!);
      this.add(forces, terms, start, 12 + steps.length + b);
      return { forces, terms };
    });
    this.addEnergies(forcesOf);
  }

  /** Forces at the start, as internal ones, under a displacement of one of the member's own ends. */
  private addClampedForces(start: Float64Array, j: number, displacement: number): void {
    if (displacement === 0) return;
    for (let k = 0; k < 6; k++) start[k]! += startSigns[k]! * this.clamped[12 * k + j]! * displacement;
  }

  /** Under displacements `ends` of the member's own ends. */
  private addByEnds(unknown: number): void {
    const { ends, clamped, frame, m } = this;
    const L = frame.length[m]!;
    const start = new Float64Array(12);
    start.set(ends.subarray(0, 6), 6);
    if (this.straight) {
      start[0] = clamped[0]! * (ends[6]! - ends[0]!);
      start[10] = -(ends[8]! - ends[2]!) / L;
      start[11] = (ends[7]! - ends[1]!) / L;
    } else for (let j = 0; j < 12; j++) this.addClampedForces(start, j, ends[j]!);
    this.add(new Float64Array(24 * (this.breaks.length - 1)), 4, start, unknown);
  }

  /** The fields under forces along the member (particular, `terms` coefficients) and a state at its start. */
  private add(forces: Float64Array, terms: number, start: Float64Array, unknown: number): void {
    const { breaks, flexibility, straight, x, segment, table } = this;
    addStartForces(forces, terms, breaks, start, 0);
    const { displacements, displacementTerms: D } = integrate(
      { flexibility, straight, breaks, terms, forces, strain: noStrain, dislocations: [] },
      start,
      6,
    );
    const total = 12 + this.inner;
    for (let p = 0; p < x.length; p++) {
      const s = segment[p]!;
      const t = x[p]! - breaks[s]!;
      const base = 4 * D * s;
      const at = p * fieldCount * total + unknown;
      for (let k = 0; k < 4; k++) table[at + k * total] = polynomialAt(displacements, base + k * D, D, t);
      const dv = slopeOf(displacements, base + D, D, t);
      const dw = slopeOf(displacements, base + 2 * D, D, t);
      table[at + 4 * total] = dv;
      table[at + 5 * total] = dw;
      const force = (k: number) => polynomialAt(forces, terms * (6 * s + k), terms, t);
      table[at + 6 * total] = dv + (straight ? 0 : flexibilityValue(flexibility, s, 5, t) * force(1));
      table[at + 7 * total] = dw + (straight ? 0 : flexibilityValue(flexibility, s, 6, t) * force(2));
    }
  }

  /** Twice the energy of the shapes that vanish at the ends, by their forces and the flexibility. */
  private addEnergies(forcesOf: readonly { forces: Float64Array; terms: number }[]): void {
    const { x, weight, segment, breaks, flexibility, steps, inner, Kinner } = this;
    const bubbles = forcesOf.length;
    const values = new Float64Array(6 * bubbles);
    for (let p = 0; p < x.length; p++) {
      const s = segment[p]!;
      const t = x[p]! - breaks[s]!;
      forcesOf.forEach(({ forces, terms }, b) => {
        for (let k = 0; k < 6; k++) values[6 * b + k] = polynomialAt(forces, terms * (6 * s + k), terms, t);
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
  }
}

/** Internal forces at the start against the forces of the node there. */
const startSigns = [-1, 1, 1, -1, 1, -1];
const unloaded = new Float64Array(6);
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
export function bendingDirections(frame: Frame, m: number): [number, number][] {
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
  return polynomialAt(f.coefficients, base + k * f.terms, f.terms, t);
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
