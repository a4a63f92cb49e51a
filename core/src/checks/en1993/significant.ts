import type { Forces } from '../check.js';
import type { CheckSection } from '../members/section.js';

/** Below this share of the section's own capacity a force is rounding of the analysis and takes part in nothing. */
const share = 1e-7;

/** How many of N, My and Mz there are. */
export const countOf = (s: CheckSection, f: Forces): number =>
  (hasAxial(s, f) ? 1 : 0) + (hasMy(s, f) ? 1 : 0) + (hasMz(s, f) ? 1 : 0);

export const hasAxial = (s: CheckSection, f: Forces): boolean => Math.abs(f.N) > share * s.p.A * s.fy;
export const hasMy = (s: CheckSection, f: Forces): boolean => Math.abs(f.My) > share * s.p.Wely * s.fy;
export const hasMz = (s: CheckSection, f: Forces): boolean => Math.abs(f.Mz) > share * s.p.Welz * s.fy;
export const hasShear = (s: CheckSection, V: number): boolean => Math.abs(V) > share * s.p.A * s.fy;
export const hasTorsion = (s: CheckSection, f: Forces): boolean =>
  Math.abs(f.T) > share * Math.min(s.p.Wely, s.p.Welz) * s.fy;
