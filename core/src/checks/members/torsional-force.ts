/** Critical forces that would hold if bending and torsion did not couple, N. */
export interface UncoupledForces {
  /** Euler force for bending about u; it displaces along v and so couples with a shear centre off along u. */
  readonly Nu: number;
  /** About v. */
  readonly Nv: number;
  /** For torsion alone. */
  readonly NT: number;
}

/** Where a section's shear centre lies from its centroid along u and v, and its polar radius of gyration about it, m. */
export interface ShearCentre {
  readonly us: number;
  readonly vs: number;
  readonly i0: number;
}

/**
 * Critical force for torsional or torsional-flexural buckling: the lowest root of
 * i0²·(N − Nu)(N − Nv)(N − NT) − N²·us²·(N − Nv) − N²·vs²·(N − Nu) = 0 (Timoshenko and Gere, Theory of Elastic Stability, art. 5.6).
 */
export function torsionalCriticalForce({ Nu, Nv, NT }: UncoupledForces, { us, vs, i0 }: ShearCentre): number {
  if (us === 0 && vs === 0) return NT;
  // What is held against bending about one axis couples with bending about the other only
  if (Nu === Infinity) return coupled(Nv, NT, vs / i0);
  if (Nv === Infinity) return coupled(Nu, NT, us / i0);
  // On an axis of symmetry only bending square to it couples with torsion
  if (us === 0) return coupled(Nv, NT, vs / i0);
  if (vs === 0) return coupled(Nu, NT, us / i0);
  const f = (N: number) =>
    i0 * i0 * (N - Nu) * (N - Nv) * (N - NT) - N * N * us * us * (N - Nv) - N * N * vs * vs * (N - Nu);
  // Negative at zero; the first change of sign lies below the least of the three
  let low = 0;
  let high = Math.min(Nu, Nv, NT);
  for (let i = 0; i < 100; i++) {
    const middle = (low + high) / 2;
    if (f(middle) < 0) low = middle;
    else high = middle;
  }
  return low;
}

/** The lower root of bending about one axis with torsion. */
function coupled(N: number, NT: number, eccentricity: number): number {
  // Held against bending the member twists about its shear centre alone
  if (N === Infinity) return NT;
  const beta = 1 - eccentricity ** 2;
  const ratio = NT / N;
  return (N / (2 * beta)) * (1 + ratio - Math.sqrt((1 - ratio) ** 2 + 4 * eccentricity ** 2 * ratio));
}
