import { gaussPoints } from '../../numeric/gauss.js';
import type { MemberState } from '../check.js';
import type { PhysicalMember } from '../physical-member.js';
import type { CheckSection } from '../section.js';
import { forcesAtX } from '../stations.js';
import { isDefinite } from './definite.js';

/** Sine half-waves for the sideways movement and for the twist each. */
const terms = 8;
const panels = 8;
const gauss = gaussPoints(4);

/** A place of the quadrature along a tapered member. */
interface Point {
  readonly x: number;
  readonly weight: number;
  readonly section: CheckSection;
  /** Compression, N. */
  readonly N: number;
  readonly My: number;
}

function points(member: PhysicalMember, state: MemberState, from: number, to: number): Point[] {
  const h = (to - from) / panels;
  return Array.from({ length: panels }, (_, i) => from + i * h).flatMap((start) =>
    gauss.map(([place, weight]) => {
      const x = start + place * h;
      const { N, My } = forcesAtX(state.field, x);
      return { x, weight: weight * h, section: member.sectionAt(x), N: Math.max(0, -N), My };
    }),
  );
}

type Matrix = Float64Array[];

const square = (n: number): Matrix => Array.from({ length: n }, () => new Float64Array(n));

function add(m: Matrix, a: readonly number[], b: readonly number[], factor: number): void {
  for (let i = 0; i < a.length; i++) for (let j = 0; j < b.length; j++) m[i]![j]! += factor * a[i]! * b[j]!;
}

/** sin, its first and second derivative of every half-wave at x of a stretch. */
function waves(t: number, L: number): { s: number[]; d: number[]; dd: number[] } {
  const k = Array.from({ length: terms }, (_, i) => ((i + 1) * Math.PI) / L);
  return {
    s: k.map((q) => Math.sin(q * t)),
    d: k.map((q) => q * Math.cos(q * t)),
    dd: k.map((q) => -q * q * Math.sin(q * t)),
  };
}

/**
 * Critical factor of a tapered doubly symmetric I between forks for buckling out of its plane under its own N and My: Ritz with
 * eight half-waves of movement v and of twist φ. Each flange bends sideways by v ± φ·hs/2, which holds for tapers too:
 * U = ½∫ E·If·((v + φhs/2)''² + (v − φhs/2)''²) + G·It·φ'² dx, W = ½∫ N·(v'² + i0²·φ'²) dx + ∫ My·φ·v'' dx.
 *
 * @returns Infinity where nothing makes it buckle
 */
export function outOfPlaneFactor(
  member: PhysicalMember,
  state: MemberState,
  from: number,
  to: number,
): number {
  const L = to - from;
  const size = 2 * terms;
  const K = square(size);
  const G = square(size);
  const none = new Array<number>(terms).fill(0);
  const list = points(member, state, from, to);
  for (const { x, weight, section: s, N, My } of list) {
    const { s: sine, d, dd } = waves(x - from, L);
    const hs = s.h - s.tf;
    const If = (s.tf * s.b ** 3) / 12;
    const slope = depthSlope(member, x);
    // (φ·hs/2)'' = φ''·hs/2 + φ'·hs' with a depth that varies linearly
    const twist = dd.map((value, i) => (value * hs) / 2 + d[i]! * slope);
    for (const sign of [1, -1]) {
      const bend = [...dd, ...twist.map((value) => sign * value)];
      add(K, bend, bend, weight * s.E * If);
    }
    const turn = [...none, ...d];
    add(K, turn, turn, weight * s.G * s.p.J);
    const sway = [...d, ...none];
    add(G, sway, sway, weight * N);
    add(G, turn, turn, weight * N * (s.p.iy ** 2 + s.p.iz ** 2));
    const bow = [...dd, ...none];
    const angle = [...none, ...sine];
    add(G, bow, angle, weight * My);
    add(G, angle, bow, weight * My);
  }
  return lowestFactor(K, G);
}

/** Slope of the flanges' distance at x; 0 where the section changes at once. */
function depthSlope(member: PhysicalMember, x: number): number {
  const reach = 1e-5 * member.length;
  const depth = (at: number) => member.sectionAt(at).h - member.sectionAt(at).tf;
  const slope = (depth(Math.min(member.length, x + reach)) - depth(Math.max(0, x - reach))) / (2 * reach);
  return Math.abs(slope) < 1 ? slope : 0;
}

/** Critical factor of a tapered member for buckling in its plane, its ends held, under its own N. */
export function inPlaneFactor(member: PhysicalMember, state: MemberState): number {
  const K = square(terms);
  const G = square(terms);
  for (const { x, weight, section: s, N } of points(member, state, 0, member.length)) {
    const { d, dd } = waves(x, member.length);
    add(K, dd, dd, weight * s.E * s.p.Iy);
    add(G, d, d, weight * N);
  }
  return lowestFactor(K, G);
}

/** Lowest λ > 0 at which K − λG is no longer definite: by Cholesky and bisection to 1e-9. */
function lowestFactor(K: Matrix, G: Matrix): number {
  const holds = (factor: number): boolean =>
    isDefinite(K.map((row, i) => row.map((v, j) => v - factor * G[i]![j]!)));
  // A scale of the answer from the diagonals, then outwards until it gives way
  let high = 1e-6;
  while (holds(high)) {
    high *= 4;
    if (high > 1e9) return Infinity;
  }
  let low = high / 4;
  while (high - low > 1e-9 * high) {
    const middle = (low + high) / 2;
    if (holds(middle)) low = middle;
    else high = middle;
  }
  return low;
}
