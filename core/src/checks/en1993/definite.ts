/** Whether a symmetric n × n matrix is positive definite: Cholesky's factorization goes through. Its lower half is read and overwritten. */
export function isDefinite(a: Float64Array, n: number): boolean {
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
