import { flexibilityCount } from '../frame/taper.js';

/** Terms of each series: with kh ≤ `longestStep` the last is below rounding. */
export const seriesTerms = 18;
/** Longest stretch in terms of √(|N|/EI)·h that one series covers. */
export const longestStep = 1.2;

const noForce = [0, 0, 0, 0] as const;

/** One stretch of a member that bends under an axial force; all polynomials in t from its start. */
export interface Stretch {
  readonly h: number;
  /** Flexibilities as in `Flexibility`, `terms` coefficients each from `at` on. */
  readonly flexibility: Float64Array;
  readonly at: number;
  readonly terms: number;
  /** Axial force, tension positive: four coefficients. */
  readonly N: readonly [number, number, number, number];
  /** Planes in which it acts on the deflection, w then v: a plane frame is held across its plane. */
  readonly free: readonly [boolean, boolean];
}

/** What acts across a stretch: line loads qw and qv as cubic polynomials, and curvatures without force. */
export interface Across {
  readonly q: readonly [Float64Array, Float64Array];
  readonly curvature: readonly [number, number];
}

/** Series of one solution: for plane w, then v: deflection, slope of the section, moment, transverse force. */
export class Series {
  readonly deflection = [new Float64Array(seriesTerms), new Float64Array(seriesTerms)] as const;
  readonly slope = [new Float64Array(seriesTerms), new Float64Array(seriesTerms)] as const;
  readonly moment = [new Float64Array(seriesTerms), new Float64Array(seriesTerms)] as const;
  readonly transverse = [new Float64Array(seriesTerms), new Float64Array(seriesTerms)] as const;
  private readonly shearTimesForce = [new Float64Array(seriesTerms), new Float64Array(seriesTerms)] as const;
  private readonly tangent = [new Float64Array(seriesTerms), new Float64Array(seriesTerms)] as const;

  /**
   * Solves the equations of a beam-column with shear deformation by power series from its state at t = 0:
   * w′ = (ψ − s·H)/(1 + s·N), ψ′ = c·M + κ, M′ = H + N·w′, H′ = q, with s = 1/GAv and H the force square to the
   * undeformed axis, so that V = M′ (Engesser). Both planes at once, coupled through the product of inertia.
   *
   * @param state w, ψ, M, H of plane w, then of plane v
   */
  solve(stretch: Stretch, state: ArrayLike<number>, across: Across | undefined): void {
    const { flexibility: c, at, terms } = stretch;
    for (let p = 0; p < 2; p++) {
      this.deflection[p]![0] = state[4 * p]!;
      this.slope[p]![0] = state[4 * p + 1]!;
      this.moment[p]![0] = state[4 * p + 2]!;
      this.transverse[p]![0] = state[4 * p + 3]!;
    }
    let coupled = false;
    for (let j = 0; j < terms; j++) if (c[at + 2 * terms + j] !== 0) coupled = true;
    if (coupled) {
      const steps = [this.stepOf(0, stretch, across), this.stepOf(1, stretch, across)];
      for (let k = 0; k < seriesTerms; k++) for (const step of steps) step(k);
      return;
    }
    for (const p of [0, 1] as const) {
      if (!across && this.rests(p)) continue;
      if (terms === 1) this.uniformPlane(p, stretch, across);
      else {
        const step = this.stepOf(p, stretch, across);
        for (let k = 0; k < seriesTerms; k++) step(k);
      }
    }
  }

  /** Whether a plane starts from nothing, so that without loads nothing happens in it; it is cleared then. */
  private rests(p: 0 | 1): boolean {
    const lists = [this.deflection[p], this.slope[p], this.moment[p], this.transverse[p]];
    if (lists.some((list) => list[0] !== 0)) return false;
    for (const list of lists) list.fill(0);
    return true;
  }

  /** How the next coefficients of one plane follow from those before, where the flexibility varies or the planes are coupled. */
  private stepOf(
    p: 0 | 1,
    { flexibility: c, at, terms, free, N: force }: Stretch,
    across: Across | undefined,
  ): (k: number) => void {
    const N = free[p] ? force : noForce;
    const shear = at + (p === 0 ? 6 : 5) * terms;
    const own = at + (p === 0 ? 1 : 3) * terms;
    const cross = at + 2 * terms;
    const [w, psi, M, H, dw] = [
      this.deflection[p],
      this.slope[p],
      this.moment[p],
      this.transverse[p],
      this.tangent[p],
    ];
    const other = this.moment[p === 0 ? 1 : 0];
    const sN = this.shearTimesForce[p];
    for (let j = 0; j < seriesTerms; j++) sN[j] = product(c, shear, terms, N, j);
    const rigid = c[shear] === 0;
    return (k) => {
      // w′ from ψ − s·H = (1 + s·N)·w′
      let tangent = psi[k]!;
      if (!rigid) {
        for (let j = 0; j < terms && j <= k; j++) tangent -= c[shear + j]! * H[k - j]!;
        for (let j = 1; j <= k; j++) tangent -= sN[j]! * dw[k - j]!;
        tangent /= 1 + sN[0]!;
      }
      dw[k] = tangent;
      if (k + 1 === seriesTerms) return;
      w[k + 1] = tangent / (k + 1);
      // Bending
      let rate = k === 0 && across ? across.curvature[p] : 0;
      for (let j = 0; j < terms && j <= k; j++)
        rate += c[own + j]! * M[k - j]! + c[cross + j]! * other[k - j]!;
      psi[k + 1] = rate / (k + 1);
      let shearForce = H[k]!;
      for (let j = 0; j < 4 && j <= k; j++) shearForce += N[j]! * dw[k - j]!;
      M[k + 1] = shearForce / (k + 1);
      H[k + 1] = (across?.q[p][k] ?? 0) / (k + 1);
    };
  }

  /** One plane where the flexibility is constant and the planes are not coupled. */
  private uniformPlane(p: 0 | 1, { flexibility: c, at, N, free }: Stretch, across: Across | undefined): void {
    const w = this.deflection[p];
    const psi = this.slope[p];
    const M = this.moment[p];
    const H = this.transverse[p];
    const dw = this.tangent[p];
    const s = c[at + (p === 0 ? 6 : 5)]!;
    const bend = c[at + (p === 0 ? 1 : 3)]!;
    const q = across?.q[p];
    const force = free[p] ? N : noForce;
    const n0 = force[0];
    const n1 = force[1];
    const n2 = force[2];
    const n3 = force[3];
    const varies = n1 !== 0 || n2 !== 0 || n3 !== 0;
    const whole = 1 / (1 + s * n0);
    for (let k = 0; k < seriesTerms; k++) {
      let pull = 0;
      if (varies) {
        if (k > 0) pull += n1 * dw[k - 1]!;
        if (k > 1) pull += n2 * dw[k - 2]!;
        if (k > 2) pull += n3 * dw[k - 3]!;
      }
      const tangent = (psi[k]! - s * (H[k]! + pull)) * whole;
      dw[k] = tangent;
      if (k + 1 === seriesTerms) break;
      const divisor = 1 / (k + 1);
      w[k + 1] = tangent * divisor;
      psi[k + 1] = (bend * M[k]! + (k === 0 && across ? across.curvature[p] : 0)) * divisor;
      M[k + 1] = (H[k]! + n0 * tangent + pull) * divisor;
      H[k + 1] = q ? q[k]! * divisor : 0;
    }
  }

  /** w, ψ, M, H of plane w, then of plane v, at t. */
  at(t: number, out: Float64Array): void {
    for (let p = 0; p < 2; p++) {
      out[4 * p] = horner(this.deflection[p]!, t);
      out[4 * p + 1] = horner(this.slope[p]!, t);
      out[4 * p + 2] = horner(this.moment[p]!, t);
      out[4 * p + 3] = horner(this.transverse[p]!, t);
    }
  }
}

/** Coefficient j of s·N. */
function product(c: Float64Array, at: number, terms: number, N: Stretch['N'], j: number): number {
  let sum = 0;
  for (let i = 0; i < 4 && i <= j; i++) if (j - i < terms) sum += N[i]! * c[at + j - i]!;
  return sum;
}

function horner(c: Float64Array, t: number): number {
  let value = 0;
  for (let k = c.length - 1; k >= 0; k--) value = value * t + c[k]!;
  return value;
}

/** Offset of a segment's flexibilities. */
export function flexibilityAt(uniform: boolean, terms: number, segment: number): number {
  return uniform ? 0 : flexibilityCount * terms * segment;
}
