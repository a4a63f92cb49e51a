/** Whether a symmetric matrix is positive definite: Cholesky's factorization goes through. The matrix is overwritten. */
export function isDefinite(a: readonly Record<number, number>[]): boolean {
  const n = a.length;
  for (let j = 0; j < n; j++) {
    let diagonal = a[j]![j]!;
    for (let k = 0; k < j; k++) diagonal -= a[j]![k]! ** 2;
    if (!(diagonal > 0)) return false;
    const root = Math.sqrt(diagonal);
    for (let i = j + 1; i < n; i++) {
      let sum = a[i]![j]!;
      for (let k = 0; k < j; k++) sum -= a[i]![k]! * a[j]![k]!;
      a[i]![j] = sum / root;
    }
    a[j]![j] = root;
  }
  return true;
}
