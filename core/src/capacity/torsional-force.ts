/**
 * Critical force for torsional or torsional-flexural buckling: the lowest root of
 * i0²·(N − Nu)(N − Nv)(N − NT) − N²·us²·(N − Nv) − N²·vs²·(N − Nu) = 0 (Timoshenko and Gere, Theory of Elastic Stability, art. 5.6).
 *
 * @param Nu Euler force for bending about u, N; it displaces along v and so couples with a shear centre off along u
 * @param Nv about v
 * @param NT for torsion alone
 * @param us shear centre from the centroid along u, m
 * @param vs along v
 * @param i0 polar radius of gyration about the shear centre, m
 */
export function torsionalCriticalForce(
  Nu: number,
  Nv: number,
  NT: number,
  us: number,
  vs: number,
  i0: number,
): number {
  if (us === 0 && vs === 0) return NT;
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
  const beta = 1 - eccentricity ** 2;
  const ratio = NT / N;
  // Held against bending the member twists about its shear centre alone
  if (N === Infinity) return NT;
  return (N / (2 * beta)) * (1 + ratio - Math.sqrt((1 - ratio) ** 2 + 4 * eccentricity ** 2 * ratio));
}
