import type { Frame } from './frame.js';

/** A member's end displacements in local axes from the nodes' (6 a node, global): rotation after the rigid arms. */
export function toMember(frame: Frame, m: number, u: Float64Array, out: Float64Array): void {
  const r = 9 * m;
  const R = frame.axes;
  for (let end = 0; end < 2; end++) {
    const i = 6 * (end === 0 ? frame.start[m]! : frame.end[m]!);
    const o = 6 * end;
    let x = u[i]!;
    let y = u[i + 1]!;
    let z = u[i + 2]!;
    const rx = u[i + 3]!;
    const ry = u[i + 4]!;
    const rz = u[i + 5]!;
    if (frame.armed[m]) {
      const a = 6 * m + 3 * end;
      const ax = frame.arms[a]!;
      const ay = frame.arms[a + 1]!;
      const az = frame.arms[a + 2]!;
      x += ry * az - rz * ay;
      y += rz * ax - rx * az;
      z += rx * ay - ry * ax;
    }
    for (let k = 0; k < 3; k++) {
      const q = r + 3 * k;
      out[o + k] = R[q]! * x + R[q + 1]! * y + R[q + 2]! * z;
      out[o + 3 + k] = R[q]! * rx + R[q + 1]! * ry + R[q + 2]! * rz;
    }
  }
}

/** Displacements and rotations of a member's ends (local, 12) that go with those of the nodes (6 a node, global). */
export function memberEndMoves(frame: Frame, m: number, u: Float64Array): Float64Array {
  const out = new Float64Array(12);
  toMember(frame, m, u, out);
  return out;
}

/** Adds `factor` × a member's end forces (local, 12) to the nodes' (6 a node, global). */
export function addToNodes(
  frame: Frame,
  m: number,
  p: Float64Array,
  factor: number,
  out: Float64Array,
): void {
  const r = 9 * m;
  const R = frame.axes;
  for (let end = 0; end < 2; end++) {
    const i = 6 * (end === 0 ? frame.start[m]! : frame.end[m]!);
    const o = 6 * end;
    const p0 = factor * p[o]!;
    const p1 = factor * p[o + 1]!;
    const p2 = factor * p[o + 2]!;
    const m0 = factor * p[o + 3]!;
    const m1 = factor * p[o + 4]!;
    const m2 = factor * p[o + 5]!;
    const x = R[r]! * p0 + R[r + 3]! * p1 + R[r + 6]! * p2;
    const y = R[r + 1]! * p0 + R[r + 4]! * p1 + R[r + 7]! * p2;
    const z = R[r + 2]! * p0 + R[r + 5]! * p1 + R[r + 8]! * p2;
    out[i]! += x;
    out[i + 1]! += y;
    out[i + 2]! += z;
    out[i + 3]! += R[r]! * m0 + R[r + 3]! * m1 + R[r + 6]! * m2;
    out[i + 4]! += R[r + 1]! * m0 + R[r + 4]! * m1 + R[r + 7]! * m2;
    out[i + 5]! += R[r + 2]! * m0 + R[r + 5]! * m1 + R[r + 8]! * m2;
    if (frame.armed[m]) {
      const a = 6 * m + 3 * end;
      const ax = frame.arms[a]!;
      const ay = frame.arms[a + 1]!;
      const az = frame.arms[a + 2]!;
      out[i + 3]! += ay * z - az * y;
      out[i + 4]! += az * x - ax * z;
      out[i + 5]! += ax * y - ay * x;
    }
  }
}

/** Global matrix of a member (12 × 12 in its nodes' freedoms) from a local one: Tᵀ·K·T. `K` symmetric. */
export function toGlobalMatrix(frame: Frame, m: number, K: Float64Array, out: Float64Array): void {
  const r = 9 * m;
  const R = frame.axes;
  const r0 = R[r]!;
  const r1 = R[r + 1]!;
  const r2 = R[r + 2]!;
  const r3 = R[r + 3]!;
  const r4 = R[r + 4]!;
  const r5 = R[r + 5]!;
  const r6 = R[r + 6]!;
  const r7 = R[r + 7]!;
  const r8 = R[r + 8]!;
  for (let p = 0; p < 12; p += 3)
    for (let q = p; q < 12; q += 3) {
      // W = K_pq·R, then Rᵀ·W
      const at = 12 * p + q;
      const a0 = K[at]!;
      const a1 = K[at + 1]!;
      const a2 = K[at + 2]!;
      const b0 = K[at + 12]!;
      const b1 = K[at + 13]!;
      const b2 = K[at + 14]!;
      const c0 = K[at + 24]!;
      const c1 = K[at + 25]!;
      const c2 = K[at + 26]!;
      const w0 = a0 * r0 + a1 * r3 + a2 * r6;
      const w1 = a0 * r1 + a1 * r4 + a2 * r7;
      const w2 = a0 * r2 + a1 * r5 + a2 * r8;
      const w3 = b0 * r0 + b1 * r3 + b2 * r6;
      const w4 = b0 * r1 + b1 * r4 + b2 * r7;
      const w5 = b0 * r2 + b1 * r5 + b2 * r8;
      const w6 = c0 * r0 + c1 * r3 + c2 * r6;
      const w7 = c0 * r1 + c1 * r4 + c2 * r7;
      const w8 = c0 * r2 + c1 * r5 + c2 * r8;
      out[at] = r0 * w0 + r3 * w3 + r6 * w6;
      out[at + 1] = r0 * w1 + r3 * w4 + r6 * w7;
      out[at + 2] = r0 * w2 + r3 * w5 + r6 * w8;
      out[at + 12] = r1 * w0 + r4 * w3 + r7 * w6;
      out[at + 13] = r1 * w1 + r4 * w4 + r7 * w7;
      out[at + 14] = r1 * w2 + r4 * w5 + r7 * w8;
      out[at + 24] = r2 * w0 + r5 * w3 + r8 * w6;
      out[at + 25] = r2 * w1 + r5 * w4 + r8 * w7;
      out[at + 26] = r2 * w2 + r5 * w5 + r8 * w8;
      if (q > p)
        for (let i = 0; i < 3; i++)
          for (let j = 0; j < 3; j++) out[12 * (q + j) + p + i] = out[at + 12 * i + j]!;
    }
  if (frame.armed[m]) throughArms(frame, m, out);
}

const whole = new Float64Array(144);

/** The diagonal of the same matrix, 12; the local one begins at `from` in `K`. */
export function globalDiagonal(
  frame: Frame,
  m: number,
  K: Float64Array,
  from: number,
  out: Float64Array,
): void {
  if (frame.armed[m]) {
    toGlobalMatrix(frame, m, K.subarray(from, from + 144), whole);
    for (let k = 0; k < 12; k++) out[k] = whole[13 * k]!;
    return;
  }
  const R = frame.axes;
  for (let p = 0; p < 12; p += 3)
    for (let k = 0; k < 3; k++) {
      const r = 9 * m + k;
      const at = from + 13 * p;
      const x = R[r]!;
      const y = R[r + 3]!;
      const z = R[r + 6]!;
      out[p + k] =
        x * x * K[at]! +
        y * y * K[at + 13]! +
        z * z * K[at + 26]! +
        2 * (x * y * K[at + 1]! + y * z * K[at + 14]! + x * z * K[at + 2]!);
    }
}

/** K ← Bᵀ·K·B with B the rigid arms: what a rotation of a node does to the member's end, u_end = u + θ × arm. */
function throughArms(frame: Frame, m: number, K: Float64Array): void {
  for (let end = 0; end < 2; end++) {
    const a = 6 * m + 3 * end;
    const ax = frame.arms[a]!;
    const ay = frame.arms[a + 1]!;
    const az = frame.arms[a + 2]!;
    const t = 6 * end;
    // Columns of rotations take up the translations' columns, then the rows likewise: (θ × arm) by θ
    for (let i = 0; i < 12; i++) {
      const row = 12 * i + t;
      const x = K[row]!;
      const y = K[row + 1]!;
      const z = K[row + 2]!;
      K[row + 3]! += ay * z - az * y;
      K[row + 4]! += az * x - ax * z;
      K[row + 5]! += ax * y - ay * x;
    }
    for (let j = 0; j < 12; j++) {
      const at = 12 * t + j;
      const x = K[at]!;
      const y = K[at + 12]!;
      const z = K[at + 24]!;
      K[at + 36]! += ay * z - az * y;
      K[at + 48]! += az * x - ax * z;
      K[at + 60]! += ax * y - ay * x;
    }
  }
}
