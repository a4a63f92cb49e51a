/** Everything of the core that runs anywhere; schema validation is apart in `@hashira/core/validation`. */
export * from './library.js';
export * from './analysis/index.js';
export * from './capacity/index.js';
export * from './compare/index.js';
export * from './results/index.js';
export type { ResolvedSection } from './library/sections.js';
export type * from './model/types.js';
export { applyAlternative, pickedOption } from './recipe/alternatives.js';
export { buildFrame, type BuiltFrame } from './recipe/build.js';
export * from './recipe/changes/index.js';
export { evaluateQuantity, type QuantityValue, type Scope } from './recipe/evaluate.js';
export type { Dimension, Geometry, GeometryMember, GeometryNode } from './recipe/geometry.js';
export { evaluateParameters, type ParameterValues } from './recipe/parameters.js';
export type {
  Alternative,
  Choice,
  Design,
  Option,
  Parameter,
  PortalStep,
  QuantityParameter,
  Rule,
  Step,
} from './recipe/types.js';
export * from './units/format.js';
export { quantities, type QuantityName } from './units/quantities.js';
