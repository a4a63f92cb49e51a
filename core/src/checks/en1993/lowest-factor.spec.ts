import { greatestEigenvalue } from './greatest-eigenvalue.js';
import { lowestFactor } from './lowest-factor.js';

/** A symmetric matrix by rows. */
const matrix = (n: number, of: (i: number, j: number) => number) =>
  Float64Array.from({ length: n * n }, (_, k) => of(Math.floor(k / n), k % n));

/** Second differences along a line held at both ends, whose eigenvalues are 2 − 2·cos(kπ/(n + 1)), k = 1 … n. */
const line = (n: number) => matrix(n, (i, j) => (i === j ? 2 : Math.abs(i - j) === 1 ? -1 : 0));

const equal = (value: number, expected: number) =>
  expect(Math.abs(value - expected)).toBeLessThanOrEqual(1e-12 * Math.abs(expected));

describe('greatest eigenvalue', () => {
  it('of second differences is 2 − 2·cos(nπ/(n + 1))', () => {
    for (const n of [1, 2, 3, 8, 16])
      equal(greatestEigenvalue(line(n), n), 2 - 2 * Math.cos((n * Math.PI) / (n + 1)));
  });

  it('of a full matrix: all ones have n, their negative has 0', () => {
    equal(
      greatestEigenvalue(
        matrix(5, () => 1),
        5,
      ),
      5,
    );
    expect(
      Math.abs(
        greatestEigenvalue(
          matrix(5, () => -1),
          5,
        ),
      ),
    ).toBeLessThan(1e-12);
  });

  it('of a diagonal matrix is its greatest entry, be it below 0', () => {
    equal(
      greatestEigenvalue(
        matrix(3, (i, j) => (i === j ? [-4, -1, -9][i]! : 0)),
        3,
      ),
      -1,
    );
  });

  it('does not change when the axes are turned: vᵀ·v = 1 reflects a known spectrum', () => {
    // H·D·H with H = I − 2·v·vᵀ has the eigenvalues of D
    const v = [0.5, -0.5, 0.1, 0.7];
    const D = [3, -7, 2.5, 1];
    const H = (i: number, j: number) => (i === j ? 1 : 0) - 2 * v[i]! * v[j]!;
    const turned = matrix(4, (i, j) => D.reduce((sum, d, k) => sum + H(i, k) * d * H(k, j), 0));
    equal(greatestEigenvalue(turned, 4), 3);
  });
});

describe('lowest factor', () => {
  it('is the lowest quotient where all is diagonal and pushes', () => {
    const K = matrix(3, (i, j) => (i === j ? [12, 10, 30][i]! : 0));
    const G = matrix(3, (i, j) => (i === j ? [3, 5, -10][i]! : 0));
    equal(lowestFactor(K, G, 3), 2);
  });

  it('of a moment that couples movement and twist is √(k1·k2)/m of either sign (Timoshenko and Gere, art. 6.2)', () => {
    for (const m of [6, -6])
      equal(lowestFactor(Float64Array.of(9, 0, 0, 16), Float64Array.of(0, 0, m, 0), 2), 2);
  });

  it('reads the lower halves alone', () => {
    const K = line(4).map((value, k) => (k % 4 > Math.floor(k / 4) ? NaN : value));
    const G = matrix(4, (i, j) => (i === j ? 1 : i < j ? NaN : 0));
    // The least eigenvalue of second differences
    equal(lowestFactor(K, G, 4), 2 - 2 * Math.cos(Math.PI / 5));
  });

  it('is infinite where nothing pushes', () => {
    expect(lowestFactor(line(3), new Float64Array(9), 3)).toBe(Infinity);
    expect(
      lowestFactor(
        line(3),
        line(3).map((value) => -value),
        3,
      ),
    ).toBe(Infinity);
  });

  it('refuses a stiffness that is none', () => {
    expect(() => lowestFactor(Float64Array.of(1, 0, 2, 1), new Float64Array(4), 2)).toThrowError(
      /not positive definite/,
    );
  });
});
