import { Elimination } from './elimination.js';
import { makeArena, makeSharedMemory, sharedArena, type WasmMemory } from './kernels.js';
import type { Arena } from './kernels-types.js';
import { atOnce, layOutArena, type Layout } from './layout.js';
import type { Symbolic } from './symbolic.js';
import { availableHelpers, factorizeTogether, makeControl, planThreads } from './threads.js';

/** Pivot that lost nearly all of its diagonal: where the matrix may be singular. */
export interface Suspect {
  readonly column: number;
  readonly pivot: number;
}

/** Memory of factors that are no longer needed, by the structure that it fits: making fresh memory takes a good part of a small one's time. */
const spare = new WeakMap<Symbolic, Arena[]>();
/** Memory that is kept for the next factor: so many pieces of a structure, of no more doubles than this each. */
const mostSpare = 2;
const largestSpare = 4e6;

/** Operations after which a factorization asks whether it is to go on: some thousandths of a second. */
const operationsBetweenSteps = 1e7;

/** Something that may stop long work and wants to know how far it is. */
export interface Progress {
  /** Called now and then with the share done, 0 … 1; throws to stop the work. */
  step(done: number): void;
  /** Told what begins now, where work has several parts. */
  stage?(name: string): void;
}

/**
 * A matrix in panels, factored in place as K = L·S·Lᵀ with S = ±1 (S = 1 throughout: Cholesky): left-looking by
 * supernodes. Ng and Peyton, SIAM J. Sci. Comput. 14 (1993); Chen, Davis, Hager, Rajamanickam, ACM TOMS 35 (2008).
 */
export class Factor {
  readonly symbolic: Symbolic;
  /** Negative pivots after `factorize`: the eigenvalues below zero (Sylvester). */
  negatives = 0;
  readonly suspects: Suspect[] = [];
  private held: Arena | undefined;
  private readonly layout: Layout;
  private readonly memory: WasmMemory | undefined;

  /** @param plain with the TypeScript kernels, or not; by size when absent */
  constructor(symbolic: Symbolic, plain?: boolean) {
    this.symbolic = symbolic;
    const helpers = plain ? undefined : availableHelpers();
    const count = helpers && symbolic.flops >= helpers.worth ? helpers.count : 0;
    this.layout = layOutArena(symbolic, count + 1);
    const { numbers, integers } = this.layout;
    this.memory = count > 0 ? makeSharedMemory(numbers, integers) : undefined;
    this.held = this.memory
      ? sharedArena(this.memory, numbers, integers)
      : ((plain === undefined ? spare.get(symbolic)?.pop() : undefined) ??
        makeArena(numbers, integers, plain));
    this.held.integers.set(symbolic.rows);
  }

  /** Entries by panel; filled by the caller before `factorize`, see `placeOf`. */
  get values(): Float64Array {
    return this.arena.numbers.subarray(0, this.layout.signs);
  }

  /** Gives its memory to the next factor of the same structure: it can be asked for nothing any more. */
  release(): void {
    const { arena } = this;
    this.held = undefined;
    if (this.memory || arena.numbers.length > largestSpare) return;
    const kept = spare.get(this.symbolic) ?? [];
    spare.set(this.symbolic, kept);
    if (kept.length >= mostSpare) return;
    arena.numbers.fill(0);
    kept.push(arena);
  }

  private get arena(): Arena {
    if (!this.held) throw new Error('A factor was used after its memory had been given away.');
    return this.held;
  }

  /** Diagonal of the matrix by unknown as it was before `factorize`. */
  get diagonals(): Float64Array {
    return this.arena.numbers.subarray(this.layout.diagonal, this.layout.x);
  }

  /** Sign of the pivot of each unknown after `factorize`, 1 or −1. */
  get signs(): Float64Array {
    const { signs } = this.layout;
    return this.arena.numbers.subarray(signs, signs + this.symbolic.unknowns);
  }

  /** Replaces the matrix by its factor. */
  factorize(progress?: Progress): void {
    const { superStart, valueStart, unknowns, flops } = this.symbolic;
    const { numbers } = this.arena;
    const { signs, diagonal } = this.layout;
    const panels = superStart.length - 1;
    for (let s = 0; s < panels; s++) {
      const width = superStart[s + 1]! - superStart[s]!;
      for (let j = 0; j < width; j++)
        numbers[diagonal + superStart[s]! + j] = numbers[valueStart[s]! + j * (width + 1)]!;
    }
    const step = progress && ((millions: number) => progress.step(Math.min(1, millions / (2e-6 * flops))));
    const found = this.memory ? this.factorizeShared(this.memory, step) : this.factorizeAlone(step);
    this.negatives = 0;
    for (let i = 0; i < unknowns; i++) if (numbers[signs + i]! < 0) this.negatives++;
    this.collectSuspects(found);
  }

  private factorizeAlone(step?: (millions: number) => void): ArrayLike<number> {
    const { symbolic, arena, layout } = this;
    const elimination = new Elimination(symbolic, arena, layout, layout.scratch[0]!);
    const panels = symbolic.superStart.length - 1;
    let [done, reported] = [0, 0];
    for (let s = 0; s < panels; s++) {
      done += elimination.panel(s);
      if (step && done - reported > operationsBetweenSteps) step((reported = done) / 1e6);
    }
    return [elimination.found];
  }

  private factorizeShared(memory: WasmMemory, step?: (millions: number) => void): Int32Array {
    const { symbolic, layout } = this;
    const { unknowns, superStart, rowStart, rows, valueStart } = symbolic;
    const threads = layout.scratch.length;
    const job = {
      memory,
      structure: { unknowns, superStart, rowStart, valueStart, rowCount: rows.length },
      layout,
      plan: planThreads(symbolic, threads),
      control: makeControl(threads),
    };
    availableHelpers()?.send(job);
    return factorizeTogether(job, symbolic, this.arena, step);
  }

  /** Lists the suspicious pivots that every thread found, by column. */
  private collectSuspects(found: ArrayLike<number>): void {
    const { numbers, integers } = this.arena;
    const { superStart, valueStart } = this.symbolic;
    const columns = this.layout.scratch.flatMap(({ suspects }, t) => [
      ...integers.subarray(suspects, suspects + (found[t] ?? 0)),
    ]);
    columns.sort((a, b) => a - b);
    this.suspects.length = 0;
    let s = 0;
    for (const column of columns) {
      while (superStart[s + 1]! <= column) s++;
      const width = superStart[s + 1]! - superStart[s]!;
      const l = numbers[valueStart[s]! + (column - superStart[s]!) * (width + 1)]!;
      const sign = numbers[this.layout.signs + column]!;
      this.suspects.push({ column, pivot: l === Infinity ? 0 : sign * l * l });
    }
  }

  /** Solves K·x = b in place for right-hand sides given one after the other, each by unknown. */
  solve(b: readonly Float64Array[]): void {
    for (let first = 0; first < b.length; first += atOnce) this.solveSome(b.slice(first, first + atOnce));
  }

  private solveSome(b: readonly Float64Array[]): void {
    const { unknowns, superStart, rowStart, valueStart } = this.symbolic;
    const { numbers, kernels } = this.arena;
    const panels = superStart.length - 1;
    const stride = b.length + (b.length & 1);
    const { x, signs } = this.layout;
    for (let r = 0; r < stride; r++) {
      const column = b[r];
      for (let i = 0; i < unknowns; i++) numbers[x + i * stride + r] = column ? column[i]! : 0;
    }
    for (let s = 0; s < panels; s++)
      kernels.forward(
        rowStart[s + 1]! - rowStart[s]!,
        superStart[s + 1]! - superStart[s]!,
        valueStart[s]!,
        rowStart[s]!,
        x,
        stride,
      );
    if (this.negatives > 0)
      for (let i = 0; i < unknowns; i++)
        if (numbers[signs + i]! < 0) for (let r = 0; r < stride; r++) numbers[x + i * stride + r]! *= -1;
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
      rowStart[s]!,
      this.layout.x,
      stride,
    );
  }

  /** The shape that belongs to a pivot: Lᵀx = l·e, 1 at the column, earlier unknowns following, later ones 0. */
  pivotShape(column: number): Float64Array {
    const { unknowns, superStart } = this.symbolic;
    const { numbers } = this.arena;
    const { x } = this.layout;
    numbers.fill(0, x, x + 2 * unknowns);
    let s = 0;
    while (superStart[s + 1]! <= column) s++;
    const width = superStart[s + 1]! - superStart[s]!;
    const own = this.symbolic.valueStart[s]! + (column - superStart[s]!) * (width + 1);
    const pivot = numbers[own]!;
    numbers[own] = 1;
    numbers[x + 2 * column] = 1;
    for (let t = s; t >= 0; t--) this.backwardPanel(t, 2);
    numbers[own] = pivot;
    return Float64Array.from({ length: unknowns }, (_, i) => numbers[x + 2 * i]!);
  }
}
