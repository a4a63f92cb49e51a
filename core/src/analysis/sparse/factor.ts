import { makeArena } from './kernels.js';
import { blockColumns, type Arena } from './kernels-types.js';
import type { Symbolic } from './symbolic.js';

/** Pivot that lost nearly all of its diagonal: where the matrix may be singular. */
export interface Suspect {
  readonly column: number;
  readonly pivot: number;
}

/** Something that may stop long work and wants to know how far it is. */
export interface Progress {
  /** Called now and then with the share done, 0 … 1; throws to stop the work. */
  step(done: number): void;
}

/** Supernodes that were factored before and still have rows to update, as one list a supernode. */
const most = 8;
/** A pivot this small against its own diagonal is looked at as a possible mechanism. */
const suspicious = 1e-8;

/**
 * A matrix in panels, factored in place as K = L·S·Lᵀ with S = ±1 (S = 1 throughout: Cholesky): left-looking by
 * supernodes. Ng and Peyton, SIAM J. Sci. Comput. 14 (1993); Chen, Davis, Hager, Rajamanickam, ACM TOMS 35 (2008).
 */
export class Factor {
  readonly symbolic: Symbolic;
  /** Entries by panel; filled by the caller before `factorize`, see `placeOf`. */
  readonly values: Float64Array;
  /** Negative pivots after `factorize`: the eigenvalues below zero (Sylvester). */
  negatives = 0;
  /** Largest over smallest |pivot|: a lower bound of the condition number. */
  spread = 1;
  readonly suspects: Suspect[] = [];
  private readonly arena: Arena;
  private readonly signs: number;
  private readonly diagonal: number;
  private readonly work: number;
  private readonly x: number;
  private readonly rowNumbers: number;
  private readonly rowOffsets: number;
  private readonly columnOffsets: number;
  private readonly identity: number;
  private readonly suspectList: number;
  private anyNegative = false;

  constructor(symbolic: Symbolic, plain?: boolean) {
    this.symbolic = symbolic;
    const { unknowns, superStart, rowStart, rows, valueStart } = symbolic;
    const panels = superStart.length - 1;
    const entries = valueStart[panels]!;
    let widest = 0;
    let longest = 0;
    for (let s = 0; s < panels; s++) {
      widest = Math.max(widest, superStart[s + 1]! - superStart[s]!);
      longest = Math.max(longest, rowStart[s + 1]! - rowStart[s]!);
    }
    this.signs = entries;
    this.diagonal = this.signs + unknowns;
    this.work = this.diagonal + unknowns;
    const workSize = blockColumns * (blockColumns + 1) + Math.max(blockColumns, widest) * widest;
    this.x = this.work + workSize;
    this.rowNumbers = 0;
    this.rowOffsets = rows.length;
    this.columnOffsets = this.rowOffsets + longest;
    this.identity = this.columnOffsets + Math.max(widest, 1);
    this.suspectList = this.identity + longest + blockColumns;
    this.arena = makeArena(this.x + most * unknowns + 2, this.suspectList + widest, plain);
    this.arena.integers.set(rows, this.rowNumbers);
    this.values = this.arena.numbers.subarray(0, entries);
  }

  /** Diagonal of the matrix by unknown as it was before `factorize`. */
  get diagonals(): Float64Array {
    return this.arena.numbers.subarray(this.diagonal, this.diagonal + this.symbolic.unknowns);
  }

  /** Replaces the matrix by its factor. */
  factorize(progress?: Progress): void {
    const { superStart, rowStart, rows, valueStart, unknowns, flops } = this.symbolic;
    const { numbers, integers, kernels } = this.arena;
    const panels = superStart.length - 1;
    this.suspects.length = 0;
    this.negatives = 0;
    this.anyNegative = false;
    for (let s = 0; s < panels; s++) {
      const width = superStart[s + 1]! - superStart[s]!;
      for (let j = 0; j < width; j++)
        numbers[this.diagonal + superStart[s]! + j] = numbers[valueStart[s]! + j * (width + 1)]!;
    }
    // Panels whose next rows to update belong to each panel, as linked lists; `next row` within the panel
    const head = new Int32Array(panels).fill(-1);
    const link = new Int32Array(panels).fill(-1);
    const nextRow = new Int32Array(panels);
    const panelOf = new Int32Array(unknowns);
    for (let s = 0; s < panels; s++) panelOf.fill(s, superStart[s], superStart[s + 1]);
    const local = new Int32Array(unknowns);
    let done = 0;
    let reported = 0;

    for (let s = 0; s < panels; s++) {
      const first = superStart[s]!;
      const width = superStart[s + 1]! - first;
      const count = rowStart[s + 1]! - rowStart[s]!;
      const panel = valueStart[s]!;
      for (let i = 0; i < count; i++) {
        local[rows[rowStart[s]! + i]!] = i * width;
        integers[this.identity + i] = i * width;
      }

      for (let d = head[s]!; d !== -1;) {
        const following = link[d]!;
        const from = rowStart[d]! + nextRow[d]!;
        const end = rowStart[d + 1]!;
        let to = from;
        while (to < end && rows[to]! < first + width) to++;
        const depth = superStart[d + 1]! - superStart[d]!;
        for (let i = from; i < end; i++) integers[this.rowOffsets + i - from] = local[rows[i]!]!;
        for (let j = from; j < to; j++) integers[this.columnOffsets + j - from] = rows[j]! - first;
        const a = valueStart[d]! + nextRow[d]! * depth;
        let b = a;
        if (this.anyNegative && this.signed(d)) {
          b = this.work;
          for (let j = 0; j < to - from; j++)
            for (let k = 0; k < depth; k++)
              numbers[b + j * depth + k] =
                numbers[a + j * depth + k]! * numbers[this.signs + superStart[d]! + k]!;
        }
        kernels.update(
          end - from,
          to - from,
          depth,
          a,
          depth,
          b,
          depth,
          panel,
          this.rowOffsets,
          this.columnOffsets,
          1,
        );
        done += 2 * (end - from) * (to - from) * depth;
        nextRow[d] = to - rowStart[d]!;
        if (to < end) {
          const into = panelOf[rows[to]!]!;
          link[d] = head[into]!;
          head[into] = d;
        }
        d = following;
      }

      const found = kernels.factorPanel(
        count,
        width,
        panel,
        this.signs + first,
        this.diagonal + first,
        this.work,
        this.identity,
        this.suspectList,
        suspicious,
      );
      done += width * width * count;
      for (let k = 0; k < found; k++) {
        const j = integers[this.suspectList + k]!;
        const l = numbers[panel + j * (width + 1)]!;
        const sign = numbers[this.signs + first + j]!;
        this.suspects.push({ column: first + j, pivot: l === Infinity ? 0 : sign * l * l });
      }
      for (let j = 0; j < width; j++) if (numbers[this.signs + first + j]! < 0) this.negatives++;
      this.anyNegative ||= this.negatives > 0;
      if (count > width) {
        nextRow[s] = width;
        const into = panelOf[rows[rowStart[s]! + width]!]!;
        link[s] = head[into]!;
        head[into] = s;
      }
      if (progress && done - reported > 2e8) {
        reported = done;
        progress.step(Math.min(1, done / (2 * flops)));
      }
    }
  }

  private signed(s: number): boolean {
    const { superStart } = this.symbolic;
    for (let c = superStart[s]!; c < superStart[s + 1]!; c++)
      if (this.arena.numbers[this.signs + c]! < 0) return true;
    return false;
  }

  /** Solves K·x = b in place for right-hand sides given one after the other, each by unknown. */
  solve(b: readonly Float64Array[]): void {
    for (let first = 0; first < b.length; first += most) this.solveSome(b.slice(first, first + most));
  }

  private solveSome(b: readonly Float64Array[]): void {
    const { unknowns, superStart, rowStart, valueStart } = this.symbolic;
    const { numbers, kernels } = this.arena;
    const panels = superStart.length - 1;
    const stride = b.length + (b.length & 1);
    const x = this.x;
    for (let r = 0; r < stride; r++) {
      const column = b[r];
      for (let i = 0; i < unknowns; i++) numbers[x + i * stride + r] = column ? column[i]! : 0;
    }
    for (let s = 0; s < panels; s++)
      kernels.forward(
        rowStart[s + 1]! - rowStart[s]!,
        superStart[s + 1]! - superStart[s]!,
        valueStart[s]!,
        this.rowNumbers + rowStart[s]!,
        x,
        stride,
      );
    if (this.anyNegative)
      for (let i = 0; i < unknowns; i++)
        if (numbers[this.signs + i]! < 0) for (let r = 0; r < stride; r++) numbers[x + i * stride + r]! *= -1;
    for (let s = panels - 1; s >= 0; s--) this.backwardPanel(s, stride);
    b.forEach((column, r) => {
      for (let i = 0; i < unknowns; i++) column[i] = numbers[x + i * stride + r]!;
    });
  }

  private backwardPanel(s: number, stride: number): void {
    const { superStart, rowStart, valueStart } = this.symbolic;
    this.arena.kernels.backward(
      rowStart[s + 1]! - rowStart[s]!,
      superStart[s + 1]! - superStart[s]!,
      valueStart[s]!,
      this.rowNumbers + rowStart[s]!,
      this.x,
      stride,
    );
  }

  /** The shape that belongs to a pivot: Lᵀx = l·e, 1 at the column, earlier unknowns following, later ones 0. */
  pivotShape(column: number): Float64Array {
    const { unknowns, superStart } = this.symbolic;
    const { numbers } = this.arena;
    numbers.fill(0, this.x, this.x + 2 * unknowns);
    let s = 0;
    while (superStart[s + 1]! <= column) s++;
    const width = superStart[s + 1]! - superStart[s]!;
    const own = this.symbolic.valueStart[s]! + (column - superStart[s]!) * (width + 1);
    const pivot = numbers[own]!;
    numbers[own] = 1;
    numbers[this.x + 2 * column] = 1;
    for (let t = s; t >= 0; t--) this.backwardPanel(t, 2);
    numbers[own] = pivot;
    return Float64Array.from({ length: unknowns }, (_, i) => numbers[this.x + 2 * i]!);
  }
}
