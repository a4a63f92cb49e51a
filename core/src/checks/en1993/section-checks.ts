import type { SectionCheck } from '../check.js';
import { biaxialBending } from './cross-section/biaxial-bending.js';
import { bendingAboutY, bendingAboutZ } from './cross-section/bending.js';
import { bendingAndAxialAboutY, bendingAndAxialAboutZ } from './cross-section/bending-axial.js';
import {
  bendingAndShearAboutY,
  bendingAndShearAboutZ,
  bendingAndShearOfI,
} from './cross-section/bending-shear.js';
import { bendingShearAxialAboutY, bendingShearAxialAboutZ } from './cross-section/bending-shear-axial.js';
import { compression } from './cross-section/compression.js';
import { elasticStress } from './cross-section/elastic-stress.js';
import { effectiveSum } from './classes/effective-sum.js';
import { linearSum } from './cross-section/linear-sum.js';
import { shearAlongY, shearAlongZ } from './cross-section/shear.js';
import { shearBuckling } from './cross-section/shear-buckling.js';
import { shearAndTorsionAlongY, shearAndTorsionAlongZ } from './cross-section/shear-torsion.js';
import { tension } from './cross-section/tension.js';
import { torsion } from './cross-section/torsion.js';

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
