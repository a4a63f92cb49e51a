import { gaussPoints } from './quadrature.js';

describe('the rule of Gauss and Legendre', () => {
  // Abramowitz and Stegun, table 25.4, n = 3: ±√(3/5) with 5/9, 0 with 8/9, on −1 … 1
  it('has the published points and weights', () => {
    const [first, middle, last] = gaussPoints(3);
    expect(first![0]).toBeCloseTo((1 - Math.sqrt(0.6)) / 2, 14);
    expect(first![1]).toBeCloseTo(5 / 18, 14);
    expect(middle![0]).toBeCloseTo(0.5, 14);
    expect(middle![1]).toBeCloseTo(4 / 9, 14);
    expect(last![0]).toBeCloseTo((1 + Math.sqrt(0.6)) / 2, 14);
  });

  it('is exact up to degree 2n − 1 and no further', () => {
    for (const n of [1, 2, 5, 12, 20]) {
      const integral = (degree: number) =>
        gaussPoints(n).reduce((sum, [place, weight]) => sum + weight * place ** degree, 0);
      for (let degree = 0; degree < 2 * n; degree++)
        expect(integral(degree)).toBeCloseTo(1 / (degree + 1), 13);
      if (n <= 5) expect(Math.abs(integral(2 * n) - 1 / (2 * n + 1))).toBeGreaterThan(1e-8);
    }
  });
});
