import { hea } from './hea.js';
import { heb } from './heb.js';
import { ipe } from './ipe.js';
import type { CatalogueEntry } from './series.js';

/** Every rolled profile of the library, series by series, small to large. */
export const catalogue: readonly CatalogueEntry[] = [...ipe, ...hea, ...heb];

export type { CatalogueEntry } from './series.js';
