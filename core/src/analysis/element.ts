/**
 * Local stiffness of a uniform frame member with shear deformation (Timoshenko), written to `K[0…143]`, row-major.
 *
 * Freedoms: ux, uy, uz, rx, ry, rz at start, then at end, in local axes; forces are those of the nodes on the member.
 * Shear enters by Φ = 12·EI/(GAv·L²); GAv = 0 stands for rigid in shear (Φ = 0). Przemieniecki, Theory of Matrix
 * Structural Analysis, eq. 5.116.
 *
 * @param rigidity EA, EIy, EIz, GJ, GAvy, GAvz from `at` on (N, N·m²)
 * @param axialOnly only EA/L counts
 */
export function localStiffness(
  rigidity: Float64Array,
  at: number,
  length: number,
  axialOnly: boolean,
  K: Float64Array,
): void {
  K.fill(0);
  const axial = rigidity[at]! / length;
  K[0] = K[78] = axial;
  K[6] = K[72] = -axial;
  if (axialOnly) return;
  const torsion = rigidity[at + 3]! / length;
  K[39] = K[117] = torsion;
  K[45] = K[111] = -torsion;
  bending(K, 1, 5, 1, rigidity[at + 2]!, rigidity[at + 4]!, length);
  bending(K, 2, 4, -1, rigidity[at + 1]!, rigidity[at + 5]!, length);
}

/** One plane of bending: translation `t`, rotation `r`; `sign` is +1 where the rotation is the slope, −1 where minus it. */
function bending(
  K: Float64Array,
  t: number,
  r: number,
  sign: number,
  EI: number,
  GAv: number,
  L: number,
): void {
  const phi = GAv > 0 ? (12 * EI) / (GAv * L * L) : 0;
  const c = EI / (1 + phi);
  const tt = (12 * c) / L ** 3;
  const tr = (sign * 6 * c) / L ** 2;
  const near = ((4 + phi) * c) / L;
  const far = ((2 - phi) * c) / L;
  const put = (i: number, j: number, value: number): void => {
    K[12 * i + j] = K[12 * j + i] = value;
  };
  put(t, t, tt);
  put(t + 6, t + 6, tt);
  put(t, t + 6, -tt);
  put(r, r, near);
  put(r + 6, r + 6, near);
  put(r, r + 6, far);
  put(t, r, tr);
  put(t, r + 6, tr);
  put(t + 6, r, -tr);
  put(t + 6, r + 6, -tr);
}
