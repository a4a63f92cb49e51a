export type { Curve, CurveName, Envelope, EnvelopeOf } from './curves.js';
export type { LengthsTaken, LengthTaken, RestraintAlong } from './holds.js';
export {
  memberFile,
  memberSheet,
  type MemberFile,
  type MemberSheet,
  type SheetOptions,
} from './member-sheet.js';
export { titleOf } from './named-member.js';
export { groupOfMember, neighboursOf, type NeighbourSection } from './neighbours.js';
