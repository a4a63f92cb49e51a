import type { Kernels } from './kernels-types.js';

/** The kernels in TypeScript: the reference for the compiled ones, and what small frames use. */
export function plainKernels(A: Float64Array, I: Int32Array): Kernels {
  const update: Kernels['update'] = (
    m,
    n,
    depth,
    a,
    lda,
    b,
    ldb,
    target,
    rowOffsets,
    columnOffsets,
    lower,
  ) => {
    let i = 0;
    for (; i + 2 <= m; i += 2) {
      const last = lower ? Math.min(n, i + 2) : n;
      const r0 = target + I[rowOffsets + i]!;
      const r1 = target + I[rowOffsets + i + 1]!;
      const a0 = a + i * lda;
      let j = 0;
      for (; j + 2 <= last; j += 2) {
        let s00 = 0;
        let s01 = 0;
        let s10 = 0;
        let s11 = 0;
        let p = a0;
        let q = a0 + lda;
        let x = b + j * ldb;
        let y = x + ldb;
        for (const end = p + depth; p < end; p++, q++, x++, y++) {
          const ap = A[p]!;
          const aq = A[q]!;
          const bx = A[x]!;
          const by = A[y]!;
          s00 += ap * bx;
          s01 += ap * by;
          s10 += aq * bx;
          s11 += aq * by;
        }
        const c0 = I[columnOffsets + j]!;
        const c1 = I[columnOffsets + j + 1]!;
        A[r0 + c0]! -= s00;
        A[r0 + c1]! -= s01;
        A[r1 + c0]! -= s10;
        A[r1 + c1]! -= s11;
      }
      if (j < last) {
        const c = I[columnOffsets + j]!;
        A[r0 + c]! -= dot(A, a0, b + j * ldb, depth);
        A[r1 + c]! -= dot(A, a0 + lda, b + j * ldb, depth);
      }
    }
    if (i < m) {
      const row = target + I[rowOffsets + i]!;
      const last = lower ? Math.min(n, i + 1) : n;
      for (let j = 0; j < last; j++)
        A[row + I[columnOffsets + j]!]! -= dot(A, a + i * lda, b + j * ldb, depth);
    }
  };

  const solveEntry = (
    other: number,
    column: number,
    first: number,
    row: number,
    signs: number,
    work: number,
  ): void => {
    let sum = A[other + column]!;
    for (let k = first; k < column; k++) sum -= A[other + k]! * A[row + k]! * A[signs + k]!;
    A[other + column] = sum * A[work + column - first]!;
  };

  return {
    update,

    factorBlock(width, first, count, panel, signs, diagonal, work, suspects, suspicious) {
      let found = 0;
      for (let column = first; column < first + count; column++) {
        const row = panel + column * width;
        let d = A[row + column]!;
        for (let k = first; k < column; k++) d -= A[row + k]! ** 2 * A[signs + k]!;
        const scale = Math.abs(A[diagonal + column]!);
        if (!(Math.abs(d) > suspicious * scale)) {
          I[suspects + found++] = column;
          if (!(Math.abs(d) > 1e-15 * scale)) d = Infinity;
        }
        const sign = d < 0 ? -1 : 1;
        A[signs + column] = sign;
        const pivot = Math.sqrt(Math.abs(d));
        A[row + column] = pivot;
        A[work + column - first] = sign / pivot;
        for (let i = column + 1; i < first + count; i++)
          solveEntry(panel + i * width, column, first, row, signs, work);
      }
      return found;
    },

    solveRows(width, first, count, panel, signs, from, to, work) {
      for (let i = from; i < to; i++)
        for (let column = first; column < first + count; column++)
          solveEntry(panel + i * width, column, first, panel + column * width, signs, work);
    },

    forward(rows, width, panel, rowNumbers, x, stride) {
      const top = x + I[rowNumbers]! * stride;
      for (let i = 0; i < rows; i++) {
        const l = panel + i * width;
        const own = x + I[rowNumbers + i]! * stride;
        const count = Math.min(i, width);
        for (let k = 0; k < count; k++) {
          const factor = A[l + k]!;
          if (factor === 0) continue;
          const at = top + k * stride;
          for (let r = 0; r < stride; r++) A[own + r]! -= factor * A[at + r]!;
        }
        if (i < width) for (let r = 0; r < stride; r++) A[own + r]! /= A[l + i]!;
      }
    },

    backward(rows, width, panel, rowNumbers, x, stride) {
      const top = x + I[rowNumbers]! * stride;
      for (let i = rows - 1; i >= 0; i--) {
        const l = panel + i * width;
        const own = x + I[rowNumbers + i]! * stride;
        if (i < width) for (let r = 0; r < stride; r++) A[own + r]! /= A[l + i]!;
        const count = Math.min(i, width);
        for (let k = 0; k < count; k++) {
          const factor = A[l + k]!;
          if (factor === 0) continue;
          const at = top + k * stride;
          for (let r = 0; r < stride; r++) A[at + r]! -= factor * A[own + r]!;
        }
      }
    },
  };
}

function dot(A: Float64Array, a: number, b: number, count: number): number {
  let sum = 0;
  for (let k = 0; k < count; k++) sum += A[a + k]! * A[b + k]!;
  return sum;
}
