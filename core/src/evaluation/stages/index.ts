export {
  analysed,
  analysedInParts,
  checkerOf,
  stabilityInParts,
  stabilityOf,
  stateOf,
  wantsLengths,
  type Analysed,
  type StabilityOfAll,
} from './analysed.js';
export { explainingDivergence } from './divergence.js';
export {
  assess,
  nearestToInstability,
  verdictOf,
  type Assessment,
  type AssessOptions,
  type Verdict,
  type VerdictStatus,
} from './assess.js';
