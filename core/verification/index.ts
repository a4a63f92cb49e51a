import { beams } from './beams.js';
import { memberChecks } from './checks.js';
import { curved } from './curved.js';
import { dynamics } from './dynamics.js';
import { frames } from './frames.js';
import { influence } from './influence.js';
import { plastic } from './plastic.js';
import { space } from './space.js';
import { buckling } from './buckling.js';
import { secondOrder } from './second-order.js';
import { tapers } from './tapers.js';
import { trusses } from './trusses.js';
import type { VerificationGroup } from './case.js';

export type { VerificationCase, VerificationGroup } from './case.js';

/** Every case of the verification manual. */
export const verification: readonly VerificationGroup[] = [
  beams,
  frames,
  trusses,
  space,
  tapers,
  secondOrder,
  buckling,
  dynamics,
  plastic,
  influence,
  curved,
  memberChecks,
];
