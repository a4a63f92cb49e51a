import { kernelsBinary, sharedKernelsBinary } from './kernels-binary.js';
import { plainKernels } from './kernels-plain.js';
import type { Arena, Kernels } from './kernels-types.js';

type Exports = Record<keyof Kernels, (...args: number[]) => number>;

/** The part of the WebAssembly interface used here: the core has no platform's types. */
interface WebAssemblyLike {
  Module: new (bytes: Uint8Array) => object;
  Instance: new (module: object, imports: object) => { exports: unknown };
  Memory: new (size: { initial: number; maximum: number; shared?: boolean }) => WasmMemory;
  validate(bytes: Uint8Array): boolean;
}

/** A WebAssembly memory; a shared one can be sent to other threads. */
export interface WasmMemory {
  readonly buffer: ArrayBuffer;
}

const compiled = new Map<string, object | null>();

/** A compiled module; null where the platform has no WebAssembly with SIMD (and threads, for the shared one). */
function compiledKernels(binary: string): { wasm: WebAssemblyLike; module: object } | null {
  const wasm = (globalThis as { WebAssembly?: WebAssemblyLike }).WebAssembly;
  if (!wasm) return null;
  let module = compiled.get(binary);
  if (module === undefined) {
    const bytes = Uint8Array.from(atob(binary), (c) => c.charCodeAt(0));
    module = wasm.validate(bytes) ? new wasm.Module(bytes) : null;
    compiled.set(binary, module);
  }
  return module ? { wasm, module } : null;
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
  const module = plain ? null : compiledKernels(kernelsBinary);
  if (module) {
    const pages = pagesFor(numbers, integers);
    return arenaIn(module, new module.wasm.Memory({ initial: pages, maximum: pages }), numbers, integers);
  }
  const arena = { numbers: new Float64Array(numbers), integers: new Int32Array(integers) };
  return { ...arena, kernels: plainKernels(arena.numbers, arena.integers) };
}

/** Memory that threads share; undefined where the platform has none. */
export function makeSharedMemory(numbers: number, integers: number): WasmMemory | undefined {
  const module = compiledKernels(sharedKernelsBinary);
  if (!module || !('SharedArrayBuffer' in globalThis)) return undefined;
  const pages = pagesFor(numbers, integers);
  return new module.wasm.Memory({ initial: pages, maximum: pages, shared: true });
}

/** One thread's view of a shared memory. */
export function sharedArena(memory: WasmMemory, numbers: number, integers: number): Arena {
  return arenaIn(compiledKernels(sharedKernelsBinary)!, memory, numbers, integers);
}

/** The module's own static data, if any, lies below this. */
const base = 1024;

const pagesFor = (numbers: number, integers: number): number =>
  Math.ceil((base + 8 * numbers + 4 * integers) / 65_536);

function arenaIn(
  { wasm, module }: { wasm: WebAssemblyLike; module: object },
  memory: WasmMemory,
  numbers: number,
  integers: number,
): Arena {
  const { exports } = new wasm.Instance(module, { env: { memory, abort: () => undefined } });
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
    factorBlock: (width, first, count, panel, signs, diagonal, work, suspects, suspicious) =>
      k.factorBlock(width, first, count, f(panel), f(signs), f(diagonal), f(work), i(suspects), suspicious),
    solveRows: (width, first, count, panel, signs, from, to, work) =>
      void k.solveRows(width, first, count, f(panel), f(signs), from, to, f(work)),
    forward: (rows, width, panel, numbers, x, stride) =>
      void k.forward(rows, width, f(panel), i(numbers), f(x), stride),
    backward: (rows, width, panel, numbers, x, stride) =>
      void k.backward(rows, width, f(panel), i(numbers), f(x), stride),
  };
}
