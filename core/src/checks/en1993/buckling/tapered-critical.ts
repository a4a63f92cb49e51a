import { gaussPoints } from '../../../base/quadrature.js';
import type { MemberState } from '../../check.js';
import type { Span, Stretch } from '../../members/lengths.js';
import type { PhysicalMember } from '../../members/physical-member.js';
import type { CheckSection } from '../../members/section.js';
import { forcesAtX } from '../../members/stations.js';
import { lowestFactor } from '../lowest-factor.js';

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

/** Shapes that a matrix of all shapes has from a place on, by their values at a point. */
interface Block {
  readonly first: number;
  readonly of: Float64Array;
}

/** Adds factor · a·bᵀ to the lower half of a symmetric matrix of n rows, the shapes of a standing below or among those of b. */
function add(m: Float64Array, n: number, a: Block, b: Block, factor: number): void {
  for (let i = 0; i < terms; i++) {
    const row = n * (a.first + i) + b.first;
    const ai = factor * a.of[i]!;
    const last = a.first === b.first ? i : terms - 1;
    for (let j = 0; j <= last; j++) m[row + j]! += ai * b.of[j]!;
  }
}

/** Shapes along a stretch, filled at one place after the other: sine half-waves between its ends, powers from the root of a cantilever. */
class Shapes {
  /** The shapes themselves, their first and second derivative at a place. */
  readonly value = new Float64Array(terms);
  readonly first = new Float64Array(terms);
  readonly second = new Float64Array(terms);

  /** @param least power of the root's distance: 2 where it does not turn, 1 where it does */
  constructor(
    private readonly stretch: Span & Pick<Stretch, 'free'>,
    private readonly least: 1 | 2,
  ) {}

  at(x: number): void {
    const { from, to, free } = this.stretch;
    const L = to - from;
    if (free) this.powers(free === 'end' ? x - from : to - x, L, free === 'end' ? 1 : -1);
    else this.halfWaves(x - from, L);
  }

  private halfWaves(t: number, L: number): void {
    for (let i = 0; i < terms; i++) {
      const k = ((i + 1) * Math.PI) / L;
      const sine = Math.sin(k * t);
      this.value[i] = sine;
      this.first[i] = k * Math.cos(k * t);
      this.second[i] = -k * k * sine;
    }
  }

  private powers(t: number, L: number, sense: number): void {
    for (let i = 0; i < terms; i++) {
      const n = this.least + i;
      const share = t / L;
      this.value[i] = share ** n;
      this.first[i] = (sense * n * share ** (n - 1)) / L;
      this.second[i] = n < 2 ? 0 : (n * (n - 1) * share ** (n - 2)) / L ** 2;
    }
  }
}

/**
 * Critical factor of a tapered doubly symmetric I between forks, or with a free tip, for buckling out of its plane under its own N and
 * My: Ritz with eight shapes of movement v and of twist φ. Each flange bends sideways by v ± φ·hs/2, which holds for tapers too:
 * U = ½∫ E·If·((v + φhs/2)''² + (v − φhs/2)''²) + G·It·φ'² dx, W = ½∫ N·(v'² + i0²·φ'²) dx + ∫ My·φ·v'' dx.
 *
 * @returns Infinity where nothing makes it buckle
 */
export function outOfPlaneFactor(
  member: PhysicalMember,
  state: MemberState,
  stretch: Span & Pick<Stretch, 'free'>,
): number {
  const { from, to, free } = stretch;
  const size = 2 * terms;
  const K = new Float64Array(size * size);
  const G = new Float64Array(size * size);
  const root = free && member.builtIn[free === 'end' ? 'start' : 'end'];
  const move = new Shapes(stretch, 2);
  const twist = new Shapes(stretch, root ? 2 : 1);
  const bend = new Float64Array(terms);
  // The shapes of the movement v come first, then those of the twist φ
  const sway = { first: 0, of: move.first };
  const bow = { first: 0, of: move.second };
  const angle = { first: terms, of: twist.value };
  const turn = { first: terms, of: twist.first };
  const warp = { first: terms, of: bend };
  for (const { x, weight, section: s, N, My } of points(member, state, from, to)) {
    move.at(x);
    twist.at(x);
    const hs = s.h - s.tf;
    const EIf = (s.E * s.tf * s.b ** 3) / 12;
    const slope = depthSlope(member, x);
    // (φ·hs/2)'' = φ''·hs/2 + φ'·hs' with a depth that varies linearly
    for (let i = 0; i < terms; i++) bend[i] = (twist.second[i]! * hs) / 2 + twist.first[i]! * slope;
    // Both flanges together: (v'' + b)² + (v'' − b)² = 2·v''² + 2·b²
    add(K, size, bow, bow, 2 * weight * EIf);
    add(K, size, warp, warp, 2 * weight * EIf);
    add(K, size, turn, turn, weight * s.G * s.p.J);
    if (N > 0) {
      add(G, size, sway, sway, weight * N);
      add(G, size, turn, turn, weight * N * (s.p.iy ** 2 + s.p.iz ** 2));
    }
    add(G, size, angle, bow, weight * My);
  }
  return lowestFactor(K, G, size);
}

/** Slope of the flanges' distance at x; 0 where the section changes at once. */
function depthSlope(member: PhysicalMember, x: number): number {
  const reach = 1e-5 * member.length;
  const depth = (at: number) => {
    const { h, tf } = member.sectionAt(at);
    return h - tf;
  };
  const slope = (depth(Math.min(member.length, x + reach)) - depth(Math.max(0, x - reach))) / (2 * reach);
  return Math.abs(slope) < 1 ? slope : 0;
}

/** Critical factor of a tapered member for buckling in its plane under its own N, its ends held but for a free tip. */
export function inPlaneFactor(member: PhysicalMember, state: MemberState): number {
  const K = new Float64Array(terms * terms);
  const G = new Float64Array(terms * terms);
  const { start, end } = member.freeEnds;
  const free = start === end ? {} : { free: start ? ('start' as const) : ('end' as const) };
  const shapes = new Shapes({ from: 0, to: member.length, ...free }, 2);
  const slope = { first: 0, of: shapes.first };
  const curvature = { first: 0, of: shapes.second };
  for (const { x, weight, section: s, N } of points(member, state, 0, member.length)) {
    shapes.at(x);
    add(K, terms, curvature, curvature, weight * s.E * s.p.Iy);
    add(G, terms, slope, slope, weight * N);
  }
  return lowestFactor(K, G, terms);
}
