import { invert } from '../first-order/dense.js';
import { generator } from '../../testing/random.js';
import {
  apply,
  applyTransposed,
  inverse,
  minusTimesTransposed,
  minusTransposedTimes,
  negatives,
  times,
  type Width,
} from './planes.js';

/** Entries of a matrix of planes that are apart lie in the two blocks on its diagonal. */
const inBlocks = (i: number, j: number, width: Width) => width === 4 || i >> 1 === j >> 1;

function matrix(next: () => number, width: Width): Float64Array {
  return Float64Array.from({ length: 16 }, (_, k) => (inBlocks(k >> 2, k & 3, width) ? 2 * next() - 1 : 0));
}
const transposed = (a: Float64Array) =>
  Float64Array.from({ length: 16 }, (_, k) => a[4 * (k & 3) + (k >> 2)]!);
/** By the definition of a product. */
const productOf = (a: Float64Array, b: Float64Array) =>
  Float64Array.from({ length: 16 }, (_, k) =>
    [0, 1, 2, 3].reduce((sum, l) => sum + a[4 * (k >> 2) + l]! * b[4 * l + (k & 3)]!, 0),
  );
function expectSame(a: ArrayLike<number>, b: ArrayLike<number>): void {
  for (let k = 0; k < b.length; k++) expect(a[k]).toBeCloseTo(b[k]!, 12);
}

for (const width of [2, 4] as const)
  describe(`matrices over two planes, ${width === 2 ? 'apart' : 'coupled'}`, () => {
    const next = generator(7 + width);
    const a = matrix(next, width);
    const b = matrix(next, width);
    /** The same with three numbers before it. */
    const later = (m: Float64Array) => Float64Array.of(9, 9, 9, ...m);

    it('multiply, wherever the second begins', () => {
      const out = new Float64Array(16);
      times(a, later(b), 3, out, width);
      expectSame(out, productOf(a, b));
    });

    it('take away products with one of the two transposed', () => {
      const c = matrix(next, width);
      const right = c.slice();
      minusTimesTransposed(right, a, later(b), 3, width);
      expectSame(
        right,
        productOf(a, transposed(b)).map((value, k) => c[k]! - value),
      );
      const left = c.slice();
      minusTransposedTimes(left, later(a), 3, b, width);
      expectSame(
        left,
        productOf(transposed(a), b).map((value, k) => c[k]! - value),
      );
    });

    it('have an inverse, which is no number where there is none', () => {
      const out = new Float64Array(19);
      inverse(a, out, 3, width);
      expectSame(productOf(a, out.subarray(3)), [1, 0, 0, 0, 0, 1, 0, 0, 0, 0, 1, 0, 0, 0, 0, 1]);
      expectSame(out.subarray(3), invert(a, 4));
      const singular = a.slice();
      for (let j = 0; j < 4; j++) singular[4 + j] = 2 * singular[j]!;
      inverse(singular, out, 0, width);
      expect(out[0]).toBeNaN();
    });

    it('have as many negative eigenvalues as a turn of them has negative diagonal entries', () => {
      // Q·D·Qᵀ with Q a turn in each plane, by Sylvester's law of inertia
      for (const diagonal of [
        [1, 2, 3, 4],
        [-1, 2, 3, 4],
        [-1, -2, 3, -4],
        [-1, -2, -3, -4],
        [0, 2, -1, 0],
      ]) {
        const [c, s] = [Math.cos(0.4), Math.sin(0.4)];
        const Q = Float64Array.of(c, -s, 0, 0, s, c, 0, 0, 0, 0, c, s, 0, 0, -s, c);
        const D = Float64Array.from({ length: 16 }, (_, k) => (k % 5 === 0 ? diagonal[k / 5]! : 0));
        const turned = productOf(productOf(Q, D), transposed(Q));
        expect(negatives(turned, width)).toBe(diagonal.filter((value) => value < 0).length);
      }
    });

    it('act on vectors, as they are and transposed', () => {
      const x = [5, 1, -2, 3, 0.5];
      const out = new Float64Array(4);
      const expected = (m: Float64Array) =>
        [0, 1, 2, 3].map((i) => [0, 1, 2, 3].reduce((sum, j) => sum + m[4 * i + j]! * x[1 + j]!, 0));
      apply(later(a), 3, x, 1, out);
      expectSame(out, expected(a));
      applyTransposed(later(a), 3, x, 1, out);
      expectSame(out, expected(transposed(a)));
    });
  });
