/** Memory that panels, row numbers and right-hand sides share, and the kernels that work on it. */
export interface Arena {
  readonly numbers: Float64Array;
  readonly integers: Int32Array;
  readonly kernels: Kernels;
}

/**
 * Dense kernels. All places are element offsets into the arena's `numbers` (panels, signs, diagonals, x) or `integers`
 * (row numbers, offsets); panels are row-major.
 */
export interface Kernels {
  /** target[rowOffset[i] + columnOffset[j]] −= Σₖ a[i][k]·b[j][k]; with `lower` only blocks that reach j ≤ i. */
  update(
    m: number,
    n: number,
    depth: number,
    a: number,
    lda: number,
    b: number,
    ldb: number,
    target: number,
    rowOffsets: number,
    columnOffsets: number,
    lower: number,
  ): void;
  /** Signed Cholesky A = L·S·Lᵀ of the panel's top square and L₂₁ below; returns the number of suspicious pivots. */
  factorPanel(
    rows: number,
    width: number,
    panel: number,
    signs: number,
    diagonal: number,
    work: number,
    identityRows: number,
    suspects: number,
    suspicious: number,
  ): number;
  /** Forward substitution with one panel for `stride` right-hand sides a row (even). */
  forward(rows: number, width: number, panel: number, rowNumbers: number, x: number, stride: number): void;
  /** Backward substitution with one panel. */
  backward(rows: number, width: number, panel: number, rowNumbers: number, x: number, stride: number): void;
}

/** Columns of a panel that are factored before the rest is updated. */
export const blockColumns = 32;
