/** Everything of the core that runs anywhere; schema validation is apart in `@hashira/core/validation`. */
export * from './library.js';
export { ownValue } from './own-value.js';
export { titleWith } from './titles.js';
export * from './analysis/index.js';
export * from './capacity/index.js';
export * from './pipeline/index.js';
export * from './compare/index.js';
export * from './drawing/index.js';
export * from './results/index.js';
export {
  cutList,
  cutListCsv,
  type CutEnd,
  type CutList,
  type CutListRow,
} from './exchange/cut-list/cut-list.js';
export { readParameters, writeParameters } from './exchange/csv/parameters.js';
export { writeResults } from './exchange/csv/results.js';
export { readPoints, type LinePoints } from './exchange/csv/points.js';
export type { ResolvedSection } from './library/sections.js';
export type * from './model/types.js';
export { applyAlternative, pickedOption } from './recipe/alternatives.js';
export { buildFrame, type BuiltFrame } from './recipe/build.js';
export * from './recipe/changes/index.js';
export { allCombinations, combinationRules } from './recipe/combine/index.js';
export {
  listItems,
  quantityOf,
  splitList,
  type Written,
  type WrittenList,
} from './recipe/expressions/evaluate.js';
export {
  completions,
  valueAsTyped,
  wordBefore,
  type Completion,
  type Expectation,
} from './recipe/expressions/help.js';
export { resolveAlternative } from './recipe/resolve.js';
export { typedEnd, type DrawnFrom } from './recipe/drawn-end.js';
export type { Names } from './recipe/expressions/compile.js';
export type { Scope } from './recipe/expressions/types.js';
export type { Dimension, Geometry, GeometryMember, GeometryNode, Note } from './recipe/geometry/geometry.js';
export type { NamedPlace } from './recipe/geometry/places.js';
export { consequencesOf } from './recipe/consequences.js';
export { pointHandles, type PointHandle } from './recipe/handles.js';
export { evaluateParameters, parameterNameProblem, type ParameterValues } from './recipe/parameters.js';
export { remarksOf, type Remark } from './recipe/remarks/index.js';
export {
  readRecordField,
  recordFields,
  recordFieldText,
  type RecordField,
  type RecordForm,
} from './recipe/forms/record-fields.js';
export { designSchema } from './recipe/schema.js';
export { expectedAt, type DocumentPath, type Expected } from './recipe/schema-at.js';
export {
  clausesOf,
  clauseTags,
  conditionOf,
  isTagClause,
  isTextTag,
  type Clause,
  type Comparison,
  type TagClause,
} from './recipe/rules/clauses.js';
export { ruleFields } from './recipe/rules/form.js';
export { initialLoadCase, loadCaseFields } from './recipe/combine/load-case.js';
export { loadCategories } from './model/schema.js';
export { initialParameter, parameterFields, parameterStarts } from './recipe/parameter-schema.js';
export { axisFields } from './recipe/axis-schema.js';
export { combinationFields } from './recipe/combine/combination.js';
export { settingsFields } from './recipe/settings.js';
export { kindsOf, ruleKinds } from './recipe/rules/index.js';
export type { RuleKind } from './recipe/rules/rule.js';
export { ruleWords } from './recipe/rules/words.js';
export { startingPoints, type StartingPoint } from './recipe/starts/index.js';
export { runSteps } from './recipe/run-steps.js';
export { kindOf, stepKinds, type StepKind } from './recipe/steps/index.js';
export { initialStep } from './recipe/steps/initial.js';
export { shownFields } from './recipe/steps/shown-fields.js';
export type { Field, FieldForm, Fields } from './recipe/steps/fields/index.js';
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
} from './recipe/types.js';
export * from './units/format.js';
export { quantities, type QuantityName } from './units/quantities.js';
export { showUnits, shownUnit, unitSystems, type UnitSystem } from './units/system.js';
