import { kernelsBinary } from './kernels-binary.js';
import { plainKernels } from './kernels-plain.js';
import type { Arena, Kernels } from './kernels-types.js';

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
