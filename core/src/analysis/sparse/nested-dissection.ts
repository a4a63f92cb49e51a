import type { BlockGraph } from './graph.js';
import { minimumDegreeOrder } from './minimum-degree.js';
import { vertexCover } from './vertex-cover.js';

/** Parts of at most this many blocks are ordered by minimum degree. */
const leafSize = 96;
/** Where a cut may lie, as shares of the part's weight. */
const balance = [0.3, 0.7] as const;

/**
 * Fill-reducing order by nested dissection: a part is cut in two along its coordinates or its level structure, wherever
 * the fewest unknowns stand at the cut; the halves come first and the separator last. George, SIAM J. Numer. Anal. 10
 * (1973). The separator of a cut is a minimum vertex cover of its edges.
 *
 * @returns the blocks in the order of elimination
 */
export function nestedDissectionOrder(graph: BlockGraph): Int32Array {
  const count = graph.weights.length;
  const order = new Int32Array(count);
  const work = new Dissection(graph);
  const parts: { blocks: Int32Array; end: number }[] = [
    { blocks: Int32Array.from({ length: count }, (_, i) => i), end: count },
  ];
  while (parts.length > 0) {
    const { blocks, end } = parts.pop()!;
    const cut = blocks.length > leafSize ? work.cut(blocks) : undefined;
    if (!cut) {
      const leaf = work.subgraph(blocks);
      minimumDegreeOrder(leaf).forEach((v, k) => (order[end - blocks.length + k] = blocks[v]!));
      continue;
    }
    order.set(cut.separator, end - cut.separator.length);
    let before = end - cut.separator.length;
    for (const half of cut.halves) {
      if (half.length > 0) parts.push({ blocks: half, end: before });
      before -= half.length;
    }
  }
  return order;
}

interface Cut {
  readonly halves: readonly [Int32Array, Int32Array];
  readonly separator: Int32Array;
}

/** Work arrays over all blocks, and the cuts made with them. */
class Dissection {
  private readonly graph: BlockGraph;
  private readonly local: Int32Array;
  /** Stamp of the part or search that saw a block last. */
  private readonly seen: Int32Array;
  private readonly inside: Int32Array;
  private readonly level: Int32Array;
  private readonly key: Float64Array;
  private stamp = 0;

  constructor(graph: BlockGraph) {
    const count = graph.weights.length;
    this.graph = graph;
    this.local = new Int32Array(count).fill(-1);
    this.seen = new Int32Array(count);
    this.inside = new Int32Array(count);
    this.level = new Int32Array(count);
    this.key = new Float64Array(count);
  }

  /** The graph between the given blocks only. */
  subgraph(blocks: Int32Array): BlockGraph {
    const { graph, local } = this;
    blocks.forEach((v, k) => (local[v] = k));
    const start = new Int32Array(blocks.length + 1);
    const neighbours: number[] = [];
    blocks.forEach((v, k) => {
      for (let p = graph.start[v]!; p < graph.start[v + 1]!; p++) {
        const u = local[graph.neighbours[p]!]!;
        if (u >= 0) neighbours.push(u);
      }
      start[k + 1] = neighbours.length;
    });
    const weights = Int32Array.from(blocks, (v) => graph.weights[v]!);
    blocks.forEach((v) => (local[v] = -1));
    return { weights, start, neighbours: Int32Array.from(neighbours) };
  }

  cut(blocks: Int32Array): Cut | undefined {
    const id = ++this.stamp;
    for (const v of blocks) this.inside[v] = id;
    const reached = this.levelStructure(blocks, id);
    if (reached.length < blocks.length) {
      // Not connected: nothing has to separate what was reached from the rest
      const found = this.stamp;
      const rest = blocks.filter((v) => this.seen[v] !== found);
      return { halves: [Int32Array.from(reached), rest], separator: new Int32Array(0) };
    }
    let best: { sorted: Int32Array; at: number; cost: number } | undefined;
    const xyz = this.graph.positions;
    for (let axis = xyz ? 0 : 3; axis < 4; axis++) {
      for (const v of blocks) this.key[v] = axis < 3 ? xyz![3 * v + axis]! : this.level[v]!;
      const sorted = blocks.slice().sort((a, b) => this.key[a]! - this.key[b]!);
      for (const at of this.places(sorted)) {
        const cost = this.estimate(sorted, at, id);
        if (!best || cost < best.cost) best = { sorted, at, cost };
      }
    }
    if (!best) return undefined;
    return this.separate(best.sorted.slice(0, best.at), best.sorted.slice(best.at), id);
  }

  /** Breadth first from a block far out (George and Liu's pseudo-peripheral vertex); levels, and the blocks reached. */
  private levelStructure(blocks: Int32Array, id: number): number[] {
    const { graph, seen, inside, level } = this;
    let root = blocks[0]!;
    let reached: number[] = [];
    for (let sweep = 0; sweep < 3; sweep++) {
      const stamp = ++this.stamp;
      seen[root] = stamp;
      level[root] = 0;
      reached = [root];
      for (let k = 0; k < reached.length; k++) {
        const v = reached[k]!;
        for (let p = graph.start[v]!; p < graph.start[v + 1]!; p++) {
          const u = graph.neighbours[p]!;
          if (inside[u] !== id || seen[u] === stamp) continue;
          seen[u] = stamp;
          level[u] = level[v]! + 1;
          reached.push(u);
        }
      }
      root = reached[reached.length - 1]!;
    }
    return reached;
  }

  /** Places to cut a sorted part: nearest its middle, and at the widest gap of the key (between storeys, say). */
  private places(sorted: Int32Array): number[] {
    const { weights } = this.graph;
    let total = 0;
    for (const v of sorted) total += weights[v]!;
    const span = this.key[sorted[sorted.length - 1]!]! - this.key[sorted[0]!]!;
    if (!(span > 0)) return [];
    let weight = 0;
    let nearest = { at: -1, off: Infinity };
    let second = nearest;
    let widest = { at: -1, value: 0 };
    for (let k = 0; k + 1 < sorted.length; k++) {
      weight += weights[sorted[k]!]!;
      const share = weight / total;
      const gap = (this.key[sorted[k + 1]!]! - this.key[sorted[k]!]!) / span;
      if (share < balance[0] || share > balance[1] || !(gap > 1e-6)) continue;
      const off = Math.abs(share - 0.5);
      if (off < nearest.off) {
        second = nearest;
        nearest = { at: k + 1, off };
      } else if (off < second.off) second = { at: k + 1, off };
      const value = gap * (1 - off);
      if (value > widest.value * (1 + 1e-9)) widest = { at: k + 1, value };
    }
    return [...new Set([nearest.at, second.at, widest.at])].filter((at) => at >= 0);
  }

  /** Unknowns at a cut on the side that has fewer, with a penalty for halves of unequal weight. */
  private estimate(sorted: Int32Array, at: number, id: number): number {
    const { graph, seen, inside } = this;
    const left = ++this.stamp;
    for (let k = 0; k < at; k++) seen[sorted[k]!] = left;
    const edge = ++this.stamp;
    let onLeft = 0;
    let onRight = 0;
    let weightLeft = 0;
    let total = 0;
    for (let k = 0; k < sorted.length; k++) {
      total += graph.weights[sorted[k]!]!;
      if (k < at) weightLeft += graph.weights[sorted[k]!]!;
    }
    for (let k = 0; k < at; k++) {
      const v = sorted[k]!;
      let touches = false;
      for (let p = graph.start[v]!; p < graph.start[v + 1]!; p++) {
        const u = graph.neighbours[p]!;
        if (inside[u] !== id || seen[u] === left) continue;
        touches = true;
        if (seen[u] !== edge) {
          seen[u] = edge;
          onRight += graph.weights[u]!;
        }
      }
      if (touches) onLeft += graph.weights[v]!;
    }
    return Math.min(onLeft, onRight) * (1 + (0.6 * Math.abs(total - 2 * weightLeft)) / total);
  }

  private separate(left: Int32Array, right: Int32Array, id: number): Cut {
    const { graph, inside, seen } = this;
    const onRight = ++this.stamp;
    for (const v of right) seen[v] = onRight;
    const edges = new Map<number, number[]>();
    for (const v of left) {
      const across: number[] = [];
      for (let p = graph.start[v]!; p < graph.start[v + 1]!; p++) {
        const u = graph.neighbours[p]!;
        if (inside[u] === id && seen[u] === onRight) across.push(u);
      }
      if (across.length > 0) edges.set(v, across);
    }
    const separator = vertexCover(edges);
    const covered = ++this.stamp;
    for (const v of separator) seen[v] = covered;
    const rest = (half: Int32Array) => half.filter((v) => seen[v] !== covered);
    return { halves: [rest(left), rest(right)], separator: Int32Array.from(separator) };
  }
}
