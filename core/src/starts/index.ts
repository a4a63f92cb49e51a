import { arch } from './arch.js';
import { beam } from './beam.js';
import { bracedBay } from './braced-bay.js';
import { hall } from './hall.js';
import { machineFrame } from './machine-frame.js';
import { portal } from './portal.js';
import { spokedRoof } from './spoked-roof.js';
import type { StartingPoint } from './start.js';
import { storeyFrame } from './storey-frame.js';
import { truss } from './truss.js';

export type { StartingPoint } from './start.js';

/** What a new design can begin from. */
export const startingPoints: readonly StartingPoint[] = [
  beam,
  arch,
  portal,
  bracedBay,
  truss,
  storeyFrame,
  spokedRoof,
  machineFrame,
  hall,
];
