export type { CalculationStep, CheckItem, MemberCheck } from './check.js';
export { checkMember, checkMembers } from './check-members.js';
