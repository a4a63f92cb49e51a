import { equalAngles, unequalAngles } from './angles.js';
import { aluminium, bars, glulam } from './bars.js';
import { hea } from './hea.js';
import { heb } from './heb.js';
import { hem } from './hem.js';
import { hollow } from './hollow.js';
import { ipe } from './ipe.js';
import { ipn } from './ipn.js';
import type { CatalogueEntry } from './series.js';
import { ub, uc } from './ub.js';
import { pfc, upe } from './upe.js';
import { upn } from './upn.js';
import { american } from './us.js';

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
