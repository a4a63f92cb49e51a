export { besideEachOther, type SharesBeside, type ShareRow } from './beside.js';
export { explain, isExplained, type Contributions } from './explain.js';
export type { MemberShare, OtherShare, Shares } from './shares.js';
export type { CaseShare, CaseShares } from './load-cases.js';
export type { ForceShare } from './condition-forces.js';
