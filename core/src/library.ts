/** The library of sections and materials alone, for those who need no frames. */
export * from './base/problem.js';
export { catalogue, type CatalogueEntry } from './sections/catalogue/index.js';
export { describeSection, type PropertyLine } from './sections/describe.js';
export { sectionDetails, type SectionDetails } from './sections/details.js';
export { grades, lookUpGrade, strengthAt } from './sections/materials.js';
export {
  dimensionsOf,
  outlineText,
  readOutline,
  shapeStarts,
  withDimension,
  type ShapeDimension,
  type ShapeStart,
} from './sections/own.js';
export { findProfile, lookUpProfile, nearestProfiles } from './sections/profiles.js';
export { massOf, parseQuery, propertyOf, queryProfiles, type ProfileQuery } from './sections/query.js';
export { searchProfiles, seriesFor, type FoundProfiles } from './sections/search.js';
export { outlinePath, type OutlinePath } from './sections/outline/outline-path.js';
export { shapeProblem, shapeProperties } from './sections/shapes/index.js';
export { parseSectionTable, type OwnSection } from './sections/table.js';
export { iWithDepth } from './sections/with-depth.js';
