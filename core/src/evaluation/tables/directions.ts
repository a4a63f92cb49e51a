import type { QuantityName } from '../../units/quantities.js';
import type { TableColumn } from './table.js';

/** Freedoms of a node that have a column each: numbers of global directions, 0 to 2 along X, Y, Z and 3 to 5 about them. */
export const freedomsOf = (plane: boolean): readonly number[] => (plane ? [0, 2, 4] : [0, 1, 2, 3, 4, 5]);

interface Named {
  readonly symbols: readonly string[];
  readonly along: QuantityName;
  readonly about: QuantityName;
}

const titles = ['along X', 'along Y', 'up or down', 'about X', 'about Y', 'about Z'];

/** Columns by direction: in the plane X goes right and a turn about Y is clockwise as it is drawn. */
export function directionColumns(plane: boolean, { symbols, along, about }: Named): TableColumn[] {
  return freedomsOf(plane).map((k) => ({
    name: symbols[k]!,
    title: plane && k !== 2 ? (k === 0 ? 'sideways' : 'turning') : titles[k]!,
    quantity: k < 3 ? along : about,
    ...waysOf(plane, k),
  }));
}

function waysOf(plane: boolean, k: number): Pick<TableColumn, 'ways'> {
  if (k === 2) return { ways: ['up', 'down'] };
  if (plane) return { ways: k === 0 ? ['right', 'left'] : ['clockwise', 'anticlockwise'] };
  return k < 3 ? { ways: ['along', 'against'] } : {};
}
