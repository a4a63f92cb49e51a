export {
  compare,
  compareEvaluated,
  type ComparedAlternative,
  type CompareOptions,
  type Comparison,
  type PairedMode,
} from './compare.js';
export { differencesBetween, differencesInWords, type ChosenOtherwise } from './differs.js';
export { compareSummaries, type ComparedFigure, type RankedFigure } from './figures.js';
export {
  foundationsOf,
  type Foundation,
  type FoundationDirection,
  type FoundationRange,
} from './foundations.js';
export { massRate, type MassRate } from './mass-rate.js';
export { pairShapes, type PairedShape } from './pair-shapes.js';
export { placedBuckling, placedModes, type PlacedShape, type PlacedShapes } from './placed-shapes.js';
export { shapeWords } from './shape-words.js';
