/** Greatest eigenvalue of a symmetric n × n matrix by rows, of which the lower half is read, and all is overwritten. */
export function greatestEigenvalue(a: Float64Array, n: number): number {
  for (let i = 0; i < n; i++) for (let j = 0; j < i; j++) a[n * j + i] = a[n * i + j]!;
  const diagonal = new Float64Array(n);
  const squares = new Float64Array(n);
  tridiagonal(a, n, diagonal, squares);
  // Every eigenvalue lies within a row's sum about its diagonal (Gershgorin)
  let low = -Infinity;
  let high = -Infinity;
  for (let i = 0; i < n; i++) {
    const beside = Math.sqrt(squares[i]!) + Math.sqrt(squares[i + 1] ?? 0);
    low = Math.max(low, diagonal[i]!);
    high = Math.max(high, diagonal[i]! + beside);
  }
  // As close as the numbers allow
  for (;;) {
    const middle = (low + high) / 2;
    if (middle <= low || middle >= high) return high;
    if (isBelow(diagonal, squares, middle)) high = middle;
    else low = middle;
  }
}

/** Whether all eigenvalues of a tridiagonal matrix are less than x: all pivots of T − x·I are negative (Sylvester). */
function isBelow(diagonal: Float64Array, squares: Float64Array, x: number): boolean {
  let pivot = -1;
  for (let i = 0; i < diagonal.length; i++) {
    pivot = diagonal[i]! - x - squares[i]! / pivot;
    if (!(pivot < 0)) return false;
  }
  return true;
}

/**
 * Turns a symmetric matrix into a tridiagonal one of the same eigenvalues by Householder's reflections (Golub and Van Loan, Matrix
 * Computations, 8.3.1).
 *
 * @param squares squares of the entries beside the diagonal: of rows i − 1 and i in i; 0 in the first
 */
function tridiagonal(a: Float64Array, n: number, diagonal: Float64Array, squares: Float64Array): void {
  const v = new Float64Array(n);
  const w = new Float64Array(n);
  for (let k = 0; k < n; k++) {
    diagonal[k] = a[n * k + k]!;
    if (k + 1 === n) break;
    let norm = 0;
    for (let i = k + 1; i < n; i++) norm += a[n * i + k]! ** 2;
    squares[k + 1] = norm;
    if (norm === 0) continue;
    // Reflects column k below the diagonal onto its first entry
    let vv = 0;
    for (let i = k + 1; i < n; i++) {
      v[i] = a[n * i + k]!;
      if (i === k + 1) v[i]! += Math.sign(v[i]! || 1) * Math.sqrt(norm);
      vv += v[i]! ** 2;
    }
    // A − v·wᵀ − w·vᵀ with w = p − (β/2·pᵀv)·v, p = β·A·v, β = 2/vᵀv
    let pv = 0;
    for (let i = k + 1; i < n; i++) {
      let sum = 0;
      for (let j = k + 1; j < n; j++) sum += a[n * i + j]! * v[j]!;
      w[i] = (2 * sum) / vv;
      pv += w[i]! * v[i]!;
    }
    for (let i = k + 1; i < n; i++) w[i]! -= (pv / vv) * v[i]!;
    for (let i = k + 1; i < n; i++)
      for (let j = k + 1; j < n; j++) a[n * i + j]! -= v[i]! * w[j]! + w[i]! * v[j]!;
  }
}
