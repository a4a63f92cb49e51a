/**
 * The fewest vertices that touch every edge of a bipartite graph, by maximum matching (König's theorem).
 *
 * @param edges right neighbours of each left vertex; left and right vertices have different numbers
 */
export function vertexCover(edges: ReadonlyMap<number, readonly number[]>): number[] {
  const matchOfRight = new Map<number, number>();
  const matchOfLeft = new Map<number, number>();
  for (const v of edges.keys()) augment(v, edges, matchOfLeft, matchOfRight);
  // From the unmatched left vertices along alternating paths
  const seenLeft = new Set<number>();
  const seenRight = new Set<number>();
  const queue = [...edges.keys()].filter((v) => !matchOfLeft.has(v));
  queue.forEach((v) => seenLeft.add(v));
  while (queue.length > 0) {
    const v = queue.pop()!;
    for (const u of edges.get(v)!) {
      if (seenRight.has(u)) continue;
      seenRight.add(u);
      const back = matchOfRight.get(u);
      if (back !== undefined && !seenLeft.has(back)) {
        seenLeft.add(back);
        queue.push(back);
      }
    }
  }
  return [...[...edges.keys()].filter((v) => !seenLeft.has(v)), ...seenRight];
}

/** One augmenting path from an unmatched left vertex, breadth first. */
function augment(
  from: number,
  edges: ReadonlyMap<number, readonly number[]>,
  matchOfLeft: Map<number, number>,
  matchOfRight: Map<number, number>,
): void {
  const cameFrom = new Map<number, number>();
  const queue = [from];
  for (let k = 0; k < queue.length; k++) {
    const v = queue[k]!;
    for (const u of edges.get(v)!) {
      if (cameFrom.has(u)) continue;
      cameFrom.set(u, v);
      const owner = matchOfRight.get(u);
      if (owner !== undefined) {
        queue.push(owner);
        continue;
      }
      // Free: the path back to the start is flipped
      for (let end = u; ;) {
        const left = cameFrom.get(end)!;
        const before = matchOfLeft.get(left);
        matchOfLeft.set(left, end);
        matchOfRight.set(end, left);
        if (left === from) return;
        end = before!;
      }
    }
  }
}
