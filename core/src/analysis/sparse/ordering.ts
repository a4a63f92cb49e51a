/**
 * Fill-reducing order of a symmetric graph by minimum degree on the quotient graph: the node with the fewest
 * neighbours is eliminated next, and the element it leaves behind stands for the clique of its neighbours.
 * George and Liu, SIAM Review 31 (1989).
 *
 * @param neighbours adjacency lists without the node itself
 * @returns the nodes in the order of elimination
 */
export function minimumDegreeOrder(neighbours: readonly ReadonlySet<number>[]): Int32Array {
  const count = neighbours.length;
  const nodes = neighbours.map((set) => new Set(set));
  const elements: Set<number>[] = neighbours.map(() => new Set());
  const clique = new Map<number, Set<number>>();
  const degree = Int32Array.from(nodes, (set) => set.size);
  const buckets: Set<number>[] = [];
  const file = (v: number) => void (buckets[degree[v]!] ??= new Set()).add(v);
  for (let v = 0; v < count; v++) file(v);

  const order = new Int32Array(count);
  let lowest = 0;
  for (let k = 0; k < count; k++) {
    lowest = Math.max(0, lowest);
    while (!buckets[lowest]?.size) lowest++;
    const pivot = buckets[lowest]!.values().next().value!;
    buckets[lowest]!.delete(pivot);
    order[k] = pivot;

    // The pivot's neighbours: direct ones, and those through the elements it touches, which it absorbs
    const reach = new Set(nodes[pivot]);
    for (const element of elements[pivot]!) {
      for (const v of clique.get(element)!) reach.add(v);
      clique.delete(element);
    }
    reach.delete(pivot);
    clique.set(pivot, reach);
    for (const v of reach) {
      nodes[v]!.delete(pivot);
      for (const element of elements[pivot]!) elements[v]!.delete(element);
      // Edges inside the new clique are covered by it
      for (const w of reach) nodes[v]!.delete(w);
      elements[v]!.add(pivot);
      buckets[degree[v]!]!.delete(v);
      let size = nodes[v]!.size;
      for (const element of elements[v]!) size += clique.get(element)!.size - 1;
      degree[v] = Math.min(size, count - k - 2);
      file(v);
      lowest = Math.min(lowest, degree[v]);
    }
  }
  return order;
}
