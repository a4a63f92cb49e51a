import { kernelsBinary } from './kernels-binary.js';
import { plainKernels } from './kernels-plain.js';

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

type Exports = Record<keyof Kernels, (...args: number[]) => number>;

/** The part of the WebAssembly interface used here: the core has no platform's types. */
interface WebAssemblyLike {
  Module: new (bytes: Uint8Array) => object;
  Instance: new (module: object, imports: object) => { exports: unknown };
  Memory: new (size: { initial: number; maximum: number }) => { buffer: ArrayBuffer };
  validate(bytes: Uint8Array): boolean;
}

let compiled: object | null | undefined;

/** The compiled module; null where the platform has no WebAssembly with SIMD. */
function compiledKernels(): { wasm: WebAssemblyLike; module: object } | null {
  const wasm = (globalThis as { WebAssembly?: WebAssemblyLike }).WebAssembly;
  if (!wasm) return null;
  if (compiled === undefined) {
    const bytes = Uint8Array.from(atob(kernelsBinary), (c) => c.charCodeAt(0));
    compiled = wasm.validate(bytes) ? new wasm.Module(bytes) : null;
  }
  return compiled ? { wasm, module: compiled } : null;
}

/** Panels below this size stay with the TypeScript kernels: calls across cost more than they save. */
const worthIt = 20_000;

/**
 * Memory for a factorization: WebAssembly's with its kernels where available and worth it, else plain arrays.
 *
 * @param numbers doubles needed
 * @param integers 32-bit integers needed
 */
export function makeArena(numbers: number, integers: number, plain = numbers < worthIt): Arena {
  const bytes = 8 * numbers + 4 * (integers + (integers & 1)) + 64;
  const compiledModule = plain ? null : compiledKernels();
  if (!compiledModule) {
    const arena = {
      numbers: new Float64Array(numbers),
      integers: new Int32Array(integers),
    };
    return { ...arena, kernels: plainKernels(arena.numbers, arena.integers) };
  }
  const { wasm, module } = compiledModule;
  const pages = Math.ceil(bytes / 65_536) + 1;
  const memory = new wasm.Memory({ initial: pages, maximum: pages });
  const { exports } = new wasm.Instance(module, { env: { memory, abort: () => undefined } });
  // The module's own static data, if any, lies below this
  const base = 1024;
  const end = base + 8 * numbers;
  return {
    numbers: new Float64Array(memory.buffer, base, numbers),
    integers: new Int32Array(memory.buffer, end, integers),
    kernels: byteKernels(exports as Exports, base, end),
  };
}

/** Wraps the compiled kernels so that they take element offsets. */
function byteKernels(k: Exports, base: number, end: number): Kernels {
  const f = (offset: number) => base + 8 * offset;
  const i = (offset: number) => end + 4 * offset;
  return {
    update: (m, n, depth, a, lda, b, ldb, target, rows, columns, lower) =>
      void k.update(m, n, depth, f(a), lda, f(b), ldb, f(target), i(rows), i(columns), lower),
    factorPanel: (rows, width, panel, signs, diagonal, work, identity, suspects, suspicious) =>
      k.factorPanel(
        rows,
        width,
        f(panel),
        f(signs),
        f(diagonal),
        f(work),
        i(identity),
        i(suspects),
        suspicious,
      ),
    forward: (rows, width, panel, numbers, x, stride) =>
      void k.forward(rows, width, f(panel), i(numbers), f(x), stride),
    backward: (rows, width, panel, numbers, x, stride) =>
      void k.backward(rows, width, f(panel), i(numbers), f(x), stride),
  };
}
