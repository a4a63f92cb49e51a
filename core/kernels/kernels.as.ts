/**
 * Dense kernels of the supernodal factorization in WebAssembly with two-wide double SIMD (AssemblyScript).
 * The reference with the same contracts is src/analysis/sparse/kernels-plain.ts; `npm run kernels` builds this file into
 * src/analysis/sparse/kernels-binary.ts. Pointers are byte addresses, panels row-major.
 */

const columnsAtOnce: i32 = 64;
const depthAtOnce: i32 = 256;
const blockColumns: i32 = 32;

/** target[rowOffset[i] + columnOffset[j]] −= Σ_k a[i][k]·b[j][k]; with `lower`, only blocks that reach j ≤ i. */
export function update(
  m: i32, n: i32, depth: i32,
  a: usize, lda: i32, b: usize, ldb: i32,
  target: usize, rowOffsets: usize, columnOffsets: usize, lower: i32,
): void {
  for (let k0 = 0; k0 < depth; k0 += depthAtOnce) {
    const k = min(depthAtOnce, depth - k0);
    for (let j0 = 0; j0 < n; j0 += columnsAtOnce) {
      const j1 = min(n, j0 + columnsAtOnce);
      let i = lower ? j0 & ~3 : 0;
      for (; i + 4 <= m; i += 4) {
        const a0 = a + ((<usize>i * lda + k0) << 3);
        const last = lower ? min(j1, i + 4) : j1;
        const r0 = target + (<usize>load<i32>(rowOffsets + (<usize>i << 2)) << 3);
        const r1 = target + (<usize>load<i32>(rowOffsets + (<usize>i << 2), 4) << 3);
        const r2 = target + (<usize>load<i32>(rowOffsets + (<usize>i << 2), 8) << 3);
        const r3 = target + (<usize>load<i32>(rowOffsets + (<usize>i << 2), 12) << 3);
        let j = j0;
        for (; j + 2 <= last; j += 2)
          block42(k, a0, <usize>lda << 3, b + ((<usize>j * ldb + k0) << 3), <usize>ldb << 3, r0, r1, r2, r3,
            <usize>load<i32>(columnOffsets + (<usize>j << 2)) << 3,
            <usize>load<i32>(columnOffsets + (<usize>j << 2), 4) << 3);
        if (j < last) {
          const bj = b + ((<usize>j * ldb + k0) << 3);
          const c = <usize>load<i32>(columnOffsets + (<usize>j << 2)) << 3;
          const step = <usize>lda << 3;
          subtract(r0 + c, dot(k, a0, bj));
          subtract(r1 + c, dot(k, a0 + step, bj));
          subtract(r2 + c, dot(k, a0 + 2 * step, bj));
          subtract(r3 + c, dot(k, a0 + 3 * step, bj));
        }
      }
      for (; i < m; i++) {
        const ai = a + ((<usize>i * lda + k0) << 3);
        const row = target + (<usize>load<i32>(rowOffsets + (<usize>i << 2)) << 3);
        const last = lower ? min(j1, i + 1) : j1;
        for (let j = j0; j < last; j++)
          subtract(row + (<usize>load<i32>(columnOffsets + (<usize>j << 2)) << 3),
            dot(k, ai, b + ((<usize>j * ldb + k0) << 3)));
      }
    }
  }
}

// @ts-ignore: decorator of AssemblyScript
@inline
function subtract(at: usize, value: f64): void {
  store<f64>(at, load<f64>(at) - value);
}

function dot(k: i32, a: usize, b: usize): f64 {
  let s = f64x2.splat(0);
  let p: i32 = 0;
  for (; p + 2 <= k; p += 2) {
    const o = <usize>p << 3;
    s = f64x2.add(s, f64x2.mul(v128.load(a + o), v128.load(b + o)));
  }
  let sum = f64x2.extract_lane(s, 0) + f64x2.extract_lane(s, 1);
  if (p < k) sum += load<f64>(a + (<usize>p << 3)) * load<f64>(b + (<usize>p << 3));
  return sum;
}

// @ts-ignore: decorator of AssemblyScript
@inline
function block42(
  k: i32, a: usize, lda: usize, b: usize, ldb: usize,
  r0: usize, r1: usize, r2: usize, r3: usize, c0: usize, c1: usize,
): void {
  const a1 = a + lda;
  const a2 = a1 + lda;
  const a3 = a2 + lda;
  const b1 = b + ldb;
  let s00 = f64x2.splat(0);
  let s01 = s00;
  let s10 = s00;
  let s11 = s00;
  let s20 = s00;
  let s21 = s00;
  let s30 = s00;
  let s31 = s00;
  const whole = <usize>(k & ~1) << 3;
  let o: usize = 0;
  for (; o < whole; o += 16) {
    const x0 = v128.load(b + o);
    const x1 = v128.load(b1 + o);
    let y = v128.load(a + o);
    s00 = f64x2.add(s00, f64x2.mul(y, x0));
    s01 = f64x2.add(s01, f64x2.mul(y, x1));
    y = v128.load(a1 + o);
    s10 = f64x2.add(s10, f64x2.mul(y, x0));
    s11 = f64x2.add(s11, f64x2.mul(y, x1));
    y = v128.load(a2 + o);
    s20 = f64x2.add(s20, f64x2.mul(y, x0));
    s21 = f64x2.add(s21, f64x2.mul(y, x1));
    y = v128.load(a3 + o);
    s30 = f64x2.add(s30, f64x2.mul(y, x0));
    s31 = f64x2.add(s31, f64x2.mul(y, x1));
  }
  if (k & 1) {
    const x0 = v128.load64_zero(b + o);
    const x1 = v128.load64_zero(b1 + o);
    let y = v128.load64_zero(a + o);
    s00 = f64x2.add(s00, f64x2.mul(y, x0));
    s01 = f64x2.add(s01, f64x2.mul(y, x1));
    y = v128.load64_zero(a1 + o);
    s10 = f64x2.add(s10, f64x2.mul(y, x0));
    s11 = f64x2.add(s11, f64x2.mul(y, x1));
    y = v128.load64_zero(a2 + o);
    s20 = f64x2.add(s20, f64x2.mul(y, x0));
    s21 = f64x2.add(s21, f64x2.mul(y, x1));
    y = v128.load64_zero(a3 + o);
    s30 = f64x2.add(s30, f64x2.mul(y, x0));
    s31 = f64x2.add(s31, f64x2.mul(y, x1));
  }
  put(r0, c0, c1, s00, s01);
  put(r1, c0, c1, s10, s11);
  put(r2, c0, c1, s20, s21);
  put(r3, c0, c1, s30, s31);
}

// @ts-ignore: decorator of AssemblyScript
@inline
function put(row: usize, c0: usize, c1: usize, x: v128, y: v128): void {
  // Both sums at once: [x0 + x1, y0 + y1]
  const sums = f64x2.add(i64x2.shuffle(x, y, 0, 2), i64x2.shuffle(x, y, 1, 3));
  subtract(row + c0, f64x2.extract_lane(sums, 0));
  subtract(row + c1, f64x2.extract_lane(sums, 1));
}

/**
 * Signed Cholesky A = L·S·Lᵀ, S = ±1, of the square of a panel's columns first … first + count. `work` receives what `solveRows`
 * needs: the signed inverses of the pivots and the square transposed. `diagonal` holds the diagonal before any update; the column
 * of a pivot below `suspicious` × it is written to `suspects`, and one that has lost everything is held (it becomes zero).
 *
 * @returns how many suspects were written
 */
export function factorBlock(
  width: i32, first: i32, count: i32, panel: usize, signs: usize, diagonal: usize, work: usize,
  suspects: usize, suspicious: f64,
): i32 {
  let found: i32 = 0;
  const bytes = <usize>width << 3;
  const transposed = work + (<usize>blockColumns << 3);
  const top = panel + <usize>first * bytes;
  for (let j = 0; j < count; j++) {
    const column = first + j;
    const row = top + <usize>j * bytes + (<usize>first << 3);
    let d = load<f64>(row + (<usize>j << 3));
    for (let k = 0; k < j; k++) {
      const l = load<f64>(row + (<usize>k << 3));
      d -= l * l * load<f64>(signs + (<usize>(first + k) << 3));
    }
    const scale = Math.abs(load<f64>(diagonal + (<usize>column << 3)));
    if (!(Math.abs(d) > suspicious * scale)) {
      store<i32>(suspects + (<usize>found << 2), column);
      found++;
      if (!(Math.abs(d) > 1e-15 * scale)) d = Infinity;
    }
    const sign: f64 = d < 0 ? -1 : 1;
    store<f64>(signs + (<usize>column << 3), sign);
    const pivot = Math.sqrt(Math.abs(d));
    store<f64>(row + (<usize>j << 3), pivot);
    const scaled = sign / pivot;
    store<f64>(work + (<usize>j << 3), scaled);
    for (let i = j + 1; i < count; i++) {
      const other = top + <usize>i * bytes + (<usize>first << 3);
      let sum = load<f64>(other + (<usize>j << 3));
      for (let k = 0; k < j; k++)
        sum -= load<f64>(other + (<usize>k << 3)) * load<f64>(row + (<usize>k << 3)) *
          load<f64>(signs + (<usize>(first + k) << 3));
      const l = sum * scaled;
      store<f64>(other + (<usize>j << 3), l);
      store<f64>(transposed + ((<usize>j * blockColumns + i) << 3), l * sign);
    }
  }
  return found;
}

/** The rows from … to of the columns that `factorBlock` factored: L₂₁ = A₂₁·L₁₁⁻ᵀ·S. */
export function solveRows(
  width: i32, first: i32, count: i32, panel: usize, signs: usize, from: i32, to: i32, work: usize,
): void {
  const bytes = <usize>width << 3;
  const inverse = work;
  const transposed = work + (<usize>blockColumns << 3);
  let i = from;
  for (; i + 2 <= to; i += 2) {
    const x = panel + <usize>i * bytes + (<usize>first << 3);
    const y = x + bytes;
    for (let j = 0; j < count; j++) {
      const o = <usize>j << 3;
      const factor = load<f64>(inverse + o);
      const xj = load<f64>(x + o) * factor;
      const yj = load<f64>(y + o) * factor;
      store<f64>(x + o, xj);
      store<f64>(y + o, yj);
      const xs = f64x2.splat(xj);
      const ys = f64x2.splat(yj);
      const t = transposed + ((<usize>j * blockColumns) << 3);
      let c = j + 1;
      for (; c + 2 <= count; c += 2) {
        const p = <usize>c << 3;
        const l = v128.load(t + p);
        v128.store(x + p, f64x2.sub(v128.load(x + p), f64x2.mul(xs, l)));
        v128.store(y + p, f64x2.sub(v128.load(y + p), f64x2.mul(ys, l)));
      }
      if (c < count) {
        const p = <usize>c << 3;
        const l = load<f64>(t + p);
        store<f64>(x + p, load<f64>(x + p) - xj * l);
        store<f64>(y + p, load<f64>(y + p) - yj * l);
      }
    }
  }
  if (i < to) {
    const x = panel + <usize>i * bytes + (<usize>first << 3);
    for (let j = 0; j < count; j++) {
      const xj = load<f64>(x + (<usize>j << 3)) * load<f64>(inverse + (<usize>j << 3));
      store<f64>(x + (<usize>j << 3), xj);
      const t = transposed + ((<usize>j * blockColumns) << 3);
      for (let c = j + 1; c < count; c++) subtract(x + (<usize>c << 3), xj * load<f64>(t + (<usize>c << 3)));
    }
  }
}

/** Forward substitution with one panel; x holds `stride` right-hand sides a row, an even number. */
export function forward(
  rows: i32, width: i32, panel: usize, rowNumbers: usize, x: usize, stride: i32,
): void {
  const bytes = <usize>stride << 3;
  const top = x + <usize>load<i32>(rowNumbers) * bytes;
  for (let i = 0; i < rows; i++) {
    const l = panel + ((<usize>i * width) << 3);
    const own = x + <usize>load<i32>(rowNumbers + (<usize>i << 2)) * bytes;
    const count = min(i, width);
    for (let r = 0; r < stride; r += 2) {
      const o = <usize>r << 3;
      let sum = v128.load(own + o);
      let at = top + o;
      for (let k = 0; k < count; k++) {
        sum = f64x2.sub(sum, f64x2.mul(v128.load64_splat(l + (<usize>k << 3)), v128.load(at)));
        at += bytes;
      }
      if (i < width) sum = f64x2.div(sum, v128.load64_splat(l + (<usize>i << 3)));
      v128.store(own + o, sum);
    }
  }
}

/** Backward substitution with one panel. */
export function backward(
  rows: i32, width: i32, panel: usize, rowNumbers: usize, x: usize, stride: i32,
): void {
  const bytes = <usize>stride << 3;
  const top = x + <usize>load<i32>(rowNumbers) * bytes;
  for (let i = rows - 1; i >= 0; i--) {
    const l = panel + ((<usize>i * width) << 3);
    const own = x + <usize>load<i32>(rowNumbers + (<usize>i << 2)) * bytes;
    const count = min(i, width);
    for (let r = 0; r < stride; r += 2) {
      const o = <usize>r << 3;
      let value = v128.load(own + o);
      if (i < width) {
        value = f64x2.div(value, v128.load64_splat(l + (<usize>i << 3)));
        v128.store(own + o, value);
      }
      let at = top + o;
      for (let k = 0; k < count; k++) {
        v128.store(at, f64x2.sub(v128.load(at), f64x2.mul(v128.load64_splat(l + (<usize>k << 3)), value)));
        at += bytes;
      }
    }
  }
}
