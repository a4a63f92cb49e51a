import type { BlockGraph } from './graph.js';

const flip = (i: number): number => -i - 2;

/**
 * Fill-reducing order by approximate minimum degree on the quotient graph, with weighted vertices, mass elimination and
 * indistinguishable vertices merged. Amestoy, Davis and Duff, SIAM J. Matrix Anal. Appl. 17 (1996); Davis, Direct Methods
 * for Sparse Linear Systems (2006), ch. 7.
 *
 * @returns the blocks in the order of elimination
 */
export function minimumDegreeOrder(graph: BlockGraph): Int32Array {
  const n = graph.weights.length;
  const total = graph.weights.reduce((sum, w) => sum + w, 0);
  let used = graph.start[n]!;
  const capacity = Math.ceil(used * 1.3) + 4 * n + total + 8;
  const lists = new Int32Array(capacity);
  lists.set(graph.neighbours);
  // Start of each list; flipped: the parent in the assembly tree
  const at = new Int32Array(n + 1);
  const length = new Int32Array(n + 1);
  const nv = new Int32Array(n + 1).fill(1);
  const next = new Int32Array(n + 1).fill(-1);
  const last = new Int32Array(n + 1).fill(-1);
  const head = new Int32Array(total + 2).fill(-1);
  const elements = new Int32Array(n + 1);
  const degree = new Int32Array(n + 1);
  const hashHead = new Int32Array(n + 1).fill(-1);
  const w = new Int32Array(n + 1).fill(1);
  let mark = clear(0, 0, w, n);
  let mostDegree = 0;
  let eliminated = 0;
  let lowest = 0;
  for (let i = 0; i < n; i++) {
    at[i] = graph.start[i]!;
    length[i] = graph.start[i + 1]! - graph.start[i]!;
    nv[i] = Math.max(1, graph.weights[i]!);
    for (let p = graph.start[i]!; p < graph.start[i + 1]!; p++)
      degree[i]! += Math.max(1, graph.weights[graph.neighbours[p]!]!);
  }
  const whole = nv.subarray(0, n).reduce((sum, x) => sum + x, 0);
  elements[n] = -2;
  at[n] = -1;
  w[n] = 0;
  for (let i = 0; i < n; i++) {
    const d = degree[i]!;
    if (d === 0) {
      elements[i] = -2;
      eliminated += nv[i]!;
      at[i] = -1;
      w[i] = 0;
    } else {
      if (head[d] !== -1) last[head[d]!] = i;
      next[i] = head[d]!;
      head[d] = i;
    }
  }

  while (eliminated < whole) {
    while (head[lowest] === -1) lowest++;
    const k = head[lowest]!;
    if (next[k] !== -1) last[next[k]!] = -1;
    head[lowest] = next[k]!;
    const elementsOfK = elements[k]!;
    let nvk = nv[k]!;
    eliminated += nvk;

    if (elementsOfK > 0 && used + lowest >= capacity) {
      // Lists that are still alive move together
      for (let j = 0; j < n; j++) {
        const p = at[j]!;
        if (p >= 0) {
          at[j] = lists[p]!;
          lists[p] = flip(j);
        }
      }
      let q = 0;
      for (let p = 0; p < used;) {
        const j = flip(lists[p++]!);
        if (j < 0) continue;
        lists[q] = at[j]!;
        at[j] = q++;
        for (let k3 = 0; k3 < length[j]! - 1; k3++) lists[q++] = lists[p++]!;
      }
      used = q;
    }

    // The new element: neighbours of k, direct and through its elements, which it absorbs
    let dk = 0;
    nv[k] = -nvk;
    let p = at[k]!;
    const begin = elementsOfK === 0 ? p : used;
    let end = begin;
    for (let k1 = 1; k1 <= elementsOfK + 1; k1++) {
      let e: number;
      let pj: number;
      let ln: number;
      if (k1 > elementsOfK) {
        e = k;
        pj = p;
        ln = length[k]! - elementsOfK;
      } else {
        e = lists[p++]!;
        pj = at[e]!;
        ln = length[e]!;
      }
      for (let k2 = 0; k2 < ln; k2++) {
        const i = lists[pj++]!;
        const nvi = nv[i]!;
        if (nvi <= 0) continue;
        dk += nvi;
        nv[i] = -nvi;
        lists[end++] = i;
        if (next[i] !== -1) last[next[i]!] = last[i]!;
        if (last[i] !== -1) next[last[i]!] = next[i]!;
        else head[degree[i]!] = next[i]!;
      }
      if (e !== k) {
        at[e] = flip(k);
        w[e] = 0;
      }
    }
    if (elementsOfK !== 0) used = end;
    degree[k] = dk;
    at[k] = begin;
    length[k] = end - begin;
    elements[k] = -2;

    // w[e] − mark: the part of element e outside the new one
    mark = clear(mark, mostDegree, w, n);
    for (let pk = begin; pk < end; pk++) {
      const i = lists[pk]!;
      const count = elements[i]!;
      if (count <= 0) continue;
      const nvi = -nv[i]!;
      const fresh = mark - nvi;
      for (let q = at[i]!; q <= at[i]! + count - 1; q++) {
        const e = lists[q]!;
        if (w[e]! >= mark) w[e]! -= nvi;
        else if (w[e] !== 0) w[e] = degree[e]! + fresh;
      }
    }

    // Approximate degrees
    for (let pk = begin; pk < end; pk++) {
      const i = lists[pk]!;
      const p1 = at[i]!;
      const p2 = p1 + elements[i]! - 1;
      let pn = p1;
      let hash = 0;
      let d = 0;
      for (let q = p1; q <= p2; q++) {
        const e = lists[q]!;
        if (w[e] === 0) continue;
        const outside = w[e]! - mark;
        if (outside > 0) {
          d += outside;
          lists[pn++] = e;
          hash += e;
        } else {
          at[e] = flip(k);
          w[e] = 0;
        }
      }
      elements[i] = pn - p1 + 1;
      const p3 = pn;
      const p4 = p1 + length[i]!;
      for (let q = p2 + 1; q < p4; q++) {
        const j = lists[q]!;
        const nvj = nv[j]!;
        if (nvj <= 0) continue;
        d += nvj;
        lists[pn++] = j;
        hash += j;
      }
      if (d === 0) {
        // Nothing outside: eliminated together with k
        at[i] = flip(k);
        const nvi = -nv[i]!;
        dk -= nvi;
        nvk += nvi;
        eliminated += nvi;
        nv[i] = 0;
        elements[i] = -1;
      } else {
        degree[i] = Math.min(degree[i]!, d);
        lists[pn] = lists[p3]!;
        lists[p3] = lists[p1]!;
        lists[p1] = k;
        length[i] = pn - p1 + 1;
        hash %= n;
        next[i] = hashHead[hash]!;
        hashHead[hash] = i;
        last[i] = hash;
      }
    }
    degree[k] = dk;
    mostDegree = Math.max(mostDegree, dk);
    mark = clear(mark + mostDegree, mostDegree, w, n);

    // Vertices with the same lists become one
    for (let pk = begin; pk < end; pk++) {
      let i = lists[pk]!;
      if (nv[i]! >= 0) continue;
      const hash = last[i]!;
      i = hashHead[hash]!;
      hashHead[hash] = -1;
      for (; i !== -1 && next[i] !== -1; i = next[i]!, mark++) {
        const ln = length[i]!;
        const el = elements[i]!;
        for (let q = at[i]! + 1; q <= at[i]! + ln - 1; q++) w[lists[q]!] = mark;
        let before = i;
        for (let j = next[i]!; j !== -1;) {
          let same = length[j] === ln && elements[j] === el;
          for (let q = at[j]! + 1; same && q <= at[j]! + ln - 1; q++)
            if (w[lists[q]!]! !== mark) same = false;
          if (same) {
            at[j] = flip(i);
            nv[i]! += nv[j]!;
            nv[j] = 0;
            elements[j] = -1;
            j = next[j]!;
            next[before] = j;
          } else {
            before = j;
            j = next[j]!;
          }
        }
      }
    }

    let q = begin;
    for (let pk = begin; pk < end; pk++) {
      const i = lists[pk]!;
      const nvi = -nv[i]!;
      if (nvi <= 0) continue;
      nv[i] = nvi;
      const d = Math.min(degree[i]! + dk - nvi, whole - eliminated - nvi);
      if (head[d] !== -1) last[head[d]!] = i;
      next[i] = head[d]!;
      last[i] = -1;
      head[d] = i;
      lowest = Math.min(lowest, d);
      degree[i] = d;
      lists[q++] = i;
    }
    nv[k] = nvk;
    length[k] = q - begin;
    if (length[k] === 0) {
      at[k] = -1;
      w[k] = 0;
    }
    if (elementsOfK !== 0) used = q;
  }
  return postorderAssembly(n, at, nv);
}

/** Keeps `mark` clear of overflow: w is reset to 1 where it is not 0. */
function clear(mark: number, most: number, w: Int32Array, n: number): number {
  if (mark >= 2 && mark + most < 0x7fffffff) return mark;
  for (let k = 0; k < n; k++) if (w[k] !== 0) w[k] = 1;
  return 2;
}

/** Postorder of the assembly tree that the elimination left in `at`. */
function postorderAssembly(n: number, at: Int32Array, nv: Int32Array): Int32Array {
  for (let i = 0; i < n; i++) at[i] = flip(at[i]!);
  const head = new Int32Array(n + 1).fill(-1);
  const next = new Int32Array(n + 1).fill(-1);
  const parentOf = (i: number) => (at[i]! < 0 ? n : at[i]!);
  for (let j = n - 1; j >= 0; j--)
    if (nv[j]! <= 0) {
      next[j] = head[parentOf(j)]!;
      head[parentOf(j)] = j;
    }
  for (let e = n - 1; e >= 0; e--)
    if (nv[e]! > 0) {
      next[e] = head[parentOf(e)]!;
      head[parentOf(e)] = e;
    }
  const order = new Int32Array(n);
  const stack = new Int32Array(n + 1);
  let k = 0;
  let top = 0;
  stack[0] = n;
  while (top >= 0) {
    const j = stack[top]!;
    const child = head[j]!;
    if (child === -1) {
      top--;
      if (j < n) order[k++] = j;
    } else {
      head[j] = next[child]!;
      stack[++top] = child;
    }
  }
  return order;
}
