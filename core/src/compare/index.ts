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
export { AlternativeRun, type Reading, type StageName } from './run.js';
export type {
  AlternativeSummary,
  FigureSummary,
  MemberSummary,
  ParameterSummary,
  ResultSummary,
  SummaryStatus,
} from './summary.js';
export type { Proposal, Selected } from './selecting.js';
export { tableKinds, type ResultTable, type TableQuestion, type TableRow } from './tables/index.js';
