import type { Symbolic } from './symbolic.js';

/** K = L·D·Lᵀ with unit lower triangular L by columns. */
export interface Factor {
  readonly symbolic: Symbolic;
  readonly rows: Int32Array;
  readonly values: Float64Array;
  readonly diagonal: Float64Array;
  /** Pivots that lost nearly all of their diagonal: where the matrix may be singular. */
  readonly suspects: readonly Suspect[];
}

/** A pivot below `1e-8` of the diagonal it came from. */
export interface Suspect {
  readonly column: number;
  readonly pivot: number;
  /** The column's displacement pattern with 1 at itself and the earlier columns following: Kx = pivot·e. */
  readonly shape: Float64Array;
}

/** A pivot this small against its own diagonal is looked at as a possible mechanism. */
const suspicious = 1e-8;

/**
 * Numeric LDLᵀ, up-looking: row k of L by a sparse triangular solve with the rows above. Davis, Direct Methods, 2006.
 * A suspicious pivot is recorded with its shape and taken as held (its equation drops out), so that the rest can go on.
 *
 * @param values entries in the order of the symbolic pattern
 */
export function factorize(symbolic: Symbolic, values: Float64Array): Factor {
  const { pattern, parent, factorStart } = symbolic;
  const { size, columnStart, rows } = pattern;
  const factorRows = new Int32Array(factorStart[size]!);
  const factorValues = new Float64Array(factorStart[size]!);
  const filled = new Int32Array(size);
  const diagonal = new Float64Array(size);
  const y = new Float64Array(size);
  const stack = new Int32Array(size);
  const mark = new Int32Array(size).fill(-1);
  const suspects: Suspect[] = [];

  for (let k = 0; k < size; k++) {
    let top = size;
    mark[k] = k;
    y[k] = 0;
    for (let p = columnStart[k]!; p < columnStart[k + 1]!; p++) {
      const row = rows[p]!;
      y[row]! += values[p]!;
      // The path up the tree is pushed so that `stack[top…]` is in topological order
      let length = 0;
      for (let i = row; mark[i] !== k; i = parent[i]!) {
        stack[length++] = i;
        mark[i] = k;
      }
      while (length > 0) stack[--top] = stack[--length]!;
    }
    const own = y[k]!;
    let d = own;
    y[k] = 0;
    for (; top < size; top++) {
      const i = stack[top]!;
      const yi = y[i]!;
      y[i] = 0;
      const end = factorStart[i]! + filled[i]!;
      for (let p = factorStart[i]!; p < end; p++) y[factorRows[p]!]! -= factorValues[p]! * yi;
      const l = yi / diagonal[i]!;
      d -= l * yi;
      factorRows[end] = k;
      factorValues[end] = l;
      filled[i]!++;
    }
    if (!(d > suspicious * own)) {
      suspects.push({
        column: k,
        pivot: d,
        shape: pivotShape(k, factorStart, filled, factorRows, factorValues),
      });
      if (!(d > 1e-14 * own)) d = Infinity;
    }
    diagonal[k] = d;
  }
  return { symbolic, rows: factorRows, values: factorValues, diagonal, suspects };
}

/** Solves Lᵀx = e_k on the leading k columns. */
function pivotShape(
  k: number,
  start: Int32Array,
  filled: Int32Array,
  rows: Int32Array,
  values: Float64Array,
): Float64Array {
  const x = new Float64Array(start.length - 1);
  x[k] = 1;
  for (let i = k - 1; i >= 0; i--) {
    let sum = 0;
    for (let p = start[i]!; p < start[i]! + filled[i]!; p++) sum += values[p]! * x[rows[p]!]!;
    x[i] = -sum;
  }
  return x;
}

/** Solves K·x = b in place: forward, diagonal, backward. */
export function solveFactored(factor: Factor, b: Float64Array): void {
  const { rows, values, diagonal } = factor;
  const start = factor.symbolic.factorStart;
  const size = diagonal.length;
  for (let j = 0; j < size; j++) {
    const bj = b[j]!;
    if (bj !== 0) for (let p = start[j]!; p < start[j + 1]!; p++) b[rows[p]!]! -= values[p]! * bj;
  }
  for (let j = 0; j < size; j++) b[j]! /= diagonal[j]!;
  for (let j = size - 1; j >= 0; j--) {
    let sum = b[j]!;
    for (let p = start[j]!; p < start[j + 1]!; p++) sum -= values[p]! * b[rows[p]!]!;
    b[j] = sum;
  }
}
