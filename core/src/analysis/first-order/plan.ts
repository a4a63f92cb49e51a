import { held, type Constraints } from '../frame/constraints.js';
import type { Frame } from '../frame/frame.js';
import { graphOfCliques } from '../sparse/graph.js';
import { analyseGraph, placeOf, type Symbolic } from '../sparse/symbolic.js';

/** Everything about the equations that depends on topology only: kept while parameters are dragged. */
export interface Plan {
  readonly symbolic: Symbolic;
  readonly size: number;
  /** Equation of each unknown. */
  readonly equation: Int32Array;
  /** 6 a node: equation of a freedom that is an unknown of its own, else −1. */
  readonly nodeEquation: Int32Array;
  /** Members between plain nodes: places of the blocks start–start, end–end and end–start, 3 a member. */
  readonly places: Float64Array;
  readonly strides: Int32Array;
  /** 1 where the end's block is eliminated first, so that the mixed block lies transposed. */
  readonly transposed: Uint8Array;
  /** 1 where both nodes are plain. */
  readonly direct: Uint8Array;
  /** Place of each equation's diagonal in the matrix. */
  readonly diagonal: Float64Array;
  /** What the plan was made for. */
  readonly key: PlanKey;
}

interface PlanKey {
  readonly start: Int32Array;
  readonly end: Int32Array;
  readonly unknown: Int32Array;
  readonly blockOf: Int32Array;
  readonly slotOf: Int32Array;
  readonly cliques: Int32Array;
  readonly cliqueStart: Int32Array;
}

const kept: Plan[] = [];
const mostKept = 64;

/** The plan for a frame's topology and unknowns, made once and kept. */
export function planFor(frame: Frame, constraints: Constraints): Plan {
  const cliques = memberCliques(frame, constraints);
  const key = {
    start: frame.start,
    end: frame.end,
    unknown: constraints.unknown,
    blockOf: constraints.blockOf,
    slotOf: constraints.slotOf,
    cliques: cliques.members,
    cliqueStart: cliques.start,
  };
  const at = kept.findIndex((plan) => sameKey(plan.key, key));
  const plan = at >= 0 ? kept.splice(at, 1)[0]! : makePlan(frame, constraints, cliques, key);
  kept.unshift(plan);
  kept.length = Math.min(kept.length, mostKept);
  return plan;
}

function sameKey(a: PlanKey, b: PlanKey): boolean {
  return (
    same(a.unknown, b.unknown) &&
    same(a.start, b.start) &&
    same(a.end, b.end) &&
    same(a.blockOf, b.blockOf) &&
    same(a.slotOf, b.slotOf) &&
    same(a.cliqueStart, b.cliqueStart) &&
    same(a.cliques, b.cliques)
  );
}

function same(a: Int32Array, b: Int32Array): boolean {
  if (a === b) return true;
  if (a.length !== b.length) return false;
  for (let i = 0; i < a.length; i++) if (a[i] !== b[i]) return false;
  return true;
}

/** The symbolic factorization for the blocks that meet in an equation. */
export function analyseCliques({ weights, positions }: Constraints, cliques: Cliques): Symbolic {
  return analyseGraph(graphOfCliques(weights, cliques.start, cliques.members, positions));
}

interface Cliques {
  readonly start: Int32Array;
  readonly members: Int32Array;
}

/** Blocks that each member, and each node whose freedoms are tied, brings into one equation. */
export function memberCliques(frame: Frame, constraints: Constraints): Cliques {
  const { unknown, blockOf, plain } = constraints;
  const starts = [0];
  const members: number[] = [];
  const ownBlock = (n: number): number => {
    for (let k = 0; k < 6; k++) if (unknown[6 * n + k]! >= 0) return blockOf[unknown[6 * n + k]!]!;
    return -1;
  };
  const blocks = new Int32Array(frame.nodeIds.length);
  for (let n = 0; n < blocks.length; n++) blocks[n] = ownBlock(n);
  const addNode = (n: number, into: number[]): void => {
    if (blocks[n]! >= 0 && !into.includes(blocks[n]!)) into.push(blocks[n]!);
    if (plain[n]) return;
    for (let k = 0; k < 6; k++)
      for (const u of constraints.dependents.get(6 * n + k)?.unknowns ?? [])
        if (!into.includes(blockOf[u]!)) into.push(blockOf[u]!);
  };
  for (let m = 0; m < frame.memberIds.length; m++) {
    const a = frame.start[m]!;
    const b = frame.end[m]!;
    if (plain[a] && plain[b]) {
      if (blocks[a]! < 0 || blocks[b]! < 0 || a === b) continue;
      members.push(blocks[a]!, blocks[b]!);
    } else {
      const into: number[] = [];
      addNode(a, into);
      addNode(b, into);
      members.push(...into);
    }
    starts.push(members.length);
  }
  for (let n = 0; n < plain.length; n++) {
    if (plain[n]) continue;
    const into: number[] = [];
    addNode(n, into);
    members.push(...into);
    starts.push(members.length);
  }
  return { start: Int32Array.from(starts), members: Int32Array.from(members) };
}

function makePlan(frame: Frame, constraints: Constraints, cliques: Cliques, key: PlanKey): Plan {
  const { weights, blockOf, slotOf, unknown, plain } = constraints;
  const symbolic = analyseCliques(constraints, cliques);
  const equation = Int32Array.from(blockOf, (b, u) => symbolic.offset[b]! + slotOf[u]!);
  const nodeEquation = new Int32Array(unknown.length).fill(held);
  for (let i = 0; i < unknown.length; i++) if (unknown[i]! >= 0) nodeEquation[i] = equation[unknown[i]!]!;
  const diagonal = new Float64Array(symbolic.unknowns);
  for (let b = 0; b < weights.length; b++) {
    const { at, stride } = placeOf(symbolic, b, b);
    for (let k = 0; k < weights[b]!; k++) diagonal[symbolic.offset[b]! + k] = at + k * (stride + 1);
  }
  const count = frame.memberIds.length;
  const places = new Float64Array(3 * count);
  const strides = new Int32Array(3 * count);
  const transposed = new Uint8Array(count);
  const direct = new Uint8Array(count);
  const blockOfNode = (n: number): number => {
    for (let k = 0; k < 6; k++) if (unknown[6 * n + k]! >= 0) return blockOf[unknown[6 * n + k]!]!;
    return -1;
  };
  for (let m = 0; m < count; m++) {
    const a = frame.start[m]!;
    const b = frame.end[m]!;
    direct[m] = plain[a]! & plain[b]! & (a === b ? 0 : 1);
    if (!direct[m]) continue;
    const ends = [blockOfNode(a), blockOfNode(b)];
    const pairs = [
      [0, 0],
      [1, 1],
      [1, 0],
    ] as const;
    pairs.forEach(([p, q], k) => {
      const i = ends[p]!;
      const j = ends[q]!;
      if (i < 0 || j < 0) return;
      const place = placeOf(symbolic, i, j);
      places[3 * m + k] = place.at;
      strides[3 * m + k] = place.stride;
      if (k === 2) transposed[m] = place.transposed ? 1 : 0;
    });
  }
  return {
    symbolic,
    size: symbolic.unknowns,
    equation,
    nodeEquation,
    places,
    strides,
    transposed,
    direct,
    diagonal,
    key,
  };
}

/** Place of the matrix entry of two unknowns that share an equation. */
export function entryPlace(plan: Plan, constraints: Constraints, u: number, v: number): number {
  const { at, stride, transposed } = placeOf(plan.symbolic, constraints.blockOf[u]!, constraints.blockOf[v]!);
  const i = constraints.slotOf[u]!;
  const j = constraints.slotOf[v]!;
  return transposed ? at + j * stride + i : at + i * stride + j;
}
