/**
 * Cholesky's factor of a symmetric n × n matrix by rows: the lower half, which is read, becomes L of L·Lᵀ.
 *
 * @returns whether the matrix is positive definite; where it is not, its lower half is spoiled
 */
export function factorize(a: Float64Array, n: number): boolean {
  for (let j = 0; j < n; j++) {
    const row = n * j;
    let diagonal = a[row + j]!;
    for (let k = 0; k < j; k++) diagonal -= a[row + k]! * a[row + k]!;
    if (!(diagonal > 0)) return false;
    const root = Math.sqrt(diagonal);
    a[row + j] = root;
    for (let i = j + 1; i < n; i++) {
      const other = n * i;
      let sum = a[other + j]!;
      for (let k = 0; k < j; k++) sum -= a[other + k]! * a[row + k]!;
      a[other + j] = sum / root;
    }
  }
  return true;
}

/**
 * Cholesky's factor of a stiffness, as {@link factorize}.
 *
 * @throws RangeError where it is not positive definite
 */
export function factorizeStiffness(K: Float64Array, n: number): void {
  if (!factorize(K, n)) throw new RangeError('A stiffness for buckling is not positive definite.');
}

/** Solves L·x = b by a factor of as many rows as b has; b becomes x. */
export function solveLower(L: Float64Array, b: Float64Array): void {
  const n = b.length;
  for (let i = 0; i < n; i++) {
    let sum = b[i]!;
    for (let k = 0; k < i; k++) sum -= L[n * i + k]! * b[k]!;
    b[i] = sum / L[n * i + i]!;
  }
}
