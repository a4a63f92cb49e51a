import type { Check, CheckItem, MemberState } from '../check.js';
import type { PhysicalMember } from '../physical-member.js';
import { forcesAtX } from '../stations.js';
import { classify } from './classification.js';
import { flexuralBucklingChecks } from './flexural-buckling.js';
import { generalMethod } from './general-method.js';
import { interactionAboutY, interactionAboutZ } from './interaction.js';
import { lateralTorsionalBuckling } from './lateral-torsional.js';
import { memberClass } from './member-forces.js';
import { sectionChecks } from './section-checks.js';
import { torsionalBucklingChecks } from './torsional-buckling.js';

/** Every check of EN 1993-1-1. */
export const en1993Checks: readonly Check[] = [
  ...sectionChecks,
  ...flexuralBucklingChecks,
  ...torsionalBucklingChecks,
  lateralTorsionalBuckling,
  interactionAboutY,
  interactionAboutZ,
  generalMethod,
];

/** Class of the cross-section that an item went by. */
export function en1993Class(member: PhysicalMember, item: CheckItem, state: MemberState): number {
  return item.clause.startsWith('6.3')
    ? memberClass(member, state)
    : classify(member.sectionAt(item.x), forcesAtX(state.field, item.x));
}
