import type { Foundation, FoundationDirection, FoundationRange } from '@hashira/core';
import { inQuantity, numberRow } from './number-row';
import type { TableRow, TableSource } from './row';

/** What the directions of a support are called, and what is said of one where it is the first. */
const directions: readonly { readonly of: FoundationDirection; readonly words: string }[] = [
  { of: 'Fz', words: 'upwards' },
  { of: 'Fx', words: 'along X' },
  { of: 'Fy', words: 'along Y' },
  { of: 'My', words: 'moment about Y' },
  { of: 'Mx', words: 'moment about X' },
  { of: 'Mz', words: 'moment about Z' },
];

/** A row for each base: the greatest of what the ground takes upwards; it opens to all directions, least and greatest. */
export function foundationRows(source: TableSource): TableRow[] {
  const { makeUps } = source;
  const bases = new Map(
    [...makeUps.values()].flatMap(({ foundations }) =>
      foundations.map(({ node, title }) => [node, title] as const),
    ),
  );
  return [...bases].map(([node, title]): TableRow => {
    const parts = directions.flatMap(({ of, words }) =>
      (['greatest', 'least'] as const).flatMap((end): TableRow[] => {
        const row = rowOf(source, node, of, end, `${words}, ${end}`);
        return row.cells.some(({ text }) => text !== '–') ? [row] : [];
      }),
    );
    const [first] = parts;
    return {
      ...first!,
      id: `foundation ${node}`,
      title: `${title}, greatest ${directions[0]!.words}`,
      parts,
    };
  });
}

function rowOf(
  { design, makeUps, units }: TableSource,
  node: string,
  of: FoundationDirection,
  end: 'least' | 'greatest',
  title: string,
): TableRow {
  const rangeIn = (id: string): FoundationRange | undefined =>
    makeUps.get(id)?.foundations.find((one: Foundation) => one.node === node)?.[of];
  return numberRow(
    design,
    { id: `foundation ${node} ${of} ${end}`, group: 'foundations', title },
    inQuantity(of.startsWith('F') ? 'force' : 'moment', units),
    (id) => {
      const range = rangeIn(id);
      return range && { value: range[end], place: range[`${end}By`] };
    },
  );
}
