import { flattened } from '../sections/outline/flat-outline.js';
import { sectionBox } from '../sections/outline/section-box.js';
import type { SectionProperties, Shape } from '../model/types.js';

/**
 * Greatest magnitude of the normal stress in a section by elastic theory, Pa. Of a section with an outline it is found at the points of
 * its boundary: σ = N/A − z·κw·E − y·κv·E with the curvatures from My = E(Iy κw + Iyz κv), Mz = E(Iyz κw + Iz κv); of one that is given
 * by properties it is |N|/A + |My|/Wel,y + |Mz|/Wel,z. Warping is left out.
 *
 * @param N N, tension positive
 * @param My N·m, local axes, and Mz
 * @returns undefined where a moment acts for which the section has no second moment or modulus
 */
export function elasticStress(
  p: SectionProperties,
  shape: Shape | undefined,
  N: number,
  My: number,
  Mz: number,
): number | undefined {
  const axial = N / p.A;
  if (My === 0 && Mz === 0) return Math.abs(axial);
  if (!shape) {
    const [a, b] = [overModulus(My, p.Wely), overModulus(Mz, p.Welz)];
    return a === undefined || b === undefined ? undefined : Math.abs(axial) + a + b;
  }
  const { Iy = 0, Iz = 0, Iyz = 0 } = p;
  const determinant = Iy * Iz - Iyz * Iyz;
  if (!(determinant > 0)) return undefined;
  const aboutY = (Iz * My - Iyz * Mz) / determinant;
  const aboutZ = (Iy * Mz - Iyz * My) / determinant;
  const [cy, cz] = sectionBox(shape).centroid;
  let most = 0;
  for (const { points } of flattened(shape))
    for (const [y, z] of points)
      most = Math.max(most, Math.abs(axial - (z - cz) * aboutY - (y - cy) * aboutZ));
  return most;
}

function overModulus(M: number, W: number | undefined): number | undefined {
  if (M === 0) return 0;
  return W !== undefined && W > 0 ? Math.abs(M) / W : undefined;
}
