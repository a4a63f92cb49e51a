/** Upper triangle of a symmetric matrix by columns, rows ascending in no particular order, diagonal included. */
export interface UpperPattern {
  readonly size: number;
  /** Start of each column in `rows`; one more entry than columns. */
  readonly columnStart: Int32Array;
  readonly rows: Int32Array;
}

/** What LDLᵀ of a pattern needs before any number is known. */
export interface Symbolic {
  readonly pattern: UpperPattern;
  /** Parent of each column in the elimination tree, −1 at a root. */
  readonly parent: Int32Array;
  /** Start of each column of L (unit diagonal not stored). */
  readonly factorStart: Int32Array;
}

/** Elimination tree and column counts of L, by walking each row's subtree. Davis, Direct Methods, 2006, ch. 4. */
export function analysePattern(pattern: UpperPattern): Symbolic {
  const { size, columnStart, rows } = pattern;
  const parent = new Int32Array(size).fill(-1);
  const mark = new Int32Array(size).fill(-1);
  const count = new Int32Array(size);
  for (let k = 0; k < size; k++) {
    mark[k] = k;
    for (let p = columnStart[k]!; p < columnStart[k + 1]!; p++) {
      // Every node on the path from the row up to k gets an entry in row k of L
      for (let i = rows[p]!; mark[i] !== k; i = parent[i]!) {
        if (parent[i] === -1) parent[i] = k;
        count[i]!++;
        mark[i] = k;
      }
    }
  }
  const factorStart = new Int32Array(size + 1);
  for (let k = 0; k < size; k++) factorStart[k + 1] = factorStart[k]! + count[k]!;
  return { pattern, parent, factorStart };
}
