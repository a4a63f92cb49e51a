import type { CheckSection } from '../../members/section.js';

/** A compression that is only rounding of the analysis. */
export const tooSmall = (s: CheckSection, N: number): boolean => !(N > 1e-7 * s.p.A * s.fy);
