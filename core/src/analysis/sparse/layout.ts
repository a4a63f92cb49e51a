import { blockColumns, blockWork } from './kernels-types.js';
import type { Symbolic } from './symbolic.js';

/** What a thread needs for itself while it factors: places in the arena. */
export interface Scratch {
  /** In the numbers: what `factorBlock` leaves, and behind it the signed copy of rows. */
  readonly work: number;
  /** In the integers. */
  readonly rowOffsets: number;
  readonly columnOffsets: number;
  /** i × width of a panel's rows, with the columns of a block behind them. */
  readonly ownRows: number;
  /** Columns of suspicious pivots. */
  readonly suspects: number;
}

/** Where everything of a factorization lies in its arena. */
export interface Layout {
  /** In the numbers, behind the panels: signs of the pivots, the diagonal as it was, right-hand sides. */
  readonly signs: number;
  readonly diagonal: number;
  readonly x: number;
  readonly scratch: readonly Scratch[];
  /** Sizes of the arena. */
  readonly numbers: number;
  readonly integers: number;
}

/** Right-hand sides that are solved for at once. */
export const atOnce = 8;

/** Lays out the arena of a factorization by a number of threads. The rows of the panels lead the integers. */
export function layOutArena(symbolic: Symbolic, threads: number): Layout {
  const { unknowns, superStart, rowStart, rows, valueStart } = symbolic;
  const panels = superStart.length - 1;
  let widest = 1;
  let longest = 0;
  for (let s = 0; s < panels; s++) {
    widest = Math.max(widest, superStart[s + 1]! - superStart[s]!);
    longest = Math.max(longest, rowStart[s + 1]! - rowStart[s]!);
  }
  const signs = valueStart[panels]!;
  const diagonal = signs + unknowns;
  const x = diagonal + unknowns;
  let numbers = x + atOnce * unknowns + 2;
  let integers = rows.length;
  const take = (count: number): number => (integers += count) - count;
  const scratch = Array.from({ length: threads }, () => {
    const work = numbers;
    numbers += blockWork + Math.max(blockColumns, widest) * widest;
    return {
      work,
      rowOffsets: take(longest),
      columnOffsets: take(widest),
      ownRows: take(longest + blockColumns),
      suspects: take(unknowns),
    };
  });
  return { signs, diagonal, x, scratch, numbers, integers };
}
