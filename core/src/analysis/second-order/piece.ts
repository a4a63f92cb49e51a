import { inverse, times, type Width } from './planes.js';
import { Series, type Stretch } from './series.js';

/** What a piece of a beam-column is to its ends: matrices over w, ψw, v, ψv, one after the other in a flat array. */
export const pieceSize = 80;
/** End's displacements by the start's. */
export const transferAt = 0;
/** Start's forces (Mw, Hw, Mv, Hv) by the end's displacements. */
export const fromForcesAt = 16;
/** Stiffness: of the start, of the start by the end, of the end. */
export const startAt = 32;
export const mixedAt = 48;
export const endAt = 64;

/** Sign and place of a piece's end forces: force H and −M at the start, −H and M at the end. */
export const forceRow = [1, 0, 3, 2] as const;

/** Makes the matrices of pieces by carrying displacements and forces from the start to the end. */
export class PieceMatrices {
  private readonly series = new Series();
  private readonly unit = new Float64Array(8);
  private readonly ending = new Float64Array(8);
  /** End's displacements by the start's forces; end's forces by the start's displacements, and by its forces. */
  private readonly displacementByForce = new Float64Array(16);
  private readonly forceByDisplacement = new Float64Array(16);
  private readonly forceByForce = new Float64Array(16);
  /** What is written out in the end: T, the end's displacements by the start's, and X = displacementByForce⁻¹. */
  private readonly T = new Float64Array(16);
  private readonly X = new Float64Array(16);
  private readonly XT = new Float64Array(16);
  private readonly QX = new Float64Array(16);
  private readonly QXT = new Float64Array(16);

  /** Writes a piece's five matrices from `at` on into an array that holds zeros there. */
  write(stretch: Stretch, width: Width, out: Float64Array, at: number): void {
    this.carry(stretch, width);
    const { T, X, XT, QX, QXT } = this;
    // With s = M, H of each plane and d = w, ψ: s0 = X·(d1 − T·d0), s1 = P·d0 + Q·s0
    X.fill(0);
    inverse(this.displacementByForce, X, 0, width);
    times(X, T, 0, XT, width);
    times(this.forceByForce, X, 0, QX, width);
    times(QX, T, 0, QXT, width);
    for (let i = 0; i < 16; i++) {
      out[at + transferAt + i] = T[i]!;
      out[at + fromForcesAt + i] = X[i]!;
    }
    for (let p = 0; p < 4; p += width)
      for (let i = p; i < p + width; i++) {
        const row = 4 * forceRow[i]!;
        for (let j = p; j < p + width; j++) {
          const turned = 4 * forceRow[j]!;
          const ij = row + j;
          const ji = turned + i;
          const signI = signOf(i);
          const signJ = signOf(j);
          // Each is symmetric but for rounding: the mean of both
          out[at + startAt + 4 * i + j] = -(signI * XT[ij]! + signJ * XT[ji]!) / 2;
          out[at + endAt + 4 * i + j] = -(signI * QX[ij]! + signJ * QX[ji]!) / 2;
          out[at + mixedAt + 4 * i + j] =
            (signI * X[ij]! - signJ * (this.forceByDisplacement[ji]! - QXT[ji]!)) / 2;
        }
      }
  }

  /** Carries unit displacements and forces of the start to the end. */
  private carry(stretch: Stretch, width: Width): void {
    const { T, displacementByForce, forceByDisplacement, forceByForce } = this;
    T.fill(0);
    // A shift of a whole plane moves the end as far, and nothing else
    for (let j = 0; j < 4; j += 2)
      for (let i = 0; i < 4; i++) {
        T[4 * i + j] = i === j ? 1 : 0;
        forceByDisplacement[4 * i + j] = 0;
      }
    this.carryOne(stretch, width, 1, T, forceByDisplacement);
    this.carryOne(stretch, width, 2, displacementByForce, forceByForce);
    this.carryOne(stretch, width, 3, displacementByForce, forceByForce);
  }

  /**
   * Carries one component (of w, ψ, M, H) of the start's state to the end, in planes that are apart at once.
   * In its plane it is the first or second column of `d`, where the end's displacements go, and of `s`, where its forces go.
   */
  private carryOne(
    stretch: Stretch,
    width: Width,
    component: 1 | 2 | 3,
    d: Float64Array,
    s: Float64Array,
  ): void {
    const { series, unit, ending } = this;
    const column = component % 2;
    for (let plane = 0; plane < width / 2; plane++) {
      unit.fill(0);
      unit[4 * plane + component] = 1;
      if (width === 2) unit[4 + component] = 1;
      series.solve(stretch, unit, undefined);
      series.at(stretch.h, ending);
      for (let i = 0; i < 4; i++) {
        const own = width === 2 ? i >> 1 : plane;
        const end = 4 * (i >> 1) + (i & 1);
        d[4 * i + column + 2 * own] = ending[end]!;
        s[4 * i + column + 2 * own] = ending[end + 2]!;
      }
    }
  }
}

const signOf = (freedom: number): number => (freedom % 2 === 0 ? 1 : -1);
