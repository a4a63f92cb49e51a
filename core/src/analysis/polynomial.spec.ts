import { rootsBetween } from './polynomial.js';

/** Coefficients of Π (t − root). */
const fromRoots = (roots: number[]) =>
  Float64Array.from(roots.reduce((c, root) => [0, ...c].map((value, k) => value - root * (c[k] ?? 0)), [1]));

describe('roots between two places', () => {
  it('finds all of a fifth-degree polynomial', () => {
    const roots = [0.1, 0.25, 0.5, 0.75, 0.9];
    const found = rootsBetween(fromRoots(roots), 0, 1);
    expect(found.length).toBe(5);
    found.forEach((root, i) => expect(root).toBeCloseTo(roots[i]!, 9));
  });

  it('leaves out those outside and finds none of a constant or of zero', () => {
    expect(rootsBetween(fromRoots([-1, 0.5, 3]), 0, 1).length).toBe(1);
    expect(rootsBetween(Float64Array.of(2, 0, 0, 0), 0, 1)).toEqual([]);
    expect(rootsBetween(Float64Array.of(0, 0, 0), 0, 1)).toEqual([]);
  });

  it('tells a polynomial that stays away from zero from one that just reaches it', () => {
    // 1 ± t/2 ± t²/4 ± t⁴/4 is at least 0 on [0, 1], and 0 only where all terms pull down at the end
    expect(rootsBetween(Float64Array.of(1, -0.5, -0.25, 0, -0.25), 0, 1).length).toBe(1);
    expect(rootsBetween(Float64Array.of(1.001, -0.5, -0.25, 0, -0.25), 0, 1)).toEqual([]);
    expect(rootsBetween(Float64Array.of(1, -0.5, -0.25, 0, 0.25), 0, 1)).toEqual([]);
    // The same about the origin of an interval that does not begin there
    expect(rootsBetween(Float64Array.of(1, -0.5, -0.25, 0, -0.25), 0.5, 1).length).toBe(1);
    expect(rootsBetween(fromRoots([0.2, 0.4, 0.6, 0.8]), 0.5, 0.7).length).toBe(1);
  });

  it('finds a double root of a quadratic once', () => {
    expect(rootsBetween(fromRoots([0.5, 0.5]), 0, 1).length).toBe(1);
  });
});
