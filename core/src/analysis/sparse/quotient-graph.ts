import { DegreeQueue } from './degree-queue.js';
import type { BlockGraph } from './graph.js';

/** Greater than any stamp. */
const gone = 2 ** 31 - 1;

/**
 * A graph in the course of elimination, as variables and elements (Amestoy, Davis and Duff 1996, section 2): what is eliminated
 * becomes an element, which stands for the clique of all variables on its boundary. A variable knows the elements that it is on the
 * boundary of and the variables that no element joins it with; together these are never more than its neighbours at the start, so
 * that its list stays where the neighbours were.
 */
export class QuotientGraph {
  /** Weight of the variables that a vertex stands for: 0 once another stands for it or it is eliminated. */
  private readonly weight: Int32Array;
  private readonly queue: DegreeQueue;
  /** Elements, then variables, of each variable. */
  private readonly lists: Int32Array;
  private readonly listStart: Int32Array;
  private readonly elementCount: Int32Array;
  private readonly variableCount: Int32Array;
  /** Approximate external degree of variables; weight of the boundary of elements. */
  private readonly degree: Int32Array;
  /** Boundaries of the elements, one after the other. */
  private boundaries: Int32Array;
  private used = 0;
  private readonly boundaryStart: Int32Array;
  private readonly boundaryCount: Int32Array;
  /** Element that took an element in, or that a variable was eliminated with, or variable that stands for one; −1 for none. */
  private readonly goesWith: Int32Array;
  /** Vertices by the number of the pivot or of the comparison that last saw them. */
  private readonly seen: Int32Array;
  private stamp = 0;
  /**
   * Weight of an element's boundary outside the newest one, valid where `outsideAt` is the newest element's stamp. Where another has
   * taken the element in, or nothing is left of its boundary: −1 and `gone`.
   */
  private readonly outside: Int32Array;
  private readonly outsideAt: Int32Array;
  /** Chains of variables with equal hash. */
  private readonly chainStart: Int32Array;
  private readonly chainNext: Int32Array;
  private readonly chainOf: Int32Array;
  /** Weight of what is not eliminated yet. */
  private left = 0;
  /** In the order of elimination. */
  private readonly pivots: Int32Array;
  private pivotCount = 0;

  constructor({ weights, start, neighbours }: BlockGraph) {
    const n = weights.length;
    this.weight = weights.slice();
    this.lists = neighbours.slice();
    this.listStart = start.slice(0, n);
    this.elementCount = new Int32Array(n);
    this.variableCount = new Int32Array(n);
    this.degree = new Int32Array(n);
    this.boundaries = new Int32Array(neighbours.length + n + 8);
    this.boundaryStart = new Int32Array(n);
    this.boundaryCount = new Int32Array(n);
    this.goesWith = new Int32Array(n).fill(-1);
    this.seen = new Int32Array(n).fill(-1);
    this.outside = new Int32Array(n);
    this.outsideAt = new Int32Array(n).fill(-1);
    // A power of two, so that a hash is cut to it by a mask
    this.chainStart = new Int32Array(2 ** Math.ceil(Math.log2(n + 1))).fill(-1);
    this.chainNext = new Int32Array(n);
    this.chainOf = new Int32Array(n);
    this.pivots = new Int32Array(n);
    for (let i = 0; i < n; i++) {
      this.weight[i] = Math.max(1, weights[i]!);
      this.left += this.weight[i]!;
      this.variableCount[i] = start[i + 1]! - start[i]!;
    }
    this.queue = new DegreeQueue(n, this.left);
    for (let i = 0; i < n; i++) {
      let sum = 0;
      for (let p = start[i]!; p < start[i + 1]!; p++) sum += this.weight[neighbours[p]!]!;
      this.degree[i] = sum;
      this.queue.add(i, sum);
    }
  }

  /** Eliminates everything, always a variable of the lowest approximate degree next. */
  eliminate(): void {
    while (this.left > 0) {
      const pivot = this.queue.take();
      const weight = this.weight[pivot]!;
      this.left -= weight;
      this.weight[pivot] = 0;
      this.formElement(pivot);
      this.measureOutside(pivot);
      this.updateVariables(pivot);
      this.mergeAlike(pivot);
      this.requeue(pivot);
      this.pivots[this.pivotCount++] = pivot;
    }
  }

  /** The boundary of the pivot's element: its variables and those of its elements, which it takes in. */
  private formElement(pivot: number): void {
    const stamp = ++this.stamp;
    const { lists, outside, boundaryStart, boundaryCount } = this;
    const from = this.used;
    const start = this.listStart[pivot]!;
    const elementsEnd = start + this.elementCount[pivot]!;
    let boundary = 0;
    for (let p = start; p < elementsEnd; p++) {
      const e = lists[p]!;
      if (outside[e]! < 0) continue;
      this.makeRoom(boundaryCount[e]!);
      boundary += this.gather(
        this.boundaries,
        boundaryStart[e]!,
        boundaryStart[e]! + boundaryCount[e]!,
        stamp,
      );
      this.takeIn(e, pivot);
    }
    const variables = this.variableCount[pivot]!;
    this.makeRoom(variables);
    boundary += this.gather(lists, elementsEnd, elementsEnd + variables, stamp);
    boundaryStart[pivot] = from;
    boundaryCount[pivot] = this.used - from;
    this.degree[pivot] = boundary;
  }

  /** Puts the variables of a list that are not there yet on the newest boundary. Returns their weight. */
  private gather(list: Int32Array, from: number, to: number, stamp: number): number {
    const { weight, seen, boundaries, queue } = this;
    let { used } = this;
    let sum = 0;
    for (let p = from; p < to; p++) {
      const i = list[p]!;
      const w = weight[i]!;
      if (w === 0 || seen[i] === stamp) continue;
      seen[i] = stamp;
      sum += w;
      queue.remove(i);
      boundaries[used++] = i;
    }
    this.used = used;
    return sum;
  }

  private makeRoom(count: number): void {
    if (this.used + count <= this.boundaries.length) return;
    const larger = new Int32Array(2 * this.boundaries.length + count);
    larger.set(this.boundaries);
    this.boundaries = larger;
  }

  private takeIn(element: number, by: number): void {
    this.goesWith[element] = by;
    this.retire(element);
  }

  private retire(element: number): void {
    this.outside[element] = -1;
    this.outsideAt[element] = gone;
  }

  /** For every element beside the new one: the weight of its boundary that lies outside the new boundary (the paper's algorithm 2). */
  private measureOutside(pivot: number): void {
    const { lists, outside, outsideAt, weight, degree, stamp, boundaries } = this;
    const { listStart, elementCount } = this;
    const end = this.boundaryStart[pivot]! + this.boundaryCount[pivot]!;
    for (let b = this.boundaryStart[pivot]!; b < end; b++) {
      const i = boundaries[b]!;
      const listEnd = listStart[i]! + elementCount[i]!;
      const w = weight[i]!;
      for (let p = listStart[i]!; p < listEnd; p++) {
        const e = lists[p]!;
        const at = outsideAt[e]!;
        if (at === stamp) outside[e]! -= w;
        else if (at !== gone) {
          outsideAt[e] = stamp;
          outside[e] = degree[e]! - w;
        }
      }
    }
  }

  /** New lists and degrees of the variables on the new boundary; those with nothing outside it are eliminated with the pivot. */
  private updateVariables(pivot: number): void {
    const { weight, degree, boundaries } = this;
    const from = this.boundaryStart[pivot]!;
    const end = from + this.boundaryCount[pivot]!;
    for (let b = from; b < end; b++) {
      const i = boundaries[b]!;
      const beyond = this.prune(i, pivot);
      if (beyond === 0) {
        degree[pivot]! -= weight[i]!;
        this.left -= weight[i]!;
        weight[i] = 0;
        this.goesWith[i] = pivot;
      } else if (beyond < degree[i]!) degree[i] = beyond;
    }
  }

  /**
   * Takes out of a variable's list what the new element stands for, puts that element in front, and chains the variable by the hash of
   * its list.
   *
   * @returns a bound of the weight of its neighbours outside the new element
   */
  private prune(i: number, pivot: number): number {
    const { lists, outside, weight, seen, stamp } = this;
    const start = this.listStart[i]!;
    const elementsEnd = start + this.elementCount[i]!;
    const listEnd = elementsEnd + this.variableCount[i]!;
    let beyond = 0;
    let hash = 0;
    let put = start;
    for (let p = start; p < elementsEnd; p++) {
      const e = lists[p]!;
      const weightOutside = outside[e]!;
      if (weightOutside > 0) {
        beyond += weightOutside;
        hash += e;
        lists[put++] = e;
      } else if (weightOutside === 0) this.takeIn(e, pivot);
    }
    const elements = put - start;
    for (let p = elementsEnd; p < listEnd; p++) {
      const j = lists[p]!;
      if (weight[j] === 0 || seen[j] === stamp) continue;
      beyond += weight[j]!;
      hash += j;
      lists[put++] = j;
    }
    if (beyond === 0) return 0;
    // Something was taken out of every list that a new element comes into, so that there is room for it
    const variables = put - start - elements;
    if (variables > 0) lists[put] = lists[start + elements]!;
    if (elements > 0) lists[start + elements] = lists[start]!;
    lists[start] = pivot;
    this.elementCount[i] = elements + 1;
    this.variableCount[i] = variables;
    this.chain(i, hash);
    return beyond;
  }

  private chain(i: number, hash: number): void {
    const at = hash & (this.chainStart.length - 1);
    this.chainNext[i] = this.chainStart[at]!;
    this.chainStart[at] = i;
    this.chainOf[i] = at;
  }

  /** Variables with equal lists are eliminated together one day: one stands for both from now on. */
  private mergeAlike(pivot: number): void {
    const { chainStart, chainNext, chainOf, weight, boundaries } = this;
    const from = this.boundaryStart[pivot]!;
    const end = from + this.boundaryCount[pivot]!;
    for (let b = from; b < end; b++) {
      const one = boundaries[b]!;
      if (weight[one] === 0) continue;
      const at = chainOf[one]!;
      let i = chainStart[at]!;
      chainStart[at] = -1;
      for (; i !== -1; i = chainNext[i]!) if (chainNext[i] !== -1) this.mergeInto(i);
    }
  }

  /** Takes those further down a variable's chain into it that have its list. */
  private mergeInto(i: number): void {
    const { chainNext, weight } = this;
    const stamp = this.markList(i);
    let before = i;
    for (let j = chainNext[i]!; j !== -1; j = chainNext[j]!) {
      if (!this.hasMarkedList(j, i, stamp)) {
        before = j;
        continue;
      }
      weight[i]! += weight[j]!;
      weight[j] = 0;
      this.goesWith[j] = i;
      chainNext[before] = chainNext[j]!;
    }
  }

  private markList(i: number): number {
    const stamp = ++this.stamp;
    const start = this.listStart[i]!;
    const end = start + this.elementCount[i]! + this.variableCount[i]!;
    for (let p = start; p < end; p++) this.seen[this.lists[p]!] = stamp;
    return stamp;
  }

  private hasMarkedList(j: number, i: number, stamp: number): boolean {
    const { elementCount, variableCount, lists, seen } = this;
    if (elementCount[j] !== elementCount[i] || variableCount[j] !== variableCount[i]) return false;
    const start = this.listStart[j]!;
    const end = start + elementCount[j]! + variableCount[j]!;
    for (let p = start; p < end; p++) if (seen[lists[p]!] !== stamp) return false;
    return true;
  }

  /** Puts the variables of the boundary back into the queue by their new degrees, and keeps the boundary without those that have gone. */
  private requeue(pivot: number): void {
    const { weight, degree, boundaries, queue } = this;
    const from = this.boundaryStart[pivot]!;
    const end = from + this.boundaryCount[pivot]!;
    let put = from;
    for (let b = from; b < end; b++) {
      const i = boundaries[b]!;
      const w = weight[i]!;
      if (w === 0) continue;
      degree[i] = Math.min(degree[i]! + degree[pivot]! - w, this.left - w);
      queue.add(i, degree[i]);
      boundaries[put++] = i;
    }
    this.boundaryCount[pivot] = put - from;
    this.used = put;
    if (put === from) this.retire(pivot);
  }

  /** All vertices in an order of elimination in which those of every branch of the tree of elements follow one another. */
  order(): Int32Array {
    const n = this.weight.length;
    const { goesWith } = this;
    const pivots = this.pivots.subarray(0, this.pivotCount);
    // The pivot that each vertex is eliminated with; others may stand between it and that one
    const pivotOf = new Int32Array(n).fill(-1);
    for (const pivot of pivots) pivotOf[pivot] = pivot;
    for (let i = 0; i < n; i++) {
      let pivot = i;
      while (pivotOf[pivot] === -1) pivot = goesWith[pivot]!;
      pivotOf[i] = pivotOf[pivot]!;
    }
    // Vertices of each branch: children come before their parents among the pivots
    const branch = new Int32Array(n);
    for (let i = 0; i < n; i++) branch[pivotOf[i]!]!++;
    for (const pivot of pivots) if (goesWith[pivot]! >= 0) branch[goesWith[pivot]!]! += branch[pivot]!;
    // Each branch's place, handed out from the roots down; a branch ends with its own vertices
    const next = new Int32Array(n);
    let roots = 0;
    for (let k = pivots.length - 1; k >= 0; k--) {
      const pivot = pivots[k]!;
      const parent = goesWith[pivot]!;
      next[pivot] = parent < 0 ? roots : next[parent]!;
      if (parent < 0) roots += branch[pivot]!;
      else next[parent]! += branch[pivot]!;
    }
    const order = new Int32Array(n);
    for (let i = 0; i < n; i++) order[next[pivotOf[i]!]!++] = i;
    return order;
  }
}
