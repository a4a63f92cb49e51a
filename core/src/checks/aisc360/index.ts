import type { Check, CodeRules } from '../check.js';
import { flexureAndForce, torsion, unsymmetric } from './combined.js';
import { compressionChecks } from './compression.js';
import { flexureChecks } from './flexure/flexure.js';
import { hollowWithTorsion } from './hollow-torsion.js';
import { shearChecks } from './shear.js';
import { tension } from './tension.js';
import { notTapered, slenderBeyond } from './uncovered.js';

/** Every check of ANSI/AISC 360-22, LRFD. */
const checks: readonly Check[] = [
  tension,
  ...compressionChecks,
  ...flexureChecks,
  ...shearChecks,
  torsion,
  flexureAndForce,
  unsymmetric,
  hollowWithTorsion,
  slenderBeyond,
  notTapered,
];

/** ANSI/AISC 360-22: no resistance goes by the stresses of its place. */
export const aisc360: CodeRules = { checks, sameResistance: () => true };
