import { equalAngles, unequalAngles } from './angles.js';
import { aluminium, bars, glulam } from './bars.js';
import { hea } from './european/hea.js';
import { heb } from './european/heb.js';
import { hem } from './european/hem.js';
import { hollow } from './hollow.js';
import { ipe } from './european/ipe.js';
import { ipn } from './european/ipn.js';
import type { CatalogueEntry } from './series.js';
import { ub, uc } from './european/ub.js';
import { pfc, upe } from './european/upe.js';
import { upn } from './european/upn.js';
import { american } from './american/us.js';

/** Every profile of the library, series by series. */
export const catalogue: readonly CatalogueEntry[] = [
  ...ipe,
  ...hea,
  ...heb,
  ...hem,
  ...ipn,
  ...ub,
  ...uc,
  ...upn,
  ...upe,
  ...pfc,
  ...equalAngles,
  ...unequalAngles,
  ...hollow,
  ...american,
  ...bars,
  ...aluminium,
  ...glulam,
];

export type { CatalogueEntry } from './series.js';
