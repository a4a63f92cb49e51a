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
