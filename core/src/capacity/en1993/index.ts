import type { Check, PartialFactors } from '../check.js';
import { elasticResistance } from './elastic-resistance.js';
import { flexuralBuckling } from './flexural-buckling.js';

/** Every check of EN 1993-1-1 that this version makes. */
export const en1993Checks: readonly Check[] = [elasticResistance, flexuralBuckling];

/** Recommended partial factors, EN 1993-1-1 6.1(1) NOTE 2B. */
export const recommendedFactors: PartialFactors = { gammaM0: 1, gammaM1: 1 };
