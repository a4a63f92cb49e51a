import type { Frame } from './frame.js';

/**
 * Transformation of a member, u_local = T · u_nodes, written to `T[0…143]`, row-major: rotation into local axes after
 * the rigid arms (u_end = u + θ × arm) after the axes of inclined supports.
 */
export function memberTransform(frame: Frame, member: number, T: Float64Array): void {
  T.fill(0);
  for (let end = 0; end < 2; end++) {
    const node = end === 0 ? frame.start[member]! : frame.end[member]!;
    const Q = frame.supportAxes.get(node);
    const arm = 6 * member + 3 * end;
    const ax = frame.arms[arm]!;
    const ay = frame.arms[arm + 1]!;
    const az = frame.arms[arm + 2]!;
    for (let i = 0; i < 3; i++) {
      const r = 9 * member + 3 * i;
      const r0 = frame.axes[r]!;
      const r1 = frame.axes[r + 1]!;
      const r2 = frame.axes[r + 2]!;
      const translation = [r0, r1, r2] as const;
      // row i of R·[θ × a] as a row acting on θ: (a × r)ᵀ
      const byRotation = [ay * r2 - az * r1, az * r0 - ax * r2, ax * r1 - ay * r0] as const;
      const offset = 6 * end;
      put(T, 12 * (offset + i) + offset, translation, Q);
      put(T, 12 * (offset + i) + offset + 3, byRotation, Q);
      put(T, 12 * (offset + 3 + i) + offset + 3, translation, Q);
    }
  }
}

/** Writes the row vector v·Qᵀ (Q: rows are the support's axes) at `at`. */
function put(
  T: Float64Array,
  at: number,
  v: readonly [number, number, number],
  Q: Float64Array | undefined,
): void {
  for (let k = 0; k < 3; k++)
    T[at + k] = Q ? v[0] * Q[3 * k]! + v[1] * Q[3 * k + 1]! + v[2] * Q[3 * k + 2]! : v[k]!;
}

/** K ← Tᵀ·K·T for 12 × 12 row-major matrices; `work` (144) is scratch. */
export function congruence(T: Float64Array, K: Float64Array, work: Float64Array, out: Float64Array): void {
  for (let i = 0; i < 12; i++)
    for (let j = 0; j < 12; j++) {
      let sum = 0;
      for (let k = 0; k < 12; k++) sum += K[12 * i + k]! * T[12 * k + j]!;
      work[12 * i + j] = sum;
    }
  for (let i = 0; i < 12; i++)
    for (let j = i; j < 12; j++) {
      let sum = 0;
      for (let k = 0; k < 12; k++) sum += T[12 * k + i]! * work[12 * k + j]!;
      out[12 * i + j] = out[12 * j + i] = sum;
    }
}
