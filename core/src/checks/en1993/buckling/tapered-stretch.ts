import type { MemberState } from '../../check.js';
import type { Span, Stretch } from '../../members/lengths.js';
import type { PhysicalMember } from '../../members/physical-member.js';
import { forcesAtX } from '../../members/stations.js';
import { factorizeStiffness, solveLower } from '../factorize.js';
import { greatestEigenvalue } from '../greatest-eigenvalue.js';
import { factorOf } from '../lowest-factor.js';
import { addProduct, quadrature, Shapes, terms } from './ritz-shapes.js';

/** A place of the quadrature with the shapes there, each solved by the factor of their stiffness. */
interface Place {
  readonly x: number;
  readonly weight: number;
  /** iy² + iz², m². */
  readonly polar: number;
  readonly sway: Float64Array;
  readonly bow: Float64Array;
  readonly angle: Float64Array;
  readonly turn: Float64Array;
}

/**
 * A stretch of a tapered doubly symmetric I between forks, or with a free tip, as it buckles out of its plane: Ritz with eight shapes of
 * movement v and of twist φ. Each flange bends sideways by v ± φ·hs/2, which holds for tapers too:
 * U = ½∫ E·If·((v + φhs/2)''² + (v − φhs/2)''²) + G·It·φ'² dx, W = ½∫ N·(v'² + i0²·φ'²) dx + ∫ My·φ·v'' dx.
 * Over both flanges the products of v and φ in U cancel, so that each has a stiffness of its own, L·Lᵀ. With the shapes solved by L,
 * W alone has the reciprocals of the critical factors as its eigenvalues.
 */
export class TaperedStretch {
  private readonly places: readonly Place[];

  constructor(member: PhysicalMember, stretch: Span & Pick<Stretch, 'free'>) {
    const { free } = stretch;
    const root = free && member.builtIn[free === 'end' ? 'start' : 'end'];
    const move = new Shapes(stretch, 2);
    const twist = new Shapes(stretch, root ? 2 : 1);
    const moving = new Float64Array(terms * terms);
    const twisting = new Float64Array(terms * terms);
    const warp = new Float64Array(terms);
    const whole = (matrix: Float64Array) => ({ matrix, n: terms, row: 0, column: 0 });
    this.places = quadrature(stretch).map(({ x, weight }) => {
      const s = member.sectionAt(x);
      move.at(x);
      twist.at(x);
      const hs = s.h - s.tf;
      const slope = depthSlope(member, x);
      // (φ·hs/2)'' = φ''·hs/2 + φ'·hs' with a depth that varies linearly
      for (let i = 0; i < terms; i++) warp[i] = (twist.second[i]! * hs) / 2 + twist.first[i]! * slope;
      const bothFlanges = (2 * s.E * s.tf * s.b ** 3) / 12;
      addProduct(whole(moving), move.second, move.second, weight * bothFlanges);
      addProduct(whole(twisting), warp, warp, weight * bothFlanges);
      addProduct(whole(twisting), twist.first, twist.first, weight * s.G * s.p.J);
      return {
        x,
        weight,
        polar: s.p.iy ** 2 + s.p.iz ** 2,
        sway: move.first.slice(),
        bow: move.second.slice(),
        angle: twist.value.slice(),
        turn: twist.first.slice(),
      };
    });
    factorizeStiffness(moving, terms);
    factorizeStiffness(twisting, terms);
    for (const { sway, bow, angle, turn } of this.places) {
      solveLower(moving, sway);
      solveLower(moving, bow);
      solveLower(twisting, angle);
      solveLower(twisting, turn);
    }
  }

  /** Critical factor of the stretch under the N and My of a state; Infinity where nothing makes it buckle. */
  factor({ field }: MemberState): number {
    const n = 2 * terms;
    const matrix = new Float64Array(n * n);
    const moving = { matrix, n, row: 0, column: 0 };
    const twisting = { matrix, n, row: terms, column: terms };
    const both = { matrix, n, row: terms, column: 0 };
    for (const { x, weight, polar, sway, bow, angle, turn } of this.places) {
      const { N, My } = forcesAtX(field, x);
      if (N < 0) {
        addProduct(moving, sway, sway, -weight * N);
        addProduct(twisting, turn, turn, -weight * N * polar);
      }
      addProduct(both, angle, bow, weight * My);
    }
    return factorOf(greatestEigenvalue(matrix, n));
  }
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
