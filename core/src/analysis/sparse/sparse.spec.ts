import { Factor } from './factor.js';
import { graphOfCliques, type BlockGraph } from './graph.js';
import { minimumDegreeOrder } from './minimum-degree.js';
import { nestedDissectionOrder } from './nested-dissection.js';
import { analyseGraph, placeOf } from './symbolic.js';
import { vertexCover } from './vertex-cover.js';

/** Edges of a grid of nx × ny × nz blocks with `weight` unknowns each. */
function grid(
  nx: number,
  ny: number,
  nz: number,
  weight: number,
): { graph: BlockGraph; edges: [number, number][] } {
  const id = (x: number, y: number, z: number) => (z * ny + y) * nx + x;
  const edges: [number, number][] = [];
  const positions: number[] = [];
  for (let z = 0; z < nz; z++)
    for (let y = 0; y < ny; y++)
      for (let x = 0; x < nx; x++) {
        positions.push(x, y, z);
        if (x + 1 < nx) edges.push([id(x, y, z), id(x + 1, y, z)]);
        if (y + 1 < ny) edges.push([id(x, y, z), id(x, y + 1, z)]);
        if (z + 1 < nz) edges.push([id(x, y, z), id(x, y, z + 1)]);
      }
  const graph = graphOfCliques(
    new Int32Array(nx * ny * nz).fill(weight),
    Int32Array.from({ length: edges.length + 1 }, (_, i) => 2 * i),
    Int32Array.from(edges.flat()),
    Float64Array.from(positions),
  );
  return { graph, edges };
}

/** Fills a factor with a matrix that couples every pair of neighbours, and returns it dense by unknown. */
function fill(factor: Factor, edges: readonly [number, number][], shift: number): Float64Array[] {
  const { symbolic } = factor;
  const n = symbolic.unknowns;
  const dense = Array.from({ length: n }, () => new Float64Array(n));
  const put = (i: number, j: number, a: number, b: number, value: number): void => {
    const { at, stride, transposed } = placeOf(symbolic, i, j);
    const row = symbolic.offset[i]! + a;
    const column = symbolic.offset[j]! + b;
    if (i === j && column > row) return;
    factor.values[transposed ? at + b * stride + a : at + a * stride + b]! += value;
    dense[row]![column]! += value;
    if (row !== column) dense[column]![row]! += value;
  };
  symbolic.weights.forEach((w, i) => {
    for (let a = 0; a < w; a++)
      for (let b = 0; b <= a; b++) put(i, i, a, b, a === b ? 6 * w + shift : 1 / (1 + a + b + (i % 3)));
  });
  edges.forEach(([i, j], e) => {
    for (let a = 0; a < symbolic.weights[i]!; a++)
      for (let b = 0; b < symbolic.weights[j]!; b++) put(i, j, a, b, -(Math.cos(e + a - 2 * b) ** 2));
  });
  return dense;
}

const times = (A: readonly Float64Array[], x: Float64Array) =>
  Float64Array.from(A, (row) => row.reduce((sum, value, j) => sum + value * x[j]!, 0));

for (const plain of [true, false])
  describe(`supernodal factorization, ${plain ? 'TypeScript' : 'WebAssembly'} kernels`, () => {
    for (const [nx, ny, nz, weight, shift] of [
      [1, 1, 1, 1, 0],
      [5, 4, 1, 3, 0],
      [6, 5, 4, 3, 0],
      [4, 4, 3, 6, 0],
      [5, 4, 3, 3, -19],
      [3, 3, 3, 5, -31],
    ] as const)
      it(`solves ${nx} × ${ny} × ${nz} blocks of ${weight}, diagonal shifted by ${shift}`, () => {
        const { graph, edges } = grid(nx, ny, nz, weight);
        const factor = new Factor(analyseGraph(graph), plain);
        const A = fill(factor, edges, shift);
        factor.factorize();
        const x = [1, 2, 3].map((r) =>
          Float64Array.from({ length: A.length }, (_, i) => Math.sin(r * i + 1)),
        );
        const b = x.map((column) => times(A, column));
        factor.solve(b);
        b.forEach((column, r) =>
          column.forEach((value, i) => expect(Math.abs(value - x[r]![i]!)).toBeLessThan(1e-9)),
        );
        if (shift === 0) expect(factor.negatives).toBe(0);
      });

    it('counts the eigenvalues below a shift', () => {
      // A chain of n masses: 2 − 2·cos(kπ/(n+1)), Strang, Introduction to Applied Mathematics, 1.1
      const n = 60;
      const { graph, edges } = grid(n, 1, 1, 1);
      for (const shift of [0.5, 1.7, 3.9]) {
        const factor = new Factor(analyseGraph(graph), plain);
        for (let i = 0; i < n; i++) factor.values[placeOf(factor.symbolic, i, i).at] = 2 - shift;
        for (const [i, j] of edges) factor.values[placeOf(factor.symbolic, i, j).at] = -1;
        factor.factorize();
        const below = Array.from({ length: n }, (_, k) => 2 - 2 * Math.cos(((k + 1) * Math.PI) / (n + 1)));
        expect(factor.negatives).toBe(below.filter((value) => value < shift).length);
      }
    });

    it('suspects a singular matrix and gives its null vector', () => {
      const { graph, edges } = grid(3, 1, 1, 1);
      const factor = new Factor(analyseGraph(graph), plain);
      [1, 2, 1].forEach((value, i) => (factor.values[placeOf(factor.symbolic, i, i).at] = value));
      for (const [i, j] of edges) factor.values[placeOf(factor.symbolic, i, j).at] = -1;
      factor.factorize();
      expect(factor.suspects.length).toBe(1);
      expect([...factor.pivotShape(factor.suspects[0]!.column)]).toEqual([1, 1, 1]);
    });
  });

describe('a factor that is released', () => {
  it('leaves clean memory to the next of its structure, and is asked for nothing any more', () => {
    const { graph, edges } = grid(6, 5, 4, 3);
    const symbolic = analyseGraph(graph);
    const solved = (factor: Factor, shift: number) => {
      const A = fill(factor, edges, shift);
      factor.factorize();
      const x = Float64Array.from({ length: A.length }, (_, i) => Math.cos(i));
      const b = times(A, x);
      factor.solve([b]);
      return Math.max(...b.map((value, i) => Math.abs(value - x[i]!)));
    };
    const first = new Factor(symbolic);
    const memory = first.values.buffer;
    expect(solved(first, -31)).toBeLessThan(1e-9);
    const negatives = first.negatives;
    first.release();
    expect(() => first.values).toThrowError(/given away/);
    expect(() => first.solve([new Float64Array(symbolic.unknowns)])).toThrowError(/given away/);
    // What was counted stays
    expect(first.negatives).toBe(negatives);
    const second = new Factor(symbolic);
    expect(second.values.buffer).toBe(memory);
    expect(second.values.every((value) => value === 0)).toBeTrue();
    expect(solved(second, 0)).toBeLessThan(1e-9);
    expect(second.negatives).toBe(0);
    // While that is held the next has memory of its own
    expect(new Factor(symbolic).values.buffer).not.toBe(memory);
  });
});

describe('a factorization', () => {
  it('asks now and then whether it is to go on, and stops where it is told to', () => {
    const symbolic = analyseGraph(grid(9, 9, 9, 6).graph);
    expect(symbolic.flops).toBeGreaterThan(4e7);
    const shares: number[] = [];
    const factor = new Factor(symbolic);
    symbolic.weights.forEach((weight, i) => {
      const { at, stride } = placeOf(symbolic, i, i);
      for (let a = 0; a < weight; a++) factor.values[at + a * stride + a] = 2;
    });
    factor.factorize({ step: (done) => shares.push(done) });
    expect(shares.length).toBeGreaterThan(3);
    expect(shares).toEqual([...shares].sort((a, b) => a - b));
    expect(shares.at(-1)!).toBeLessThanOrEqual(1);
    const stopped = new Factor(symbolic);
    const stop = () => {
      throw new Error('stopped');
    };
    expect(() => stopped.factorize({ step: stop })).toThrowError('stopped');
  });
});

describe('fill-reducing orders', () => {
  const fillOf = (graph: BlockGraph) => {
    const symbolic = analyseGraph(graph);
    return symbolic.valueStart[symbolic.valueStart.length - 1]!;
  };

  it('are permutations', () => {
    for (const order of [minimumDegreeOrder, nestedDissectionOrder])
      expect([...order(grid(9, 8, 7, 2).graph)].sort((a, b) => a - b)).toEqual(
        Array.from({ length: 504 }, (_, i) => i),
      );
  });

  it('eliminate the leaves of a star before its centre', () => {
    const star = graphOfCliques(
      new Int32Array(6).fill(1),
      Int32Array.of(0, 2, 4, 6, 8, 10),
      Int32Array.of(0, 1, 0, 2, 0, 3, 0, 4, 0, 5),
    );
    expect([...minimumDegreeOrder(star)].indexOf(0)).toBeGreaterThanOrEqual(4);
  });

  it('eliminate blocks that are alike side by side, whatever stands between them in number', () => {
    // Two cliques of three that share one block: after a clique's first block the others have nothing outside
    const graph = graphOfCliques(
      new Int32Array(5).fill(2),
      Int32Array.of(0, 3, 6),
      Int32Array.of(0, 2, 4, 1, 2, 3),
    );
    const order = [...minimumDegreeOrder(graph)];
    expect([
      [0, 4],
      [1, 3],
    ]).toContain(order.slice(0, 2).sort());
    expect(order.indexOf(2)).toBeGreaterThanOrEqual(2);
  });

  it('leave no more fill in a grid than George’s 31/4 n² log2 n for nested dissection of n × n', () => {
    // George, Nested dissection of a regular finite element mesh, SIAM J. Numer. Anal. 10 (1973)
    const n = 48;
    const { graph } = grid(n, n, 1, 1);
    const tree = new Map<number, Set<number>>();
    const order = [...minimumDegreeOrder(graph)];
    const neighbours = order.map(
      (_, v) => new Set(graph.neighbours.subarray(graph.start[v], graph.start[v + 1])),
    );
    // Elimination as it is defined: the neighbours of what goes become a clique
    let entries = 0;
    for (const v of order) {
      const left = [...neighbours[v]!].filter((u) => !tree.has(u));
      tree.set(v, new Set(left));
      entries += left.length;
      for (const a of left) for (const b of left) if (a !== b) neighbours[a]!.add(b);
    }
    expect(entries).toBeLessThan((31 / 4) * n * n * Math.log2(n));
  });

  it('keep a path as sparse as it is', () => {
    const path = grid(200, 1, 1, 1).graph;
    const symbolic = analyseGraph(path);
    expect(symbolic.flops).toBeLessThanOrEqual(4 * 200);
    expect(fillOf(path)).toBeLessThan(200 * 20);
  });

  it('dissect parts that do not touch', () => {
    const two = graphOfCliques(
      new Int32Array(300).fill(1),
      Int32Array.from({ length: 299 }, (_, i) => 2 * i),
      Int32Array.from(
        Array.from({ length: 299 }, (_, i) => i)
          .filter((i) => i !== 149)
          .flatMap((i) => [i, i + 1]),
      ),
    );
    expect(new Set(nestedDissectionOrder(two)).size).toBe(300);
  });

  it('separate a grid by one plane of it', () => {
    // König: the smallest cover of a perfect matching of k edges has k vertices
    const edges = new Map(Array.from({ length: 7 }, (_, i) => [i, [100 + i]]));
    expect(vertexCover(edges).length).toBe(7);
    expect(vertexCover(new Map([[0, [10, 11, 12]]]))).toEqual([0]);
    expect(vertexCover(new Map([0, 1, 2].map((i) => [i, [10]])))).toEqual([10]);
  });
});
