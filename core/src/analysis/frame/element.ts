import type { Frame } from './frame.js';
import { addStartForces, integrate, memberFlexibility } from '../member-field.js';
import { meanAxialFlexibility } from '../loads/member-loads.js';
import { invert } from '../first-order/dense.js';

/**
 * Local stiffness of a member before hinges, written to `K[0…143]`, row-major.
 *
 * Freedoms: ux, uy, uz, rx, ry, rz at start, then at end, in local axes; forces are those of the nodes on the member.
 * Uniform with principal axes: closed form. Taper, or a product of inertia: the inverse of its flexibility.
 */
export function localStiffness(frame: Frame, member: number, K: Float64Array): void {
  const L = frame.length[member]!;
  if (frame.axialOnly[member]) {
    K.fill(0);
    const axial = 1 / (meanAxialFlexibility(frame, member) * L);
    K[0] = K[78] = axial;
    K[6] = K[72] = -axial;
  } else if (frame.coupling[member] !== 0 || frame.tapers.has(member)) byFlexibility(frame, member, K);
  else uniformStiffness(frame.rigidity, 6 * member, L, K);
}

/**
 * Stiffness of a uniform frame member with shear deformation (Timoshenko): shear enters by Φ = 12·EI/(GAv·L²); GAv = 0
 * stands for rigid in shear (Φ = 0). Przemieniecki, Theory of Matrix Structural Analysis, eq. 5.116.
 *
 * @param rigidity EA, EIy, EIz, GJ, GAvy, GAvz from `at` on (N, N·m²)
 */
function uniformStiffness(rigidity: Float64Array, at: number, L: number, K: Float64Array): void {
  K.fill(0);
  const axial = rigidity[at]! / L;
  K[0] = K[78] = axial;
  K[6] = K[72] = -axial;
  const torsion = rigidity[at + 3]! / L;
  K[39] = K[117] = torsion;
  K[45] = K[111] = -torsion;
  const [ofV, ofW] = bendingPlanes;
  bending(K, ofV, rigidity[at + 2]!, rigidity[at + 4]!, L);
  bending(K, ofW, rigidity[at + 1]!, rigidity[at + 5]!, L);
}

/** A plane of bending by the freedoms of an end: translation `t`, rotation `r`; `sign` is +1 where the rotation is the slope, −1 where minus it. */
export interface BendingPlane {
  readonly t: number;
  readonly r: number;
  readonly sign: 1 | -1;
}

/** The planes of v and of w. */
export const bendingPlanes = [
  { t: 1, r: 5, sign: 1 },
  { t: 2, r: 4, sign: -1 },
] as const satisfies readonly BendingPlane[];

function bending(K: Float64Array, { t, r, sign }: BendingPlane, EI: number, GAv: number, L: number): void {
  const phi = GAv > 0 ? (12 * EI) / (GAv * L * L) : 0;
  const c = EI / (1 + phi);
  const tt = (12 * c) / (L * L * L);
  const tr = (sign * 6 * c) / (L * L);
  const near = ((4 + phi) * c) / L;
  const far = ((2 - phi) * c) / L;
  K[13 * t] = K[13 * (t + 6)] = tt;
  K[12 * t + t + 6] = K[12 * (t + 6) + t] = -tt;
  K[13 * r] = K[13 * (r + 6)] = near;
  K[12 * r + r + 6] = K[12 * (r + 6) + r] = far;
  K[12 * t + r] = K[12 * r + t] = K[12 * t + r + 6] = K[12 * (r + 6) + t] = tr;
  K[12 * (t + 6) + r] = K[12 * r + t + 6] = K[12 * (t + 6) + r + 6] = K[12 * (r + 6) + t + 6] = -tr;
}

const noStrain = [0, 0, 0] as const;
const noDisplacement = new Float64Array(6);

/**
 * Stiffness as the inverse of the flexibility of the member held at its start: column j of the flexibility is the end's
 * displacement under unit force j there, integrated along the member.
 */
function byFlexibility(frame: Frame, member: number, K: Float64Array): void {
  const L = frame.length[member]!;
  const breaks = frame.tapers.get(member)?.breaks ?? Float64Array.of(0, L);
  const flexibility = memberFlexibility(frame, member, breaks);
  const F = new Float64Array(36);
  for (let j = 0; j < 6; j++) {
    const p = new Float64Array(6);
    p[j] = 1;
    // Internal forces at the start under forces p of the node on the member's end
    const start = Float64Array.of(p[0]!, -p[1]!, -p[2]!, p[3]!, -p[4]! + p[2]! * L, p[5]! + p[1]! * L);
    const forces = new Float64Array(24 * (breaks.length - 1));
    addStartForces(forces, 4, breaks, start, 0);
    const along = {
      flexibility,
      straight: false,
      breaks,
      terms: 4,
      forces,
      strain: noStrain,
      dislocations: [],
    };
    const { end } = integrate(along, noDisplacement, 0);
    for (let i = 0; i < 6; i++) F[6 * i + j] = end[i]!;
  }
  const S = invert(F, 6);
  // Relative displacement of the end: A = [−G, I], G what a rigid motion of the start does to the end
  const A = new Float64Array(72);
  for (let i = 0; i < 6; i++) {
    A[12 * i + i] = -1;
    A[12 * i + 6 + i] = 1;
  }
  A[12 + 5] = -L;
  A[24 + 4] = L;
  for (let i = 0; i < 12; i++)
    for (let j = i; j < 12; j++) {
      let sum = 0;
      for (let a = 0; a < 6; a++) {
        const left = A[12 * a + i]!;
        if (left === 0) continue;
        for (let b = 0; b < 6; b++) sum += ((left * (S[6 * a + b]! + S[6 * b + a]!)) / 2) * A[12 * b + j]!;
      }
      K[12 * i + j] = K[12 * j + i] = sum;
    }
}
