export { calculateAlternative, type Calculated } from './calculate.js';
export { difference, type Difference } from './difference.js';
export {
  figures,
  governingSelections,
  type Figure,
  type FigureId,
  type FigureResult,
  type FigureSource,
} from './figures/index.js';
export { memberChecker } from './checker.js';
