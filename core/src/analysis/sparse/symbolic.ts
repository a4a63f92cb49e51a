import type { BlockGraph } from './graph.js';
import { minimumDegreeOrder } from './minimum-degree.js';
import { nestedDissectionOrder } from './nested-dissection.js';

/** What the factorization of a graph's matrix needs before any number is known. */
export interface Symbolic {
  readonly unknowns: number;
  /** First unknown of each block, in the order of elimination. */
  readonly offset: Int32Array;
  readonly weights: Int32Array;
  /** Supernode of each block. */
  readonly superOf: Int32Array;
  /** First column of each supernode; one more entry than supernodes. */
  readonly superStart: Int32Array;
  /** Start of each supernode's rows in `rows`; one more entry than supernodes. */
  readonly rowStart: Int32Array;
  /** Row numbers of each supernode's panel, ascending, its own columns first. */
  readonly rows: Int32Array;
  /** Start of each supernode's panel in the values; one more entry than supernodes. */
  readonly valueStart: Float64Array;
  /** Multiplications and additions of the numeric factorization. */
  readonly flops: number;
  readonly ordering: 'minimum degree' | 'nested dissection';
}

/** Work below which a second order takes longer to find than it can save. */
const worthDissecting = 1e8;

/**
 * Orders a graph by minimum degree and, where the factorization is long, by nested dissection too; takes the order with
 * less work and lays out the supernodes of its factor.
 */
export function analyseGraph(graph: BlockGraph): Symbolic {
  const byDegree = eliminationTree(graph, minimumDegreeOrder(graph));
  if (byDegree.flops < worthDissecting) return layOut(graph, byDegree, 'minimum degree');
  const byDissection = eliminationTree(graph, nestedDissectionOrder(graph));
  return byDegree.flops <= byDissection.flops
    ? layOut(graph, byDegree, 'minimum degree')
    : layOut(graph, byDissection, 'nested dissection');
}

interface Tree {
  /** Blocks in postorder of the elimination tree. */
  readonly order: Int32Array;
  /** Place of each block in `order`. */
  readonly place: Int32Array;
  /** By place. */
  readonly parent: Int32Array;
  /** By place: unknowns in the rows below the block's own. */
  readonly below: Int32Array;
  readonly flops: number;
}

/** Elimination tree, postorder and column counts. Davis, Direct Methods for Sparse Linear Systems (2006), ch. 4. */
function eliminationTree(graph: BlockGraph, given: Int32Array): Tree {
  const n = given.length;
  const first = treeOf(graph, given);
  const order = postorder(given, first.parent);
  const { place, parent } = treeOf(graph, order);
  // Row k of L has an entry in every column on the paths from its neighbours up to k
  const below = new Int32Array(n);
  const mark = new Int32Array(n).fill(-1);
  for (let k = 0; k < n; k++) {
    const v = order[k]!;
    mark[k] = k;
    for (let p = graph.start[v]!; p < graph.start[v + 1]!; p++)
      for (let i = place[graph.neighbours[p]!]!; i < k && mark[i] !== k; i = parent[i]!) {
        below[i]! += graph.weights[v]!;
        mark[i] = k;
      }
  }
  let flops = 0;
  for (let k = 0; k < n; k++)
    for (let c = graph.weights[order[k]!]! - 1; c >= 0; c--) flops += (below[k]! + c + 1) ** 2;
  return { order, place, parent, below, flops };
}

function treeOf(graph: BlockGraph, order: Int32Array): { place: Int32Array; parent: Int32Array } {
  const n = order.length;
  const place = new Int32Array(n);
  order.forEach((v, k) => (place[v] = k));
  const parent = new Int32Array(n).fill(-1);
  const ancestor = new Int32Array(n).fill(-1);
  for (let k = 0; k < n; k++) {
    const v = order[k]!;
    for (let p = graph.start[v]!; p < graph.start[v + 1]!; p++) {
      // The path is compressed on the way up
      for (let i = place[graph.neighbours[p]!]!; i !== -1 && i < k;) {
        const up = ancestor[i]!;
        ancestor[i] = k;
        if (up === -1) parent[i] = k;
        i = up;
      }
    }
  }
  return { place, parent };
}

function postorder(order: Int32Array, parent: Int32Array): Int32Array {
  const n = order.length;
  const head = new Int32Array(n).fill(-1);
  const next = new Int32Array(n).fill(-1);
  for (let k = n - 1; k >= 0; k--) {
    const p = parent[k]!;
    if (p === -1) continue;
    next[k] = head[p]!;
    head[p] = k;
  }
  const out = new Int32Array(n);
  const stack: number[] = [];
  let filled = 0;
  for (let root = 0; root < n; root++) {
    if (parent[root] !== -1) continue;
    stack.push(root);
    while (stack.length > 0) {
      const k = stack[stack.length - 1]!;
      const child = head[k]!;
      if (child === -1) {
        out[filled++] = order[k]!;
        stack.pop();
      } else {
        head[k] = next[child]!;
        stack.push(child);
      }
    }
  }
  return out;
}

/** Zeros that a merged panel may hold, by its width: narrow panels cost more in calls than zeros cost in work. */
function tolerable(width: number, zeros: number, entries: number): boolean {
  if (width <= 24) return zeros <= 0.8 * entries;
  if (width <= 96) return zeros <= 0.15 * entries;
  return zeros <= 0.05 * entries;
}

function layOut(graph: BlockGraph, tree: Tree, ordering: Symbolic['ordering']): Symbolic {
  const { order } = tree;
  const n = order.length;
  const weights = Int32Array.from(order, (v) => graph.weights[v]!);
  const { from, to } = supernodesOf(tree, weights);
  const superCount = from.length;
  const superOf = new Int32Array(n);
  const offset = new Int32Array(n);
  const superStart = new Int32Array(superCount + 1);
  let unknowns = 0;
  for (let t = 0; t < superCount; t++) {
    superStart[t] = unknowns;
    for (let k = from[t]!; k <= to[t]!; k++) {
      superOf[order[k]!] = t;
      offset[order[k]!] = unknowns;
      unknowns += weights[k]!;
    }
  }
  superStart[superCount] = unknowns;

  const lists = rowBlocks(graph, tree, to, superOf);
  const rowStart = new Int32Array(superCount + 1);
  lists.forEach((list, t) => {
    const own = superStart[t + 1]! - superStart[t]!;
    rowStart[t + 1] = rowStart[t]! + own + list.reduce((sum, q) => sum + weights[q]!, 0);
  });
  const rows = new Int32Array(rowStart[superCount]!);
  const valueStart = new Float64Array(superCount + 1);
  for (let t = 0; t < superCount; t++) {
    let r = rowStart[t]!;
    for (let c = superStart[t]!; c < superStart[t + 1]!; c++) rows[r++] = c;
    for (const q of lists[t]!) for (let c = 0; c < weights[q]!; c++) rows[r++] = offset[order[q]!]! + c;
    const w = superStart[t + 1]! - superStart[t]!;
    valueStart[t + 1] = valueStart[t]! + (r - rowStart[t]!) * w;
  }
  return {
    unknowns,
    offset,
    weights: graph.weights,
    superOf,
    superStart,
    rowStart,
    rows,
    valueStart,
    flops: tree.flops,
    ordering,
  };
}

/** First and last place of each supernode in the order. */
function supernodesOf(
  { order, parent, below }: Tree,
  weights: Int32Array,
): { from: readonly number[]; to: readonly number[] } {
  const n = order.length;
  const children = new Int32Array(n);
  for (let k = 0; k < n; k++) if (parent[k]! >= 0) children[parent[k]!]!++;

  // Fundamental supernodes: chains in which each column's rows are the next one's and the next one itself
  const begin: number[] = [];
  for (let k = 0; k < n; k++) {
    const joins =
      k > 0 && parent[k - 1] === k && children[k] === 1 && below[k - 1] === below[k]! + weights[k]!;
    if (!joins) begin.push(k);
  }
  // Relaxed: a supernode joins the one right behind it where that is its parent and few zeros come in
  const ends = begin.map((_, s) => (s + 1 < begin.length ? begin[s + 1]! : n) - 1);
  const count = begin.length;
  const width = begin.map((b, s) => weights.subarray(b, ends[s]! + 1).reduce((sum, x) => sum + x, 0));
  const zeros = new Float64Array(count);
  const groupEnd = Int32Array.from({ length: count }, (_, s) => s);
  const joined = new Uint8Array(count);
  const superOfPlace = new Int32Array(n);
  begin.forEach((b, s) => superOfPlace.fill(s, b, ends[s]! + 1));
  for (let s = count - 2; s >= 0; s--) {
    const up = parent[ends[s]!]!;
    if (up === -1 || superOfPlace[up]! !== s + 1) continue;
    const w = width[s]! + width[s + 1]!;
    const rowsBelow = below[ends[groupEnd[s + 1]!]!]!;
    const added = width[s]! * (width[s + 1]! + rowsBelow - below[ends[s]!]!);
    const total = zeros[s]! + zeros[s + 1]! + added;
    if (!tolerable(w, total, (w * (w + 1)) / 2 + w * rowsBelow)) continue;
    joined[s + 1] = 1;
    width[s] = w;
    zeros[s] = total;
    groupEnd[s] = groupEnd[s + 1]!;
  }
  const heads = [...begin.keys()].filter((s) => !joined[s]);
  return { from: heads.map((s) => begin[s]!), to: heads.map((s) => ends[groupEnd[s]!]!) };
}

/** Blocks below each supernode, by their places: those of its children beyond its own columns, and the neighbours of its own blocks. */
function rowBlocks(
  graph: BlockGraph,
  { order, place }: Tree,
  to: readonly number[],
  superOf: Int32Array,
): Int32Array[] {
  const lists: Int32Array[] = [];
  const childrenOf: number[][] = to.map(() => []);
  const mark = new Int32Array(order.length).fill(-1);
  to.forEach((last, t) => {
    const found: number[] = [];
    const take = (q: number): void => {
      if (q <= last || mark[q] === t) return;
      mark[q] = t;
      found.push(q);
    };
    for (let k = t === 0 ? 0 : to[t - 1]! + 1; k <= last; k++) {
      const v = order[k]!;
      for (let p = graph.start[v]!; p < graph.start[v + 1]!; p++) take(place[graph.neighbours[p]!]!);
    }
    for (const child of childrenOf[t]!) for (const q of lists[child]!) take(q);
    const list = Int32Array.from(found).sort();
    lists.push(list);
    if (list.length > 0) childrenOf[superOf[order[list[0]!]!]!]!.push(t);
  });
  return lists;
}

/** Where a block of the matrix lies in the panels. */
export interface BlockPlace {
  /** Offset of its first entry in the values. */
  readonly at: number;
  /** Entries from one row to the next. */
  readonly stride: number;
  /** True where the panel's rows are the second block's unknowns: the block is stored transposed. */
  readonly transposed: boolean;
}

/** The place of the matrix block with rows of block `i` and columns of block `j`; both must share equations. */
export function placeOf(symbolic: Symbolic, i: number, j: number): BlockPlace {
  const { offset, superOf, superStart, rowStart, rows, valueStart } = symbolic;
  const transposed = offset[i]! < offset[j]!;
  const row = transposed ? offset[j]! : offset[i]!;
  const column = transposed ? offset[i]! : offset[j]!;
  const s = superOf[transposed ? i : j]!;
  const stride = superStart[s + 1]! - superStart[s]!;
  let low = rowStart[s]!;
  let high = rowStart[s + 1]! - 1;
  while (low < high) {
    const middle = (low + high) >> 1;
    if (rows[middle]! < row) low = middle + 1;
    else high = middle;
  }
  return {
    at: valueStart[s]! + (low - rowStart[s]!) * stride + column - superStart[s]!,
    stride,
    transposed,
  };
}
