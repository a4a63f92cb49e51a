/**
 * A symmetric matrix as a graph of blocks: unknowns that share all their equations (those of one node) are one vertex.
 */
export interface BlockGraph {
  /** Unknowns of each block. */
  readonly weights: Int32Array;
  /** Start of each block's neighbours; one more entry than blocks. */
  readonly start: Int32Array;
  /** Neighbours both ways, without the block itself and without repetition. */
  readonly neighbours: Int32Array;
  /** x, y, z of each block, where it has a place; nested dissection cuts along it. */
  readonly positions?: Float64Array;
}

/**
 * Graph of blocks from cliques: each list of blocks shares its equations.
 *
 * @param cliqueStart start of each clique in `members`; one more entry than cliques
 */
export function graphOfCliques(
  weights: Int32Array,
  cliqueStart: Int32Array,
  members: Int32Array,
  positions?: Float64Array,
): BlockGraph {
  const count = weights.length;
  const cliques = cliqueStart.length - 1;
  const upper = new Int32Array(count + 1);
  for (let c = 0; c < cliques; c++) {
    const size = cliqueStart[c + 1]! - cliqueStart[c]!;
    for (let p = cliqueStart[c]!; p < cliqueStart[c + 1]!; p++) upper[members[p]! + 1]! += size - 1;
  }
  for (let i = 0; i < count; i++) upper[i + 1]! += upper[i]!;
  const all = new Int32Array(upper[count]!);
  const fill = upper.slice(0, count);
  for (let c = 0; c < cliques; c++)
    for (let p = cliqueStart[c]!; p < cliqueStart[c + 1]!; p++)
      for (let q = cliqueStart[c]!; q < cliqueStart[c + 1]!; q++)
        if (p !== q) all[fill[members[p]!]!++] = members[q]!;
  // Repetitions out
  const start = new Int32Array(count + 1);
  const mark = new Int32Array(count).fill(-1);
  let kept = 0;
  for (let i = 0; i < count; i++) {
    mark[i] = i;
    for (let p = upper[i]!; p < upper[i + 1]!; p++) {
      const j = all[p]!;
      if (mark[j] === i) continue;
      mark[j] = i;
      all[kept++] = j;
    }
    start[i + 1] = kept;
  }
  return { weights, start, neighbours: all.slice(0, kept), ...(positions ? { positions } : {}) };
}
