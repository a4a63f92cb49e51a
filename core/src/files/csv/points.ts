import { fail } from '../../base/problem.js';
import { readTable, type Table } from './table.js';

/** Points and pairs as a `line` step takes them. */
export interface LinePoints {
  /** x, y, z each, as texts with a unit. */
  readonly points: string[][];
  /** Which points are joined, counted from 0; absent: each to the next. */
  readonly pairs?: number[][];
}

/**
 * Points of a `line` step from a table with the columns `x`, `z` and perhaps `y` and `name`. A bare number has the unit of its column's
 * head, `x [mm]`, else metres; a cell may also have its own unit or be an expression.
 *
 * @param joins a second table with the columns `from` and `to`: names of points, or their numbers counted from 1
 * @throws ProblemError `csv` with the line of the table
 */
export function readPoints(text: string, joins?: string): LinePoints {
  const table = readTable(text);
  const columns = ['x', 'y', 'z'].map((axis) => table.head.indexOf(axis));
  if (columns[0]! < 0 || columns[2]! < 0)
    fail(
      'csv',
      `The table of points needs the columns "x" and "z"; it has ${table.head.map((name) => `"${name}"`).join(', ')}.`,
      {},
    );
  const points = table.rows.map((row) =>
    columns.map((column, k) =>
      column < 0 ? '0 m' : lengthOf(row.cells[column] ?? '', table.units[column]!, 'xyz'[k]!, row.line),
    ),
  );
  return joins === undefined ? { points } : { points, pairs: readPairs(joins, numbersOf(table)) };
}

function lengthOf(cell: string, unit: string, axis: string, line: number): string {
  if (cell === '') fail('csv', `Line ${line} of the table has no ${axis}.`, { line });
  // A decimal comma is a number's, wherever the columns are parted by something else
  const plain = /^[-+]?\d+,\d+$/.test(cell) ? cell.replace(',', '.') : cell;
  return /^[-+]?[\d.]+(?:e[-+]?\d+)?$/i.test(plain) ? `${plain} ${unit === '' ? 'm' : unit}` : plain;
}

function numbersOf({ head, rows }: Table): Map<string, number> {
  const column = head.indexOf('name');
  const numbers = new Map(rows.map((_, i) => [String(i + 1), i]));
  if (column < 0) return numbers;
  const named = new Map<string, number>();
  rows.forEach(({ cells, line }, i) => {
    const name = cells[column] ?? '';
    if (named.has(name)) fail('csv', `Line ${line} of the table names "${name}" a second time.`, { line });
    named.set(name, i);
  });
  return named;
}

function readPairs(text: string, numbers: ReadonlyMap<string, number>): number[][] {
  const { head, rows } = readTable(text);
  const columns = ['from', 'to'].map((name) => head.indexOf(name));
  if (columns.some((column) => column < 0))
    fail('csv', 'The table of members needs the columns "from" and "to".', {});
  return rows.map(({ cells, line }) =>
    columns.map((column) => {
      const name = cells[column] ?? '';
      return (
        numbers.get(name) ??
        fail('csv', `Line ${line} of the table of members names "${name}", which is no point.`, { line })
      );
    }),
  );
}
