import { minimumDegreeOrder } from './ordering.js';
import { factorize, solveFactored } from './factor.js';
import { analysePattern, type UpperPattern } from './symbolic.js';

/** Upper pattern and values of a dense symmetric matrix. */
function sparse(dense: number[][]): { pattern: UpperPattern; values: Float64Array } {
  const rows: number[] = [];
  const values: number[] = [];
  const columnStart = [0];
  dense.forEach((_, j) => {
    for (let i = 0; i <= j; i++)
      if (dense[i]![j] !== 0 || i === j) {
        rows.push(i);
        values.push(dense[i]![j]!);
      }
    columnStart.push(rows.length);
  });
  return {
    pattern: { size: dense.length, columnStart: Int32Array.from(columnStart), rows: Int32Array.from(rows) },
    values: Float64Array.from(values),
  };
}

describe('sparse LDLᵀ', () => {
  it('solves the five-point Laplacian', () => {
    const n = 6;
    const dense = Array.from({ length: n * n }, (_, i) =>
      Array.from({ length: n * n }, (_, j): number => {
        const [dx, dy] = [Math.abs((i % n) - (j % n)), Math.abs(Math.floor(i / n) - Math.floor(j / n))];
        return i === j ? 4 : dx + dy === 1 ? -1 : 0;
      }),
    );
    const { pattern, values } = sparse(dense);
    const factor = factorize(analysePattern(pattern), values);
    const x = Float64Array.from({ length: n * n }, (_, i) => Math.sin(i));
    const b = Float64Array.from(dense, (row) => row.reduce((sum, value, j) => sum + value * x[j]!, 0));
    solveFactored(factor, b);
    b.forEach((value, i) => expect(Math.abs(value - x[i]!)).toBeLessThan(1e-13));
    expect(factor.suspects).toEqual([]);
  });

  it('suspects a singular matrix and gives its null vector', () => {
    const { pattern, values } = sparse([
      [1, -1, 0],
      [-1, 2, -1],
      [0, -1, 1],
    ]);
    const [suspect] = factorize(analysePattern(pattern), values).suspects;
    expect(suspect!.column).toBe(2);
    expect([...suspect!.shape]).toEqual([1, 1, 1]);
  });
});

describe('minimum degree', () => {
  it('takes the leaves of a star before its centre', () => {
    const order = minimumDegreeOrder([
      new Set([1, 2, 3, 4]),
      new Set([0]),
      new Set([0]),
      new Set([0]),
      new Set([0]),
    ]);
    expect([...order].indexOf(0)).toBeGreaterThanOrEqual(3);
    expect([...order].sort()).toEqual([0, 1, 2, 3, 4]);
  });

  it('fills a path not at all', () => {
    const neighbours = Array.from(
      { length: 50 },
      (_, i) => new Set([i - 1, i + 1].filter((j) => j >= 0 && j < 50)),
    );
    const place = new Int32Array(50);
    minimumDegreeOrder(neighbours).forEach((node, k) => (place[node] = k));
    const columns = Array.from({ length: 50 }, (): number[] => []);
    neighbours.forEach((set, i) =>
      set.forEach((j) => place[i]! < place[j]! && columns[place[j]!]!.push(place[i]!)),
    );
    const columnStart = [0];
    const rows: number[] = [];
    columns.forEach((column, j) => {
      rows.push(...column.sort((a, b) => a - b), j);
      columnStart.push(rows.length);
    });
    const symbolic = analysePattern({
      size: 50,
      columnStart: Int32Array.from(columnStart),
      rows: Int32Array.from(rows),
    });
    expect(symbolic.factorStart[50]).toBe(49);
  });
});
