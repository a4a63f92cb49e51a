/** Everything of the core that runs anywhere; schema validation is apart in `@hashira/core/validation`. */
export * from './library.js';
export { ownValue } from './base/own-value.js';
export { stepTitles, titleWith } from './document/titles.js';
export { roleName } from './geometry/names.js';
export * from './analysis/index.js';
export * from './checks/index.js';
export * from './evaluation/stages/index.js';
export * from './evaluation/index.js';
export { cutList } from './evaluation/cut-list/cut-list.js';
export * from './drawing/index.js';
export * from './results/index.js';
export { changesCsv } from './files/csv/changes.js';
export { comparisonCsv } from './files/csv/comparison.js';
export { cutListCsv } from './files/csv/cut-list.js';
export { readParameters, writeParameters } from './files/csv/parameters.js';
export { writeResults } from './files/csv/results.js';
export { readPoints, type LinePoints } from './files/csv/points.js';
export type { ResolvedSection } from './sections/sections.js';
export type * from './model/types.js';
export { applyAlternative, pickedOption } from './document/alternatives.js';
export { buildFrame, type BuiltFrame } from './build/build.js';
export * from './edits/index.js';
export { optionSentences } from './edits/choices/option-sentences.js';
export { allCombinations, combinationRules } from './combinations/index.js';
export { listItems, quantityOf, splitList, type Written, type WrittenList } from './language/evaluate.js';
export { completions, valueAsTyped, wordBefore, type Completion, type Expectation } from './language/help.js';
export { resolveAlternative } from './build/resolve.js';
export { typedEnd, type DrawnFrom } from './build/drawn-end.js';
export type { Names } from './language/compile.js';
export type { Scope } from './language/types.js';
export type { Dimension, Geometry, GeometryMember, GeometryNode, Note } from './geometry/geometry.js';
export type { NamedPlace } from './geometry/places.js';
export { freePlace, type FreePlace } from './geometry/free-places.js';
export { consequencesOf } from './build/consequences.js';
export { pointHandles, type PointHandle } from './build/point-handles.js';
export { evaluateParameters, parameterNameProblem, type ParameterValues } from './build/parameters.js';
export { warningsOf, type Warning } from './evaluation/warnings/index.js';
export { applyingFields, startOf, type NamedField } from './fields/applying.js';
export { readTyped, writtenText } from './fields/typed.js';
export { designSchema } from './document/schema.js';
export { expectedAt, type DocumentPath, type Expected } from './document/schema-at.js';
export {
  clausesOf,
  clauseTags,
  conditionOf,
  isTagClause,
  isTextTag,
  type Clause,
  type Comparison,
  type TagClause,
} from './geometry/conditions/clauses.js';
export { initialLoadCase, loadCaseFields } from './combinations/load-case.js';
export { loadCategories } from './model/schema.js';
export { initialParameter, parameterFields, parameterStarts } from './document/parameter-schema.js';
export { axisFields } from './document/axis-schema.js';
export { combinationFields } from './combinations/combination.js';
export { settingsFields } from './document/settings.js';
export { conditionWords } from './geometry/conditions/condition-words.js';
export { withValues } from './fields/with-values.js';
export { kindsOf, loadCaseOf, ruleKinds, ruleWords } from './rules/index.js';
export type { RuleKind } from './rules/rule.js';
export { emptyDesign } from './starts/empty.js';
export { startingPoints, type StartingPoint } from './starts/index.js';
export { runSteps } from './build/run-steps.js';
export { kindOf, stepKinds, type StepKind } from './steps/index.js';
export { initialStep } from './steps/initial.js';
export { stepFields } from './steps/step-fields.js';
export { stepWithValues } from './steps/step-with-values.js';
export type { Choice as FieldChoice, Field, FieldForm, Fields, Way } from './fields/index.js';
export type {
  Alternative,
  Choice,
  Design,
  FigureSpec,
  Option,
  Parameter,
  QuantityParameter,
  Rule,
  Step,
} from './document/types.js';
export { significant } from './units/significant.js';
export { quantities, type QuantityName } from './units/quantities.js';
export { metric, Units, unitsOf, unitSystems, type UnitSystem } from './units/units.js';
