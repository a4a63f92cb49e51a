/** Negative eigenvalues of a small symmetric matrix (n × n, row-major), by LDLᵀ with diagonal pivoting (Sylvester). */
export function negativePivots(matrix: Float64Array, n: number): number {
  const a = matrix.slice();
  const left = Array.from({ length: n }, (_, i) => i);
  let negatives = 0;
  while (left.length > 0) {
    const k = left.reduce((best, i) => (Math.abs(a[n * i + i]!) > Math.abs(a[n * best + best]!) ? i : best));
    left.splice(left.indexOf(k), 1);
    const d = a[n * k + k]!;
    if (d < 0) negatives++;
    if (d === 0) continue;
    for (const i of left) for (const j of left) a[n * i + j]! -= (a[n * i + k]! * a[n * k + j]!) / d;
  }
  return negatives;
}
