import type { Curve } from './curves.js';

type Plan = readonly [number, number];

/**
 * The closed interpolating cubic spline through points with chord-length parameters, continuous in its second derivative:
 * its moments solve a cyclic tridiagonal system (de Boor, A Practical Guide to Splines, chapter IV, periodic end conditions).
 */
export function closedSpline(points: readonly Plan[]): Curve {
  const n = points.length;
  const next = (i: number) => (i + 1) % n;
  const h = points.map((p, i) => Math.hypot(points[next(i)]![0] - p[0], points[next(i)]![1] - p[1]));
  const moments = [0, 1].map((k) =>
    periodicMoments(
      points.map((p) => p[k as 0 | 1]),
      h,
    ),
  );
  const knots = [0];
  for (const step of h) knots.push(knots.at(-1)! + step);
  const total = knots[n]!;
  /** Value and first derivative of one coordinate. */
  const of = (k: 0 | 1, i: number, u: number): readonly [number, number] => {
    const [y0, y1] = [points[i]![k], points[next(i)]![k]];
    const [m0, m1] = [moments[k]![i]!, moments[k]![next(i)]!];
    const H = h[i]!;
    const [a, b] = [H - u, u];
    return [
      (m0 * a ** 3 + m1 * b ** 3) / (6 * H) + (y0 / H - (m0 * H) / 6) * a + (y1 / H - (m1 * H) / 6) * b,
      (-m0 * a * a + m1 * b * b) / (2 * H) - (y0 / H - (m0 * H) / 6) + (y1 / H - (m1 * H) / 6),
    ];
  };
  const locate = (t: number): readonly [number, number] => {
    const s = t * total;
    let i = 0;
    while (i < n - 1 && s >= knots[i + 1]!) i++;
    return [i, s - knots[i]!];
  };
  return {
    at: (t) => {
      const [i, u] = locate(t);
      return [of(0, i, u)[0], of(1, i, u)[0]];
    },
    speed: (t) => {
      const [i, u] = locate(t);
      return total * Math.hypot(of(0, i, u)[1], of(1, i, u)[1]);
    },
  };
}

/** Second derivatives at the knots of a periodic cubic spline, by dense elimination of the cyclic system. */
function periodicMoments(y: readonly number[], h: readonly number[]): number[] {
  const n = y.length;
  const rows = y.map((_, i) => {
    const [before, after] = [(i + n - 1) % n, (i + 1) % n];
    const row = new Float64Array(n + 1);
    row[before]! += h[before]! / 6;
    row[i]! += (h[before]! + h[i]!) / 3;
    row[after]! += h[i]! / 6;
    row[n] = (y[after]! - y[i]!) / h[i]! - (y[i]! - y[before]!) / h[before]!;
    return row;
  });
  for (let k = 0; k < n; k++) {
    // Diagonally dominant: no pivoting needed
    for (let i = k + 1; i < n; i++) {
      const factor = rows[i]![k]! / rows[k]![k]!;
      if (factor !== 0) for (let j = k; j <= n; j++) rows[i]![j]! -= factor * rows[k]![j]!;
    }
  }
  const out = new Array<number>(n).fill(0);
  for (let i = n - 1; i >= 0; i--) {
    let sum = rows[i]![n]!;
    for (let j = i + 1; j < n; j++) sum -= rows[i]![j]! * out[j]!;
    out[i] = sum / rows[i]![i]!;
  }
  return out;
}

/** Twice the area that a closed polygon encloses, positive against the clock. */
export function doubleArea(points: readonly Plan[]): number {
  return points.reduce((sum, [x, y], i) => {
    const [u, v] = points[(i + 1) % points.length]!;
    return sum + x * v - u * y;
  }, 0);
}

/** Whether a closed polygon crosses itself. */
export function crossesItself(points: readonly Plan[]): boolean {
  const n = points.length;
  const turn = (a: Plan, b: Plan, c: Plan) => (b[0] - a[0]) * (c[1] - a[1]) - (b[1] - a[1]) * (c[0] - a[0]);
  for (let i = 0; i < n; i++)
    for (let j = i + 2; j < n; j++) {
      if (i === 0 && j === n - 1) continue;
      const [a, b, c, d] = [points[i]!, points[(i + 1) % n]!, points[j]!, points[(j + 1) % n]!];
      if (turn(a, b, c) * turn(a, b, d) < 0 && turn(c, d, a) * turn(c, d, b) < 0) return true;
    }
  return false;
}
