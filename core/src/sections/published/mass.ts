import type { CatalogueEntry } from '../catalogue/index.js';
import { shapeProperties } from '../shapes/index.js';

/** Mass from the shape at 7850 kg/m³ against the published one, relative; 0 where none is published. */
export function massDeviation({ shape, publishedMass }: CatalogueEntry): number {
  return publishedMass === undefined ? 0 : (shapeProperties(shape).A * 7850) / publishedMass - 1;
}
