import { gaussPoints } from '../../../base/quadrature.js';
import { curvatureOf, slopeOf, valueOf, type Diagram } from '../../members/diagram.js';
import type { CheckSection } from '../../members/section.js';
import { factorize } from '../factorize.js';

/** Functions of the distance from the root in the series for the twist. */
const terms = 8;
/** √(E·Iw/(G·It)) in lengths of the stretch below which warping is gone so near to the root that powers do not show it. */
const thinLayer = 0.1;
const gauss = gaussPoints(12);

/** A stretch that ends in a free tip. */
export interface Cantilever {
  /** The end that nothing holds. */
  readonly free: 'start' | 'end';
  /** The root cannot warp: a support holds it against every rotation. */
  readonly builtIn: boolean;
  /** Where the loads act above the shear centre, m. */
  readonly zg: number;
}

/** A term of the series by t, the distance from the root in lengths of the stretch, and its derivatives by t. */
interface Term {
  value(t: number): number;
  slope(t: number): number;
  curvature(t: number): number;
}

const power = (n: number): Term => ({
  value: (t) => t ** n,
  slope: (t) => n * t ** (n - 1),
  curvature: (t) => n * (n - 1) * t ** (n - 2),
});

/** Twist that grows evenly but for a layer of k lengths at a root that cannot warp. */
const layer = (k: number): Term => ({
  value: (t) => t - k * (1 - Math.exp(-t / k)),
  slope: (t) => 1 - Math.exp(-t / k),
  curvature: (t) => Math.exp(-t / k) / k,
});

/** Powers from 1; from 2 where the root cannot warp, with its layer where that is thin. */
function seriesOf({ p, E, G }: CheckSection, L: number, builtIn: boolean): readonly Term[] {
  const from = (first: number) => Array.from({ length: terms }, (_, i) => power(first + i));
  if (!builtIn || p.Iw <= 0) return from(1);
  const k = Math.sqrt((E * p.Iw) / (G * p.J)) / L;
  return k < thinLayer ? [layer(k), ...from(2).slice(0, -1)] : from(2);
}

/**
 * Critical factor on the moments of a cantilever whose root does not twist and whose tip nothing holds: the least λ at which
 * ∫ E·Iw·φ''² + G·It·φ'² − λ²·M²/(E·Iz)·φ² dx − λ·zg·Σ p·φ² is no longer positive, by functions of the distance from the root (Ritz;
 * Timoshenko and Gere, Theory of Elastic Stability, art. 6.4). Infinity without moments.
 */
export function cantileverFactor(s: CheckSection, d: Diagram, { free, builtIn, zg }: Cantilever): number {
  const size = Math.abs(d.peak.value);
  if (size === 0) return Infinity;
  const L = d.to - d.from;
  const K = new Float64Array(terms * terms);
  const S = new Float64Array(terms * terms);
  const P = new Float64Array(terms * terms);
  const series = seriesOf(s, L, builtIn);
  // Distance from the root in lengths of the stretch
  const share = (x: number) => (free === 'end' ? x - d.from : d.to - x) / L;
  const addSquares = (matrix: Float64Array, of: (term: Term) => number, factor: number) => {
    const row = series.map(of);
    for (let i = 0; i < terms; i++)
      for (let j = 0; j <= i; j++) matrix[terms * i + j]! += factor * row[i]! * row[j]!;
  };
  for (const piece of d.pieces) {
    const h = (piece.to - piece.from) / 2;
    for (const start of [piece.from, piece.from + h])
      for (const [place, weight] of gauss) {
        const x = start + place * h;
        const t = share(x);
        const w = weight * h;
        addSquares(K, (term) => term.slope(t) / L, w * s.G * s.p.J);
        if (s.p.Iw > 0) addSquares(K, (term) => term.curvature(t) / L ** 2, w * s.E * s.p.Iw);
        addSquares(S, (term) => term.value(t), (w * valueOf(piece, x) ** 2) / (s.E * s.p.Iz));
        if (zg !== 0) addSquares(P, (term) => term.value(t), -w * zg * curvatureOf(piece, x));
      }
  }
  if (zg !== 0) addPointLoads(d, (x, p) => addSquares(P, (term) => term.value(share(x)), zg * p), free);
  const work = new Float64Array(terms * terms);
  const stable = (factor: number): boolean => {
    for (let i = 0; i < work.length; i++) work[i] = K[i]! - factor * factor * S[i]! - factor * P[i]!;
    return factorize(work, terms);
  };
  let high = Math.sqrt(s.E * s.p.Iz * s.G * s.p.J) / (L * size);
  let low = 0;
  while (stable(high)) [low, high] = [high, 2 * high];
  while (high - low > 1e-6 * high) {
    const middle = (low + high) / 2;
    if (stable(middle)) low = middle;
    else high = middle;
  }
  return low;
}

/** Loads at kinks of the diagram, and the force at the free tip. */
function addPointLoads(d: Diagram, add: (x: number, load: number) => void, free: 'start' | 'end'): void {
  for (let i = 1; i < d.pieces.length; i++) {
    const [before, after] = [d.pieces[i - 1]!, d.pieces[i]!];
    add(after.from, slopeOf(before, before.to) - slopeOf(after, after.from));
  }
  const [first, last] = [d.pieces[0]!, d.pieces[d.pieces.length - 1]!];
  if (free === 'end') add(d.to, slopeOf(last, last.to));
  else add(d.from, -slopeOf(first, first.from));
}
