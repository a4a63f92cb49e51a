import { displacements } from './displacements.js';
import { extremes } from './extremes.js';
import { forces } from './forces.js';
import { reactions } from './reactions.js';
import type { TableKind } from './table.js';

/** Every kind of table. A new kind is one file and one line here. */
export const tableKinds: readonly TableKind[] = [reactions, extremes, forces, displacements];

export { fillTable, type ResultTable, type TableQuestion, type TableRow } from './table.js';
