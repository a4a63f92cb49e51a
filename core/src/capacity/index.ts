export type { CalculationStep, CheckItem, CheckStatus, MemberCheck } from './check.js';
export { MemberChecker, type BucklingSource, type FieldSource } from './check-members.js';
export { withStrengthImperfections } from './imperfections.js';
export { combinationStability, type Stability } from './stability.js';
export { joinedFieldOf } from './physical-member.js';
export { largestDeflection } from './serviceability/deflection.js';
export { checkedSteps } from './member-steps.js';
export { yieldStrengthOf } from './section.js';
