import type { CheckItem } from './check.js';

/** What a condition speaks of, in one word. */
export type FailureKind = 'yield' | 'buckling' | 'lateral-torsional' | 'shear' | 'serviceability';

/**
 * What fails where a condition is not kept. EN 1993-1-1: 6.2.6 shear, 6.3.2 lateral-torsional, other 6.3 buckling, other 6.2 yield; AISC
 * 360: chapter G shear, E buckling, F lateral-torsional but for its plateau, others yield.
 */
export function failureKind({ clause, axis }: Pick<CheckItem, 'clause' | 'axis'>): FailureKind {
  if (clause.startsWith('6.2.6') || clause.startsWith('G')) return 'shear';
  if (clause.startsWith('6.3.2')) return 'lateral-torsional';
  if (clause.startsWith('6.3') || clause.startsWith('E')) return 'buckling';
  if (clause.startsWith('F')) return /F\d+-1\b/.test(clause) || axis === 'z' ? 'yield' : 'lateral-torsional';
  if (clause === 'deflection') return 'serviceability';
  return 'yield';
}

/** What a member does then, in words. */
export const failureWords: Readonly<Record<FailureKind, string>> = {
  yield: 'yields',
  buckling: 'buckles',
  'lateral-torsional': 'buckles sideways',
  shear: 'yields in shear',
  serviceability: 'deflects beyond its limit',
};
