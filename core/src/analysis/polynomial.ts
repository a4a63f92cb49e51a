/** Polynomials as coefficients c0 + c1·t + c2·t² … in a window of a typed array. */

/** Value at `t` (Horner). */
export function polynomialAt(c: Float64Array, at: number, count: number, t: number): number {
  let value = 0;
  for (let k = count - 1; k >= 0; k--) value = value * t + c[at + k]!;
  return value;
}

/** Coefficients of c(t + d), in place (Horner's scheme repeated). */
export function shiftOrigin(c: Float64Array, at: number, count: number, d: number): void {
  if (d === 0) return;
  for (let i = 0; i < count - 1; i++) for (let k = count - 2; k >= i; k--) c[at + k]! += d * c[at + k + 1]!;
}

/** Coefficients of the derivative. */
export function derivative(c: Float64Array): Float64Array {
  const out = new Float64Array(Math.max(1, c.length - 1));
  for (let k = 1; k < c.length; k++) out[k - 1] = k * c[k]!;
  return out;
}

/**
 * Real roots in [a, b], ascending, found by bisection between the roots of the derivative; a polynomial that is zero
 * throughout has none. Roots where the sign does not change are found where the derivative's root is a zero to within
 * 1e-14 of the largest value on the interval.
 */
export function rootsBetween(c: Float64Array, a: number, b: number): number[] {
  let degree = c.length - 1;
  const reach = Math.max(Math.abs(a), Math.abs(b), 1e-300);
  let size = Math.abs(c[0]!);
  let rest = 0;
  let power = 1;
  for (let k = 1; k <= degree; k++) {
    power *= reach;
    const term = Math.abs(c[k]!) * power;
    if (term > size) size = term;
    rest += term;
  }
  // The other terms together cannot bring the constant to zero
  if (size === 0 || Math.abs(c[0]!) > rest * (1 + 1e-12)) return [];
  while (degree > 0 && Math.abs(c[degree]!) * reach ** degree <= 1e-14 * size) degree--;
  if (degree === 0) return [];
  if (degree === 1) {
    const root = -c[0]! / c[1]!;
    return root >= a && root <= b ? [root] : [];
  }
  if (degree === 2) return quadraticRoots(c[0]!, c[1]!, c[2]!).filter((t) => t >= a && t <= b);
  const trimmed = c.slice(0, degree + 1);
  const value = (t: number) => polynomialAt(trimmed, 0, degree + 1, t);
  const turning = rootsBetween(derivative(trimmed), a, b);
  const knots = [a, ...turning, b];
  const roots: number[] = [];
  const add = (t: number) => {
    if (roots.length === 0 || t - roots[roots.length - 1]! > 1e-12 * reach) roots.push(t);
  };
  for (let k = 0; k + 1 < knots.length; k++) {
    let low = knots[k]!;
    let high = knots[k + 1]!;
    let atLow = value(low);
    const atHigh = value(high);
    if (Math.abs(atLow) <= 1e-14 * size) {
      add(low);
      continue;
    }
    if (Math.abs(atHigh) <= 1e-14 * size) {
      add(high);
      continue;
    }
    if (atLow * atHigh > 0) continue;
    for (let i = 0; i < 200 && high - low > 1e-15 * reach; i++) {
      const middle = (low + high) / 2;
      const atMiddle = value(middle);
      if (atLow * atMiddle <= 0) high = middle;
      else {
        low = middle;
        atLow = atMiddle;
      }
    }
    add((low + high) / 2);
  }
  return roots;
}

/** Roots of c0 + c1·t + c2·t², ascending, without cancellation. */
function quadraticRoots(c0: number, c1: number, c2: number): number[] {
  const square = c1 * c1 - 4 * c2 * c0;
  if (square < 0) return [];
  const q = -(c1 + (c1 < 0 ? -1 : 1) * Math.sqrt(square)) / 2;
  if (q === 0) return [0];
  const roots = [q / c2, c0 / q];
  return square === 0 ? [roots[0]!] : roots.sort((x, y) => x - y);
}
