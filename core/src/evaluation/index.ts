export { differingLoads, type LoadSums } from './warnings/differing-loads.js';
export { difference, type Difference } from './difference.js';
export {
  figureKindOf,
  figureKinds,
  judging,
  keepsLimit,
  limitOf,
  type FigureKind,
  type FigureResult,
  type FigureSource,
  type Needs,
} from './figures/index.js';
export { figureFields, initialFigure } from './figures/form.js';
export { type Reading } from './questions/reading.js';
export { AlternativeRun, type StageName } from './alternative-run.js';
export { previewStep, type Preview, type StepMiniature } from './questions/step-previews.js';
export type { CaseSum } from './questions/sums.js';
export type {
  AlternativeSummary,
  FigureSummary,
  MemberSummary,
  ParameterSummary,
  SummaryStatus,
} from './summary.js';
export type { Proposal, Selected } from './questions/selecting.js';
export { tableKinds, type ResultTable, type TableQuestion, type TableRow } from './tables/index.js';
