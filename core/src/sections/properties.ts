export type { SectionProperties } from '../model/types.js';

/** Dimensions of a doubly symmetric I with root radius, m. */
export interface IDimensions {
  h: number;
  b: number;
  tw: number;
  tf: number;
  r: number;
}
