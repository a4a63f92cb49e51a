const rules = new Map<number, readonly (readonly [number, number])[]>();

/** Places and weights of Gauss and Legendre's rule with n points on [0, 1]; exact up to degree 2n − 1. */
export function gaussPoints(n: number): readonly (readonly [place: number, weight: number])[] {
  const known = rules.get(n);
  if (known) return known;
  const points: [number, number][] = [];
  for (let i = 0; i < n; i++) {
    // Newton on the Legendre polynomial from Chebyshev's guess
    let x = Math.cos((Math.PI * (i + 0.75)) / (n + 0.5));
    let slope = 1;
    for (let step = 0; step < 20; step++) {
      let before = 1;
      let value = x;
      for (let k = 2; k <= n; k++)
        [before, value] = [value, ((2 * k - 1) * x * value - (k - 1) * before) / k];
      slope = (n * (x * value - before)) / (x * x - 1);
      x -= value / slope;
    }
    points.push([(1 + x) / 2, 1 / ((1 - x * x) * slope * slope)]);
  }
  rules.set(
    n,
    points.sort((a, b) => a[0] - b[0]),
  );
  return points;
}
