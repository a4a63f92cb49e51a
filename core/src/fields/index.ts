export {
  onlyWhen,
  optional,
  type Choice,
  type Evaluated,
  type Field,
  type FieldContext,
  type FieldForm,
  type Fields,
  type Way,
} from './field.js';
export {
  angle,
  byTags,
  condition,
  count,
  flag,
  length,
  loadCase,
  loadCases,
  memberEnd,
  number,
  option,
  reference,
  sectionName,
  text,
  word,
  written,
} from './simple.js';
export { lengths, positionsAlong } from './lists.js';
export { offset, planPoint, point, points, type NamedPoint } from './points.js';
export {
  byKind,
  custom,
  objectSchema,
  oneOf,
  readFields,
  record,
  recordWay,
  requiredOf,
  ways,
  wordWay,
  type ByKind,
} from './composite.js';
