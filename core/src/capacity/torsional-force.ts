/**
 * Critical force for torsional or torsional-flexural buckling: the lowest root of
 * i0²(N − Nu)(N − Nv)(N − NT) − N²·us²(N − Nu)… with the shear centre at (us, vs) in principal axes (Timoshenko and Gere, Theory of
 * Elastic Stability, art. 5.6); of doubly symmetric sections Ncr,T = (GIt + π²EIw/LT²)/i0². N
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
  // Nu bends about u, which displaces along v and couples with the shear centre's us
  const f = (N: number) =>
    i0 * i0 * (N - Nu) * (N - Nv) * (N - NT) - N * N * us * us * (N - Nu) - N * N * vs * vs * (N - Nv);
  // Negative at zero; the first change of sign lies below the least of the three
  let low = 0;
  let high = Math.min(Nu, Nv, NT);
  // An axis of symmetry leaves its own flexural root at `high`: what couples is looked for below
  if (us === 0) return coupled(Nu, NT, vs / i0);
  if (vs === 0) return coupled(Nv, NT, us / i0);
  for (let i = 0; i < 200; i++) {
    const middle = (low + high) / 2;
    if (f(middle) < 0) low = middle;
    else high = middle;
  }
  return low;
}

/** Ncr,TF of a section with one axis of symmetry: of bending in that plane's other direction with torsion. */
function coupled(N: number, NT: number, eccentricity: number): number {
  const beta = 1 - eccentricity ** 2;
  const ratio = NT / N;
  if (N === Infinity) return NT;
  return (N / (2 * beta)) * (1 + ratio - Math.sqrt((1 - ratio) ** 2 + 4 * eccentricity ** 2 * ratio));
}
