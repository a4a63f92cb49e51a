import { Series, seriesTerms, type Across, type Stretch } from './series.js';

/** Flexibilities in the order of `Flexibility`: 1/EA, bending w, product, bending v, torsion, shear v, shear w. */
const [EIw, EIv, GAv, GAw] = [4e6, 1e6, 3e7, 5e7];
function stretch(N: Stretch['N'], { shear = false, product = 0, h = 2 } = {}): Stretch {
  return {
    h,
    flexibility: Float64Array.of(0, 1 / EIw, product, 1 / EIv, 0, shear ? 1 / GAv : 0, shear ? 1 / GAw : 0),
    at: 0,
    terms: 1,
    N,
    free: [true, true],
  };
}
const none: Stretch['N'] = [0, 0, 0, 0];
const loads = (w: readonly number[], v: readonly number[] = []): Across => {
  const q = (c: readonly number[]) => Float64Array.from({ length: seriesTerms }, (_, k) => c[k] ?? 0);
  return { q: [q(w), q(v)], curvature: [0, 0] };
};

/** w, ψ, M, H of plane w, then of plane v, at t. */
function solved(of: Stretch, state: readonly number[], t: number, across?: Across): Float64Array {
  const series = new Series();
  series.solve(of, state, across);
  const out = new Float64Array(8);
  series.at(t, out);
  return out;
}

/** The same by the method of Runge and Kutta, in many small steps: w′ = (ψ − s·H)/(1 + s·N), ψ′ = c·M, M′ = H + N·w′, H′ = q. */
function integrated(
  { flexibility, N, h }: Stretch,
  state: readonly number[],
  q: (t: number) => readonly [number, number],
): Float64Array {
  const force = (t: number) => N[0] + (N[1] + (N[2] + N[3] * t) * t) * t;
  const rate = (t: number, y: readonly number[]): number[] =>
    [0, 1].flatMap((p) => {
      const [, psi, M, H] = y.slice(4 * p, 4 * p + 4) as [number, number, number, number];
      const s = flexibility[p === 0 ? 6 : 5]!;
      const other = y[4 * (1 - p) + 2]!;
      const slope = (psi - s * H) / (1 + s * force(t));
      const bend = flexibility[p === 0 ? 1 : 3]! * M + flexibility[2]! * other;
      return [slope, bend, H + force(t) * slope, q(t)[p]!];
    });
  const steps = 2000;
  const d = h / steps;
  let y = [...state];
  const moved = (k: readonly number[], by: number) => y.map((value, i) => value + by * k[i]!);
  for (let i = 0; i < steps; i++) {
    const t = i * d;
    const k1 = rate(t, y);
    const k2 = rate(t + d / 2, moved(k1, d / 2));
    const k3 = rate(t + d / 2, moved(k2, d / 2));
    const k4 = rate(t + d, moved(k3, d));
    y = y.map((value, j) => value + (d / 6) * (k1[j]! + 2 * k2[j]! + 2 * k3[j]! + k4[j]!));
  }
  return Float64Array.from(y);
}
/** To 1e-9 of each value, or of the size of what it is made up of where that is given. */
function expectClose(found: ArrayLike<number>, wanted: ArrayLike<number>, sizes?: ArrayLike<number>): void {
  for (let i = 0; i < wanted.length; i++) {
    const size = Math.max(1e-3, Math.abs(wanted[i]!), Math.abs(sizes?.[i] ?? 0));
    expect(Math.abs(found[i]! - wanted[i]!)).toBeLessThan(1e-9 * size);
  }
}

describe('the series of a beam-column', () => {
  it('is the bending line of a beam without an axial force, with its shear deformation', () => {
    const [w0, psi0, M0, H0, q] = [0.01, 0.002, 3e3, 2e3, -5e3];
    const t = 1.7;
    const out = solved(stretch(none, { shear: true }), [w0, psi0, M0, H0, 0, 0, 0, 0], t, loads([q]));
    const bending = (M0 * t ** 2) / 2 + (H0 * t ** 3) / 6 + (q * t ** 4) / 24;
    expectClose(out, [
      w0 + psi0 * t + bending / EIw - (H0 * t + (q * t ** 2) / 2) / GAw,
      psi0 + (M0 * t + (H0 * t ** 2) / 2 + (q * t ** 3) / 6) / EIw,
      M0 + H0 * t + (q * t ** 2) / 2,
      H0 + q * t,
      0,
      0,
      0,
      0,
    ]);
  });

  it('is made of sine and cosine under compression: M = M0·cos kt, w = M0·(1 − cos kt)/P', () => {
    const P = 8e5;
    const k = Math.sqrt(P / EIw);
    const t = 1.9;
    const out = solved(stretch([-P, 0, 0, 0]), [0, 0, 1e4, 0, 0, 0, 0, 0], t);
    expectClose(out.subarray(0, 4), [
      (1e4 * (1 - Math.cos(k * t))) / P,
      (1e4 * Math.sin(k * t)) / (k * EIw),
      1e4 * Math.cos(k * t),
      0,
    ]);
  });

  it('is made of hyperbolic ones under tension, in the weaker plane with its own stiffness', () => {
    const P = 3e5;
    const k = Math.sqrt(P / EIv);
    const t = 2;
    const out = solved(stretch([P, 0, 0, 0]), [0, 0, 0, 0, 0, 0, 1e4, 0], t);
    expectClose(out.subarray(4, 8), [
      (1e4 * (Math.cosh(k * t) - 1)) / P,
      (1e4 * Math.sinh(k * t)) / (k * EIv),
      1e4 * Math.cosh(k * t),
      0,
    ]);
    expectClose(out.subarray(0, 4), [0, 0, 0, 0]);
  });

  it('leaves a shift of the whole as it is, whatever the axial force', () => {
    expectClose(
      solved(stretch([-9e5, 2e4, 0, 0], { shear: true }), [0.3, 0, 0, 0, -0.2, 0, 0, 0], 2),
      [0.3, 0, 0, 0, -0.2, 0, 0, 0],
    );
  });

  // As long as one series covers: √(|N|/EI)·h stays below 1.2
  const state = [0.01, -0.004, 2e4, -6e3, 0.003, 0.002, -8e3, 3e3];
  for (const [what, of] of [
    ['an axial force that grows along it', stretch([-4e5, -1e5, 3e4, 2e4], { shear: true, h: 1.4 })],
    ['planes that a product of inertia couples', stretch([-4e5, -1e5, 0, 0], { product: 6e-8, h: 1.4 })],
    ['both, with shear deformation', stretch([2e5, 1e5, 0, -1e4], { shear: true, product: -4e-8, h: 1.4 })],
  ] as const)
    it(`agrees with step by step integration for ${what}`, () => {
      const across = loads([-5e3, 2e3, 300], [1e3, -500]);
      const q = (t: number) => [-5e3 + 2e3 * t + 300 * t * t, 1e3 - 500 * t] as const;
      expectClose(solved(of, state, of.h, across), integrated(of, state, q), state);
    });

  it('takes no axial force into account in a plane in which the frame is held', () => {
    const free = { ...stretch([-8e5, 0, 0, 0]), free: [true, false] as const };
    const held = solved(free, [0, 0, 0, 0, 0, 0, 1e4, 0], 2).subarray(4);
    expectClose(held, [(1e4 * 4) / (2 * EIv), (1e4 * 2) / EIv, 1e4, 0]);
  });
});
