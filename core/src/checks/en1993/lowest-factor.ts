import { factorizeStiffness, solveLower } from './factorize.js';
import { greatestEigenvalue } from './greatest-eigenvalue.js';

/** Factors beyond this mean that nothing buckles. */
const beyond = 1e9;

/**
 * Lowest λ > 0 at which K − λ·G is no longer positive definite: the reciprocal of the greatest eigenvalue of L⁻¹·G·L⁻ᵀ with K = L·Lᵀ.
 *
 * @param K symmetric n × n by rows and positive definite, of which the lower half is read and overwritten
 * @param G symmetric n × n by rows, of which the lower half is read, and all is overwritten
 * @returns Infinity where no λ below 1e9 does it
 * @throws RangeError where K is not positive definite
 */
export function lowestFactor(K: Float64Array, G: Float64Array, n: number): number {
  factorizeStiffness(K, n);
  for (let i = 0; i < n; i++) for (let j = 0; j < i; j++) G[n * j + i] = G[n * i + j]!;
  // Solving the rows gives G·L⁻ᵀ, then those of its transpose L⁻¹·G·L⁻ᵀ
  for (let row = 0; row < n; row++) solveLower(K, G.subarray(n * row, n * (row + 1)));
  transpose(G, n);
  for (let row = 0; row < n; row++) solveLower(K, G.subarray(n * row, n * (row + 1)));
  return factorOf(greatestEigenvalue(G, n));
}

/** The factor whose reciprocal is the greatest eigenvalue; Infinity beyond 1e9. */
export const factorOf = (greatest: number): number => (greatest * beyond > 1 ? 1 / greatest : Infinity);

function transpose(a: Float64Array, n: number): void {
  for (let i = 0; i < n; i++)
    for (let j = 0; j < i; j++) {
      const upper = a[n * j + i]!;
      a[n * j + i] = a[n * i + j]!;
      a[n * i + j] = upper;
    }
}
