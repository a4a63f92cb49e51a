import type { MemberField } from '../../../analysis/index.js';
import { gaussPoints } from '../../../base/quadrature.js';
import { curvatureOf, slopeOf, valueOf, type Diagram } from '../../members/diagram.js';
import type { CheckSection } from '../../members/section.js';
import { factorize } from '../factorize.js';

/** Sine half-waves in the series for the twist. */
const terms = 8;
const gauss = gaussPoints(12);

/**
 * C1 of a stretch with forks at its ends from its true moment diagram: the critical moment against that of a uniform one. Solves
 * E·Iw·φ'''' − G·It·φ'' − My²/(E·Iz)·φ = 0 by eight sine half-waves (Ritz; errors below 1e-4).
 *
 * @param length of the stretch, m
 */
export function c1Of(s: CheckSection, d: Diagram, length: number): number {
  const size = Math.abs(d.peak.value);
  if (size === 0) return 1;
  if (d.straight && Math.abs(d.start - d.end) < 1e-9 * size) return 1;
  scaleLoad(s, length, squareCosines(d, size, integrals), d.to - d.from);
  return 1 / Math.sqrt(largestEigenvalue(scaled));
}

/**
 * Less than C1 of a whole member whose moments are cubics, by some hundredths: the largest eigenvalue is at most the root of the
 * sum of the squares of the matrix. 0 where there is no moment or it is no cubic.
 *
 * @param size greatest magnitude of My, N·m
 */
export function leastC1(s: CheckSection, field: MemberField, length: number, size: number): number {
  if (size === 0 || field.forceTerms > 4 || field.breaks.length !== 2) return 0;
  const { forces, forceTerms } = field;
  cubicCosines(
    { source: forces, at: 4 * forceTerms, terms: forceTerms, origin: 0 },
    0,
    length,
    size,
    integrals,
  );
  const k = stiffnesses(s, length, diagonal);
  let sum = 0;
  for (let m = 0; m < terms; m++) {
    let row = 0;
    for (let n = 0; n <= m; n++) {
      const load = integrals[m - n]! - integrals[m + n + 2]!;
      row += ((n === m ? 1 : 2) * load * load) / k[n]!;
    }
    sum += row / k[m]!;
  }
  return Math.sqrt(length / (k[0]! * Math.sqrt(sum)));
}

/** k^(-1/2)·load·k^(-1/2), relative to a uniform moment's k1, into `scaled`; its largest eigenvalue is 1/C1². */
function scaleLoad(s: CheckSection, length: number, J: Float64Array, L: number): void {
  const k = stiffnesses(s, length, diagonal);
  for (let m = 0; m < terms; m++) roots[m] = Math.sqrt(k[0]! / k[m]!);
  for (let m = 0; m < terms; m++)
    for (let n = 0; n <= m; n++) {
      const value = ((J[m - n]! - J[m + n + 2]!) / L) * roots[m]! * roots[n]!;
      scaled[m * terms + n] = value;
      scaled[n * terms + m] = value;
    }
}

const scaled = new Float64Array(terms * terms);
const roots = new Float64Array(terms);
const diagonal = new Float64Array(terms);
const integrals = new Float64Array(2 * terms + 1);

/** E·Iw·(nπ/L)⁴ + G·It·(nπ/L)², up to a common factor, into `out`. */
function stiffnesses(s: CheckSection, length: number, out: Float64Array): Float64Array {
  const warping = (s.E * s.p.Iw * Math.PI ** 2) / (length * length * s.G * s.p.J);
  for (let n = 1; n <= terms; n++) out[n - 1] = (warping * n * n + 1) * n * n;
  return out;
}

/** Powers of ξ = x/L that the square of a cubic has. */
const powers = 7;

/** ∫₀¹ ξᵖ·cos(kπξ) dξ, `powers` values for each k, from the recursion by parts. */
const powerCosines = Float64Array.from({ length: (2 * terms + 1) * powers }, (_, i) =>
  powerCosine(i % powers, Math.floor(i / powers)),
);

function powerCosine(p: number, k: number): number {
  if (k === 0) return 1 / (p + 1);
  if (p === 0) return 0;
  const a = k * Math.PI;
  const turned = p === 1 ? 0 : powerCosine(p - 2, k);
  return (p * (k % 2 === 0 ? 1 : -1) - (p === 1 ? 1 : 0)) / (a * a) - (p * (p - 1) * turned) / (a * a);
}

const cubic = new Float64Array(4);
const square = new Float64Array(powers);

/** ∫ (M/size)²·cos(kπx/L) dx of one cubic over a stretch of length L that begins at `from`: exact. */
function cubicCosines(
  { source, at, terms: count, origin }: Pick<Diagram['pieces'][number], 'source' | 'at' | 'terms' | 'origin'>,
  from: number,
  L: number,
  size: number,
  J: Float64Array,
): void {
  const shift = from - origin;
  for (let i = 0; i < 4; i++) cubic[i] = i < count ? source[at + i]! / size : 0;
  // Powers from the stretch's own start, then of ξ
  for (let i = 0; i < 3; i++) for (let j = 2; j >= i; j--) cubic[j]! += shift * cubic[j + 1]!;
  for (let i = 1, scale = L; i < 4; i++, scale *= L) cubic[i]! *= scale;
  square.fill(0);
  let degree = 0;
  for (let i = 0; i < 4; i++) {
    if (cubic[i] === 0) continue;
    degree = i;
    for (let j = 0; j < 4; j++) square[i + j]! += cubic[i]! * cubic[j]!;
  }
  for (let k = 0; k < J.length; k++) {
    let sum = 0;
    for (let p = 0; p <= 2 * degree; p++) sum += square[p]! * powerCosines[k * powers + p]!;
    J[k] = L * sum;
  }
}

/** ∫ (M/size)²·cos(kπx/L) dx, k from 0. */
function squareCosines(d: Diagram, size: number, J: Float64Array): Float64Array {
  const L = d.to - d.from;
  if (d.pieces.length === 1 && d.pieces[0]!.terms <= 4) {
    cubicCosines(d.pieces[0]!, d.from, L, size, J);
    return J;
  }
  J.fill(0);
  eachPoint(d, (x, weight, value) => {
    const share = (weight * value * value) / (size * size);
    addCosines(J, (Math.PI * (x - d.from)) / L, share);
  });
  return J;
}

/** (2/L)·∫ M²·sin(mπx/L)·sin(nπx/L) dx. */
function squareMoments(d: Diagram): number[][] {
  const L = d.to - d.from;
  const J = squareCosines(d, 1, new Float64Array(2 * terms + 1));
  return Array.from({ length: terms }, (_, i) =>
    Array.from({ length: terms }, (_, j) => (J[Math.abs(i - j)]! - J[i + j + 2]!) / L),
  );
}

/** J[k] += weight·cos(k·angle), by the recurrence of Chebyshev. */
function addCosines(J: Float64Array, angle: number, weight: number): void {
  const c = Math.cos(angle);
  let before = weight;
  let now = weight * c;
  J[0]! += before;
  J[1]! += now;
  for (let k = 2; k < J.length; k++) {
    const next = 2 * c * now - before;
    J[k]! += next;
    before = now;
    now = next;
  }
}

/** Quadrature points over the stretch: each piece in panels no longer than half of it. */
function eachPoint(d: Diagram, visit: (x: number, weight: number, value: number) => void): void {
  const L = d.to - d.from;
  for (const piece of d.pieces) {
    const panels = Math.max(1, Math.ceil((2 * (piece.to - piece.from)) / L - 1e-9));
    const h = (piece.to - piece.from) / panels;
    for (let i = 0; i < panels; i++)
      for (const [place, weight] of gauss) {
        const x = piece.from + (i + place) * h;
        visit(x, weight * h, valueOf(piece, x));
      }
  }
}

const vectors: [Float64Array, Float64Array] = [new Float64Array(terms), new Float64Array(terms)];

/** By powers of the matrix; the Rayleigh quotient settles before the vector does. */
function largestEigenvalue(a: Float64Array): number {
  let [x, y] = vectors;
  // Symmetric and antisymmetric shapes both take part
  for (let i = 0; i < terms; i++) x[i] = 1 / (i + 1);
  let value = 0;
  for (let k = 0; k < 200; k++) {
    let xy = 0;
    let xx = 0;
    let yy = 0;
    for (let i = 0; i < terms; i++) {
      let sum = 0;
      for (let j = 0; j < terms; j++) sum += a[i * terms + j]! * x[j]!;
      y[i] = sum;
      xy += x[i]! * sum;
      xx += x[i]! * x[i]!;
      yy += sum * sum;
    }
    const next = xy / xx;
    if (Math.abs(next - value) <= 1e-6 * next) return next;
    value = next;
    const scale = 1 / Math.sqrt(yy);
    for (let i = 0; i < terms; i++) y[i]! *= scale;
    [x, y] = [y, x];
  }
  return value;
}

/**
 * C2·zg of a stretch whose transverse loads act at zg from the shear centre: from its critical moment with those loads, found by
 * bisection on the definiteness of the same series, and the formula turned round. m
 */
export function c2zgOf(s: CheckSection, d: Diagram, length: number, zg: number, C1: number): number {
  const size = Math.abs(d.peak.value);
  if (size === 0 || zg === 0) return 0;
  const L = d.to - d.from;
  const base = (s.G * s.p.J * Math.PI ** 2) / length ** 2;
  const k = [...stiffnesses(s, length, diagonal)].map((v) => v * base);
  const square = squareMoments(d).map((row) => row.map((v) => v / (s.E * s.p.Iz)));
  const lifted = liftedLoads(d, zg, L);
  const work = new Float64Array(terms * terms);
  const stable = (factor: number): boolean => {
    for (let m = 0; m < terms; m++)
      for (let n = 0; n <= m; n++)
        work[terms * m + n] =
          (m === n ? k[m]! : 0) - factor * factor * square[m]![n]! - factor * lifted[m]![n]!;
    return factorize(work, terms);
  };
  let low = 0;
  let high = Math.sqrt((k[0]! * s.E * s.p.Iz) / size ** 2) * C1;
  while (stable(high)) {
    low = high;
    high *= 2;
  }
  for (let i = 0; i < 50; i++) {
    const middle = (low + high) / 2;
    if (stable(middle)) low = middle;
    else high = middle;
  }
  const X = (Math.PI ** 2 * s.E * s.p.Iz) / length ** 2;
  const m = (low * size) / (C1 * X);
  const Y = s.p.Iw / s.p.Iz + (s.G * s.p.J) / X;
  return (Y - m * m) / (2 * m);
}

/** zg·(2/L)·∫ p·sin·sin dx of the loads p = −My'' that act downwards, distributed and at kinks. */
function liftedLoads(d: Diagram, zg: number, L: number): number[][] {
  const J = new Float64Array(2 * terms + 1);
  const angle = (x: number) => (Math.PI * (x - d.from)) / L;
  for (const piece of d.pieces) {
    const h = (piece.to - piece.from) / 2;
    for (const start of [piece.from, piece.from + h])
      for (const [place, weight] of gauss) {
        const x = start + place * h;
        addCosines(J, angle(x), -curvatureOf(piece, x) * weight * h);
      }
  }
  for (let i = 1; i < d.pieces.length; i++) {
    const [before, after] = [d.pieces[i - 1]!, d.pieces[i]!];
    addCosines(J, angle(after.from), slopeOf(before, before.to) - slopeOf(after, after.from));
  }
  return Array.from({ length: terms }, (_, i) =>
    Array.from({ length: terms }, (_, j) => (zg * (J[Math.abs(i - j)]! - J[i + j + 2]!)) / L),
  );
}
