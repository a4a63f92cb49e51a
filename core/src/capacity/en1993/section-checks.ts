import type { SectionCheck } from '../check.js';
import { biaxialBending } from './biaxial-bending.js';
import { bendingAboutY, bendingAboutZ } from './bending.js';
import { bendingAndAxialAboutY, bendingAndAxialAboutZ } from './bending-axial.js';
import { bendingAndShearAboutY, bendingAndShearAboutZ, bendingAndShearOfI } from './bending-shear.js';
import { bendingShearAxialAboutY, bendingShearAxialAboutZ } from './bending-shear-axial.js';
import { compression } from './compression.js';
import { elasticStress } from './elastic-stress.js';
import { effectiveSum } from './effective-sum.js';
import { linearSum } from './linear-sum.js';
import { shearAlongY, shearAlongZ } from './shear.js';
import { shearBuckling } from './shear-buckling.js';
import { shearAndTorsionAlongY, shearAndTorsionAlongZ } from './shear-torsion.js';
import { tension } from './tension.js';
import { torsion } from './torsion.js';

/** Every condition of 6.2 on a cross-section. */
export const sectionChecks: readonly SectionCheck[] = [
  tension,
  compression,
  bendingAboutY,
  bendingAboutZ,
  shearAlongZ,
  shearAlongY,
  shearBuckling,
  torsion,
  shearAndTorsionAlongZ,
  shearAndTorsionAlongY,
  bendingAndShearOfI,
  bendingAndShearAboutY,
  bendingAndShearAboutZ,
  bendingAndAxialAboutY,
  bendingAndAxialAboutZ,
  biaxialBending,
  bendingShearAxialAboutY,
  bendingShearAxialAboutZ,
  linearSum,
  elasticStress,
  effectiveSum,
];
