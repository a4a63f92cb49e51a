/** The library of sections and materials alone, for those who need no frames. */
export * from './problem.js';
export { catalogue, type CatalogueEntry } from './library/catalogue/index.js';
export { describeSection, type PropertyLine } from './library/describe.js';
export { sectionDetails, type SectionDetails } from './library/details.js';
export { grades, lookUpGrade, strengthAt } from './library/materials.js';
export {
  dimensionsOf,
  outlineText,
  readOutline,
  shapeStarts,
  withDimension,
  type ShapeDimension,
  type ShapeStart,
} from './library/own.js';
export { findProfile, lookUpProfile, nearestProfiles } from './library/profiles.js';
export { massOf, parseQuery, propertyOf, queryProfiles, type ProfileQuery } from './library/query.js';
export { searchProfiles, seriesNames, type FoundProfiles } from './library/search.js';
export { outlinePath, type OutlinePath } from './library/shapes/outline-path.js';
export { shapeProblem, shapeProperties } from './library/shapes/index.js';
export { parseSectionTable, type OwnSection } from './library/table.js';
export { iWithDepth } from './library/with-depth.js';
