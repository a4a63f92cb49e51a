import type { ForceName } from '../../results/index.js';
import type { TableColumn } from './table.js';

const moments: readonly ForceName[] = ['T', 'My', 'Mz'];

/** In the plane there is one shear and one moment. */
const planeNames: Readonly<Partial<Record<ForceName, string>>> = { Vz: 'V', My: 'M' };

/** The internal forces that a member of a plane or a solid frame has. */
export const forcesOf = (plane: boolean): readonly ForceName[] =>
  plane ? ['N', 'Vz', 'My'] : ['N', 'Vy', 'Vz', 'T', 'My', 'Mz'];

/** A column for each of them; N tells which way it is in words. */
export const forceColumns = (plane: boolean): TableColumn[] =>
  forcesOf(plane).map((name) => ({
    name: plane ? (planeNames[name] ?? name) : name,
    quantity: moments.includes(name) ? 'moment' : 'force',
    ...(name === 'N' ? { ways: ['tension', 'compression'] as const } : {}),
  }));
