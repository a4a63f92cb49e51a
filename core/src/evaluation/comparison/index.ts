export {
  compare,
  compareEvaluated,
  type ComparedAlternative,
  type CompareOptions,
  type Comparison,
} from './compare.js';
export { differencesBetween, differencesInWords, type ChosenOtherwise } from './differs.js';
export type { ComparedFigure, RankedFigure } from './figures.js';
export type { Foundation, FoundationDirection, FoundationRange } from './foundations.js';
export type { PairedMode } from './paired-modes.js';
