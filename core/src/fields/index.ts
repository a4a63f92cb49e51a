export {
  onlyWhen,
  optional,
  type Evaluated,
  type Field,
  type FieldContext,
  type FieldForm,
  type Fields,
} from './field.js';
export { angle, condition, count, flag, length, option, sectionName, word } from './simple.js';
export { lengths, positionsAlong } from './lists.js';
export { offset, planPoint, point, points, type NamedPoint } from './points.js';
export { custom, objectSchema, oneOf, readFields, record, requiredOf } from './composite.js';
