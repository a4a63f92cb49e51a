export { checkerOf } from './checker.js';
export { explainingDivergence } from './divergence.js';
export {
  evaluate,
  stageNames,
  verdictOn,
  withChecks,
  withStability,
  type CheckingOptions,
  type Evaluation,
  type EvaluationOptions,
  type StageName,
} from './evaluate.js';
export {
  analysed,
  analysedInParts,
  stateOf,
  usesDirectAnalysis,
  withOwnLoads,
  type Analysed,
} from './forces.js';
export { freeEvaluation } from './free-frame.js';
export { stabilityInParts, stabilityOf, wantsLengths, type StabilityOfAll } from './stability.js';
export { vary } from './vary.js';
export { nearestToInstability, verdictOf, type Verdict, type VerdictStatus } from './verdict.js';
