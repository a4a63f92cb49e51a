import { EigenvalueDecomposition, Matrix } from 'ml-matrix';
import { fail } from '../../base/problem.js';

/** An operator that is symmetric in the inner product given by C: ⟨x, y⟩ = xᵀ·C·y. */
export interface Operator {
  readonly size: number;
  /** OP·v for each vector, given C·v as well. */
  apply(v: readonly Float64Array[], cv: readonly Float64Array[]): Float64Array[];
  /** C·x. */
  inner(x: Float64Array): Float64Array;
}

/** An eigenpair of the operator; the vector has unit length in C. */
export interface EigenPair {
  readonly theta: number;
  readonly vector: Float64Array;
}

export interface LanczosOptions {
  /** Pairs found before, which are not found again. */
  readonly known?: readonly EigenPair[];
  /** Vectors to begin with. */
  readonly begin?: readonly Float64Array[];
  /** Residual of a pair, against its eigenvalue, at which it counts as found. */
  readonly tolerance?: number;
  /** Called after each block. */
  readonly step?: (() => void) | undefined;
}

/**
 * The largest positive eigenvalues of an operator by block Lanczos with full reorthogonalization: the operator's
 * projection on the blocks' span is diagonalized as a whole. Golub and Underwood (1977).
 *
 * @param wanted how many pairs
 */
export function largestPairs(
  operator: Operator,
  wanted: number,
  { known = [], begin = [], tolerance = 1e-5, step }: LanczosOptions = {},
): EigenPair[] {
  const { size } = operator;
  const block = Math.min(size, Math.max(2, Math.min(6, Math.ceil(wanted / 3))));
  const most = Math.min(size, Math.max(120, 16 * wanted + 10 * block));
  const V: Float64Array[] = [];
  const CV: Float64Array[] = [];
  const H: number[][] = [];
  const avoid = known.map(({ vector }) => ({ v: vector, cv: operator.inner(vector) }));
  let next = [...begin, ...startBlock(size, Math.max(1, block - begin.length), known.length + 1)];
  let check = Math.max(2 * wanted, wanted + 2 * block);
  for (;;) {
    const before = V.length;
    orthonormalize(operator, next, V, CV, avoid);
    const fresh = V.length - before;
    if (fresh > 0) {
      const images = operator.apply(V.slice(before), CV.slice(before));
      images.forEach((image, j) => {
        const column = CV.map((cv) => dot(cv, image));
        H[before + j] = column;
      });
      next = images;
      step?.();
    }
    const finished = fresh === 0 || V.length >= most;
    if (!finished && V.length < check) continue;
    check = V.length + Math.max(block, Math.ceil(V.length / 6));
    const pairs = ritz(V, H);
    const scale = Math.abs(pairs[0]?.theta ?? 0);
    const positive = pairs.filter(({ theta }) => theta > 1e-12 * scale).slice(0, wanted);
    if (
      finished ||
      (positive.length === wanted &&
        settled(operator, positive, { V, H, before, images: next.slice(0, fresh) }, tolerance))
    )
      return positive.map(({ theta, coefficients }) => ({ theta, vector: combine(V, coefficients, size) }));
  }
}

/** The space that is spanned: its basis, the projected operator by columns, and the images of the vectors from `before` on. */
interface Krylov {
  readonly V: readonly Float64Array[];
  readonly H: readonly number[][];
  readonly before: number;
  readonly images: readonly Float64Array[];
}

interface RitzPair {
  readonly theta: number;
  readonly coefficients: Float64Array;
}

function ritz(V: readonly Float64Array[], H: readonly number[][]): RitzPair[] {
  const n = V.length;
  if (n === 0) return [];
  const T = Matrix.zeros(n, n);
  for (let j = 0; j < n; j++)
    for (let i = 0; i < n; i++) {
      // Entries beyond a column's own time are the transposed ones
      const value = i < H[j]!.length ? H[j]![i]! : H[i]![j]!;
      T.set(i, j, value);
    }
  for (let j = 0; j < n; j++)
    for (let i = 0; i < j; i++) {
      const mean = (T.get(i, j) + T.get(j, i)) / 2;
      T.set(i, j, mean);
      T.set(j, i, mean);
    }
  if (!T.to1DArray().every(Number.isFinite))
    fail(
      'not-finite',
      'Stiffnesses, masses or forces of the frame are so large or so far apart that nothing can be worked out from them; check its coordinates, sections and loads.',
    );
  const decomposition = new EigenvalueDecomposition(T, { assumeSymmetric: true });
  const vectors = decomposition.eigenvectorMatrix;
  return decomposition.realEigenvalues
    .map((theta, k) => ({ theta, k }))
    .sort((a, b) => b.theta - a.theta)
    .map(({ theta, k }) => ({ theta, coefficients: Float64Array.from(vectors.getColumn(k)) }));
}

/** The residual of a Ritz pair is the part of the last images outside the span, by the pair's last coefficients; in C. */
function settled(
  operator: Operator,
  pairs: readonly RitzPair[],
  { V, H, before, images }: Krylov,
  tolerance: number,
): boolean {
  const norms = images.map((image, j) => {
    const outside = image.slice();
    V.forEach((v, i) => axpy(-H[before + j]![i]!, v, outside));
    return Math.sqrt(Math.max(0, dot(outside, operator.inner(outside))));
  });
  const floor = 1e-3 * (pairs[0]?.theta ?? 0);
  return pairs.every(({ theta, coefficients }) => {
    const residual = norms.reduce((sum, norm, j) => sum + Math.abs(coefficients[before + j]!) * norm, 0);
    return residual <= tolerance * Math.max(theta, floor);
  });
}

/** Orthonormalizes a block against all vectors and itself, twice where needed; what nothing is left of is dropped. */
function orthonormalize(
  operator: Operator,
  block: readonly Float64Array[],
  V: Float64Array[],
  CV: Float64Array[],
  avoid: readonly { v: Float64Array; cv: Float64Array }[],
): void {
  const avoided = avoid.map(({ v }) => v);
  const cAvoided = avoid.map(({ cv }) => cv);
  for (const given of block) {
    const x = given.slice();
    const first = Math.sqrt(dot(x, x));
    if (!(first > 0)) continue;
    for (let i = 0; i < x.length; i++) x[i]! /= first;
    // Once more only where little was left: else rounding has left nothing of the others in it
    for (let pass = 0, before = 1; pass < 2; pass++) {
      removeAll(avoided, cAvoided, x);
      removeAll(V, CV, x);
      const left = Math.sqrt(dot(x, x));
      if (left > 1e-3 * before) break;
      before = left;
    }
    const cx = operator.inner(x);
    const norm = Math.sqrt(Math.max(0, dot(x, cx)));
    if (!(norm > 1e-11)) continue;
    for (let i = 0; i < x.length; i++) {
      x[i]! /= norm;
      cx[i]! /= norm;
    }
    V.push(x);
    CV.push(cx);
  }
}

/** x −= Σ ⟨vᵢ, x⟩·vᵢ, four vectors at a time. */
function removeAll(V: readonly Float64Array[], CV: readonly Float64Array[], x: Float64Array): void {
  const n = x.length;
  let i = 0;
  for (; i + 4 <= V.length; i += 4) {
    const [a, b, c, d] = [CV[i]!, CV[i + 1]!, CV[i + 2]!, CV[i + 3]!];
    let sa = 0;
    let sb = 0;
    let sc = 0;
    let sd = 0;
    for (let k = 0; k < n; k++) {
      const xk = x[k]!;
      sa += a[k]! * xk;
      sb += b[k]! * xk;
      sc += c[k]! * xk;
      sd += d[k]! * xk;
    }
    const [va, vb, vc, vd] = [V[i]!, V[i + 1]!, V[i + 2]!, V[i + 3]!];
    for (let k = 0; k < n; k++) x[k]! -= sa * va[k]! + sb * vb[k]! + (sc * vc[k]! + sd * vd[k]!);
  }
  for (; i < V.length; i++) axpy(-dot(CV[i]!, x), V[i]!, x);
}

/** Repeatable vectors without pattern (a linear congruential generator; Numerical Recipes' constants). */
function startBlock(size: number, count: number, seed: number): Float64Array[] {
  let state = seed >>> 0 || 1;
  const random = () => {
    state = (Math.imul(state, 1664525) + 1013904223) >>> 0;
    return state / 4294967296 - 0.5;
  };
  return Array.from({ length: count }, () => Float64Array.from({ length: size }, random));
}

export function dot(a: Float64Array, b: Float64Array): number {
  const n = a.length;
  let s0 = 0;
  let s1 = 0;
  let s2 = 0;
  let s3 = 0;
  let i = 0;
  for (; i + 4 <= n; i += 4) {
    s0 += a[i]! * b[i]!;
    s1 += a[i + 1]! * b[i + 1]!;
    s2 += a[i + 2]! * b[i + 2]!;
    s3 += a[i + 3]! * b[i + 3]!;
  }
  for (; i < n; i++) s0 += a[i]! * b[i]!;
  return s0 + s1 + (s2 + s3);
}

function axpy(factor: number, x: Float64Array, y: Float64Array): void {
  for (let i = 0; i < y.length; i++) y[i]! += factor * x[i]!;
}

function combine(V: readonly Float64Array[], coefficients: Float64Array, size: number): Float64Array {
  const out = new Float64Array(size);
  V.forEach((v, i) => axpy(coefficients[i]!, v, out));
  return out;
}
