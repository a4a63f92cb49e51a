/** Everything of the core that runs anywhere; schema validation is apart in `@hashira/core/validation`. */
export * from './problem.js';
export * from './analysis/index.js';
export * from './capacity/index.js';
export * from './compare/index.js';
export * from './results/index.js';
export { catalogue, type CatalogueEntry } from './library/catalogue/index.js';
export * from './library/builders.js';
export { describeSection, type PropertyLine } from './library/describe.js';
export { sectionDetails, type SectionDetails } from './library/details.js';
export { grades, lookUpGrade, strengthAt } from './library/materials.js';
export { findProfile, lookUpProfile, nearestProfiles } from './library/profiles.js';
export { massOf, parseQuery, propertyOf, queryProfiles, type ProfileQuery } from './library/query.js';
export { shapeProblem, shapeProperties } from './library/shapes/index.js';
export { parseSectionTable, type OwnSection } from './library/table.js';
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
