export type { CalculationStep, CheckItem, CheckStatus, MemberCheck } from './check.js';
export { MemberChecker, type BucklingSource, type FieldSource } from './check-members.js';
export { withStrengthImperfections } from './imperfections.js';
export { combinationStability, type Stability } from './stability.js';
