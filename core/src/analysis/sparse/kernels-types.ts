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
  /**
   * Signed Cholesky A = L·S·Lᵀ of the square of a panel's columns first … first + count (`blockColumns` at most); returns the
   * number of suspicious pivots. Leaves in `work` what `solveRows` needs.
   */
  factorBlock(
    width: number,
    first: number,
    count: number,
    panel: number,
    signs: number,
    diagonal: number,
    work: number,
    suspects: number,
    suspicious: number,
  ): number;
  /** The rows from … to below that square: L₂₁. */
  solveRows(
    width: number,
    first: number,
    count: number,
    panel: number,
    signs: number,
    from: number,
    to: number,
    work: number,
  ): void;
  /** Forward substitution with one panel for `stride` right-hand sides a row (even). */
  forward(rows: number, width: number, panel: number, rowNumbers: number, x: number, stride: number): void;
  /** Backward substitution with one panel. */
  backward(rows: number, width: number, panel: number, rowNumbers: number, x: number, stride: number): void;
}

/** Columns of a panel that are factored before the rest is updated. */
export const blockColumns = 32;

/** Numbers that `factorBlock` leaves in its work. */
export const blockWork = blockColumns * (blockColumns + 1);
