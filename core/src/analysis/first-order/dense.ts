/** Small dense linear algebra, row-major. */

/** Inverse of an n × n matrix by Gauss and Jordan with row pivoting; NaN throughout where it is singular. */
export function invert(matrix: Float64Array, n: number): Float64Array {
  return invertInto(matrix.slice(), n, new Float64Array(n * n));
}

/** The same, into `out` of zeros; the matrix is used up. */
export function invertInto(a: Float64Array, n: number, out: Float64Array): Float64Array {
  for (let i = 0; i < n; i++) out[n * i + i] = 1;
  for (let k = 0; k < n; k++) {
    let best = k;
    for (let i = k + 1; i < n; i++) if (Math.abs(a[n * i + k]!) > Math.abs(a[n * best + k]!)) best = i;
    if (best !== k)
      for (let j = 0; j < n; j++) {
        [a[n * k + j], a[n * best + j]] = [a[n * best + j]!, a[n * k + j]!];
        [out[n * k + j], out[n * best + j]] = [out[n * best + j]!, out[n * k + j]!];
      }
    const pivot = a[n * k + k]!;
    if (pivot === 0) return out.fill(NaN);
    for (let j = 0; j < n; j++) {
      a[n * k + j]! /= pivot;
      out[n * k + j]! /= pivot;
    }
    for (let i = 0; i < n; i++) {
      const factor = a[n * i + k]!;
      if (i === k || factor === 0) continue;
      for (let j = 0; j < n; j++) {
        a[n * i + j]! -= factor * a[n * k + j]!;
        out[n * i + j]! -= factor * out[n * k + j]!;
      }
    }
  }
  return out;
}
