/** Negative eigenvalues of a small symmetric matrix (n × n, row-major), by LDLᵀ with diagonal pivoting (Sylvester). */
export function negativePivots(matrix: Float64Array, n: number): number {
  return negativePivotsOf(matrix.slice(), n);
}

/** The same; the matrix is used up. */
export function negativePivotsOf(a: Float64Array, n: number): number {
  const done = new Uint8Array(n);
  let negatives = 0;
  for (let step = 0; step < n; step++) {
    let k = -1;
    for (let i = 0; i < n; i++)
      if (done[i] === 0 && (k < 0 || Math.abs(a[n * i + i]!) > Math.abs(a[n * k + k]!))) k = i;
    done[k] = 1;
    const d = a[n * k + k]!;
    if (d < 0) negatives++;
    if (d === 0) continue;
    for (let i = 0; i < n; i++) {
      if (done[i] !== 0) continue;
      const l = a[n * i + k]! / d;
      if (l !== 0) for (let j = 0; j < n; j++) if (done[j] === 0) a[n * i + j]! -= l * a[n * k + j]!;
    }
  }
  return negatives;
}
