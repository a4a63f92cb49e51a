import type { Check, CheckItem, CodeRules, MemberState } from '../check.js';
import type { PhysicalMember } from '../members/physical-member.js';
import { forcesAtX } from '../members/stations.js';
import { angleInteractions, angleLateralTorsionalBuckling } from './angles.js';
import { classify, resistanceClass, staysPlastic } from './classes/classification.js';
import { flexuralBucklingChecks } from './buckling/flexural-buckling.js';
import { generalMethod } from './buckling/general-method.js';
import { interactionAboutY, interactionAboutZ } from './interaction/interaction.js';
import { lateralTorsionalBuckling } from './buckling/lateral-torsional.js';
import { memberForces } from './member-forces.js';
import { sectionChecks } from './section-checks.js';
import { torsionalBucklingChecks } from './buckling/torsional-buckling.js';

/** Every check of EN 1993-1-1. */
const checks: readonly Check[] = [
  ...sectionChecks,
  ...flexuralBucklingChecks,
  ...torsionalBucklingChecks,
  lateralTorsionalBuckling,
  angleLateralTorsionalBuckling,
  interactionAboutY,
  interactionAboutZ,
  ...angleInteractions,
  generalMethod,
];

/** Conditions that go by the class at their own place; the others by that of the whole member. */
const local = /^6\.2\.(1|4|5|8|9|10)/;

/** Class of the cross-section that an item went by: at its place, or under the member's largest forces. */
function classAt(member: PhysicalMember, item: CheckItem, state: MemberState): number {
  if (member.tapered || local.test(item.clause))
    return classify(member.sectionAt(item.x), forcesAtX(state.field, item.x));
  return classify(member.section, memberForces(state));
}

/** EN 1993-1-1. */
export const en1993: CodeRules = {
  checks,
  sameResistance: staysPlastic,
  placeClass: resistanceClass,
  classAt,
};
