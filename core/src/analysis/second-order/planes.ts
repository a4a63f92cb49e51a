import { invert } from '../first-order/dense.js';
import { negativePivots } from '../frame/inertia.js';

/**
 * Matrices over w, ψw, v, ψv (4 × 4, row-major), many in one flat array, each named by the array and where it begins.
 * `width` is 2 where the two planes of bending are apart: only each plane's own block is read and written, and what lies
 * between the planes stays as it is (0). It is 4 where a product of inertia couples them.
 */
export type Width = 2 | 4;

/** out ← a · b. */
export function times(a: Float64Array, b: Float64Array, bi: number, out: Float64Array, width: Width): void {
  for (let p = 0; p < 4; p += width)
    for (let i = p; i < p + width; i++)
      for (let j = p; j < p + width; j++) {
        let sum = 0;
        for (let k = p; k < p + width; k++) sum += a[4 * i + k]! * b[bi + 4 * k + j]!;
        out[4 * i + j] = sum;
      }
}

/** out ← out − a · bᵀ. */
export function minusTimesTransposed(
  out: Float64Array,
  a: Float64Array,
  b: Float64Array,
  bi: number,
  width: Width,
): void {
  for (let p = 0; p < 4; p += width)
    for (let i = p; i < p + width; i++)
      for (let j = p; j < p + width; j++) {
        let sum = 0;
        for (let k = p; k < p + width; k++) sum += a[4 * i + k]! * b[bi + 4 * j + k]!;
        out[4 * i + j]! -= sum;
      }
}

/** out ← out − aᵀ · b. */
export function minusTransposedTimes(
  out: Float64Array,
  a: Float64Array,
  ai: number,
  b: Float64Array,
  width: Width,
): void {
  for (let p = 0; p < 4; p += width)
    for (let i = p; i < p + width; i++)
      for (let j = p; j < p + width; j++) {
        let sum = 0;
        for (let k = p; k < p + width; k++) sum += a[ai + 4 * k + i]! * b[4 * k + j]!;
        out[4 * i + j]! -= sum;
      }
}

/** out ← a⁻¹; NaN where a block is singular. */
export function inverse(a: Float64Array, out: Float64Array, oi: number, width: Width): void {
  if (width === 4) {
    out.set(invert(a, 4), oi);
    return;
  }
  for (let p = 0; p < 4; p += 2) {
    const k11 = a[5 * p]!;
    const k12 = a[5 * p + 1]!;
    const k21 = a[5 * p + 4]!;
    const k22 = a[5 * p + 5]!;
    const determinant = k11 * k22 - k12 * k21;
    const by = determinant === 0 ? NaN : 1 / determinant;
    out[oi + 5 * p] = k22 * by;
    out[oi + 5 * p + 1] = -k12 * by;
    out[oi + 5 * p + 4] = -k21 * by;
    out[oi + 5 * p + 5] = k11 * by;
  }
}

/** Negative eigenvalues of a symmetric matrix. */
export function negatives(a: Float64Array, width: Width): number {
  if (width === 4) return negativePivots(a, 4);
  let count = 0;
  for (let p = 0; p < 4; p += 2) {
    const k11 = a[5 * p]!;
    const k12 = a[5 * p + 1]!;
    const k22 = a[5 * p + 5]!;
    const determinant = k11 * k22 - k12 * k12;
    if (determinant < 0) count++;
    else if (k11 + k22 < 0) count += determinant > 0 ? 2 : 1;
  }
  return count;
}

/** out ← a · x, four numbers from `xi` on. */
export function apply(
  a: Float64Array,
  ai: number,
  x: ArrayLike<number>,
  xi: number,
  out: Float64Array,
): void {
  for (let i = 0; i < 4; i++) {
    let sum = 0;
    for (let j = 0; j < 4; j++) sum += a[ai + 4 * i + j]! * x[xi + j]!;
    out[i] = sum;
  }
}

/** out ← aᵀ · x. */
export function applyTransposed(
  a: Float64Array,
  ai: number,
  x: ArrayLike<number>,
  xi: number,
  out: Float64Array,
): void {
  for (let i = 0; i < 4; i++) {
    let sum = 0;
    for (let j = 0; j < 4; j++) sum += a[ai + 4 * j + i]! * x[xi + j]!;
    out[i] = sum;
  }
}
