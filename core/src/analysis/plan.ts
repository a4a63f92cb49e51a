import type { Frame } from './frame.js';
import { minimumDegreeOrder } from './sparse/ordering.js';
import { analysePattern, type Symbolic } from './sparse/symbolic.js';

/** Everything about the equations that depends on topology only: kept while parameters are dragged. */
export interface Plan {
  readonly size: number;
  /** 6 a node: equation number, or −1. */
  readonly equation: Int32Array;
  readonly symbolic: Symbolic;
  /** 144 a member: place of each stiffness entry in the matrix values, or −1. */
  readonly scatter: Int32Array;
  /** Place of each equation's diagonal in the matrix values. */
  readonly diagonal: Int32Array;
}

const kept = new Map<string, Plan>();
const mostKept = 64;

/** The plan for a frame's topology and unknowns, made once and kept. */
export function planFor(frame: Frame, active: Uint8Array): Plan {
  const key = `${frame.start.join()}|${frame.end.join()}|${active.join('')}`;
  let plan = kept.get(key);
  if (plan) kept.delete(key);
  else plan = makePlan(frame, active);
  kept.set(key, plan);
  if (kept.size > mostKept) kept.delete(kept.keys().next().value!);
  return plan;
}

function makePlan(frame: Frame, active: Uint8Array): Plan {
  const nodeCount = frame.nodeIds.length;
  const memberCount = frame.memberIds.length;
  const neighbours = Array.from({ length: nodeCount }, () => new Set<number>());
  for (let m = 0; m < memberCount; m++) {
    const a = frame.start[m]!;
    const b = frame.end[m]!;
    if (a !== b) {
      neighbours[a]!.add(b);
      neighbours[b]!.add(a);
    }
  }
  const equation = new Int32Array(6 * nodeCount).fill(-1);
  let size = 0;
  for (const n of minimumDegreeOrder(neighbours))
    for (let k = 0; k < 6; k++) if (active[6 * n + k]) equation[6 * n + k] = size++;

  // Upper pattern: column j holds the smaller equations of its own node and of the neighbouring nodes
  const columnStart = new Int32Array(size + 1);
  const columns: number[][] = Array.from({ length: size }, () => []);
  for (let n = 0; n < nodeCount; n++)
    for (let k = 0; k < 6; k++) {
      const j = equation[6 * n + k]!;
      if (j < 0) continue;
      for (const other of [n, ...neighbours[n]!])
        for (let q = 0; q < 6; q++) {
          const i = equation[6 * other + q]!;
          if (i >= 0 && i <= j) columns[j]!.push(i);
        }
    }
  for (let j = 0; j < size; j++) {
    columns[j]!.sort((a, b) => a - b);
    columnStart[j + 1] = columnStart[j]! + columns[j]!.length;
  }
  const rows = new Int32Array(columnStart[size]!);
  for (let j = 0; j < size; j++) rows.set(columns[j]!, columnStart[j]);

  const place = (i: number, j: number): number => {
    const column = Math.max(i, j);
    const row = Math.min(i, j);
    let low = columnStart[column]!;
    let high = columnStart[column + 1]! - 1;
    while (low < high) {
      const middle = (low + high) >> 1;
      if (rows[middle]! < row) low = middle + 1;
      else high = middle;
    }
    return low;
  };
  const scatter = new Int32Array(144 * memberCount).fill(-1);
  const own = new Int32Array(12);
  for (let m = 0; m < memberCount; m++) {
    memberEquations(frame, equation, m, own);
    for (let i = 0; i < 12; i++)
      for (let j = 0; j < 12; j++)
        // Each pair of equations is stored once: the upper triangle takes the entry whose row is not below its column
        if (own[i]! >= 0 && own[j]! >= 0 && own[i]! <= own[j]!)
          scatter[144 * m + 12 * i + j] = place(own[i]!, own[j]!);
  }
  const diagonal = Int32Array.from({ length: size }, (_, j) => columnStart[j + 1]! - 1);
  return { size, equation, symbolic: analysePattern({ size, columnStart, rows }), scatter, diagonal };
}

/** The twelve equation numbers of a member, −1 where a freedom is held. */
export function memberEquations(frame: Frame, equation: Int32Array, member: number, out: Int32Array): void {
  const a = 6 * frame.start[member]!;
  const b = 6 * frame.end[member]!;
  for (let k = 0; k < 6; k++) {
    out[k] = equation[a + k]!;
    out[k + 6] = equation[b + k]!;
  }
}
