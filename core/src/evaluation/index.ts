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
export {
  advance,
  evaluateAlternative,
  failedBefore,
  isLarge,
  isShownFirst,
  notEvaluated,
  withWarnings,
  type AdvanceOptions,
  type EvaluatedAlternative,
} from './alternative.js';
export { type CutEnd, type CutList, type CutListRow } from './cut-list/cut-list.js';
export { drawingOf } from './drawing-of.js';
export { questions, type Questions } from './questions/index.js';
export type { Proposal } from './questions/proposal.js';
export type { Reading } from './questions/reading.js';
export { previewStep, type Preview, type StepMiniature } from './step-previews.js';
export { summaryOf } from './summaries/summary-of.js';
export type {
  AlternativeSummary,
  FigureSummary,
  MemberSummary,
  ParameterSummary,
  SummaryStatus,
} from './summaries/summary.js';
export { tableKinds, type ResultTable, type TableQuestion, type TableRow } from './tables/index.js';
export {
  suggest,
  suggestInParts,
  type GroupState,
  type SuggestedGroup,
  type SuggestOptions,
  type SuggestProgress,
  type Suggestions,
} from './suggestions/index.js';
export * from './member-sheet/index.js';
export * from './failure/index.js';
export { standingOf, type ScheduledGroup, type ScheduledMember, type Standing } from './schedule/schedule.js';
export type { ContributionsAnswer } from './questions/contributions.js';
export type { MadeGroup, MakeUp } from './questions/make-up.js';
export type { NamedShapes } from './questions/shapes.js';
export type { SheetAnswer } from './questions/member-sheet.js';
export { longWork, type LongWorkKinds, type LongWorkPart } from './long-work.js';
export * from './bench/index.js';
export * from './contributions/index.js';
export * from './comparison/index.js';
export * from './influence/index.js';
export type { InfluenceAnswer } from './questions/influence.js';
export { designPicture, designPreview, type DesignPreview } from './preview.js';
export * from './changes/index.js';
