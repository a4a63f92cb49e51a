import Papa from 'papaparse';
import { fail } from '../../base/problem.js';

/** Rows read at the most. */
const mostRows = 20_000;

/** A table of texts: its head in small letters without units, the units of its columns, and its rows. */
export interface Table {
  readonly head: readonly string[];
  /** By column: what stands in brackets or after the name, e.g. "mm"; empty where there is nothing. */
  readonly units: readonly string[];
  /** Cells without spaces around them, and the line of the file that each row stands in. */
  readonly rows: readonly { readonly cells: readonly string[]; readonly line: number }[];
}

/**
 * Reads comma-, semicolon- or tab-separated values (RFC 4180) whose first line names the columns, such as `name, x [mm], z [mm]`. Lines
 * without a cell, and lines that begin with #, are left out.
 *
 * @throws ProblemError `csv`
 */
export function readTable(text: string): Table {
  const { data, errors } = Papa.parse<string[]>(text.replace(/^\uFEFF/, ''), {
    delimitersToGuess: [',', ';', '\t'],
    preview: mostRows + 2,
  });
  const broken = errors.find(({ type }) => type === 'Quotes');
  if (broken)
    fail('csv', `Line ${(broken.row ?? 0) + 1} of the table has a quotation mark that is not closed.`, {
      line: (broken.row ?? 0) + 1,
    });
  const lines = data
    .map((cells, i) => ({ cells: cells.map((cell) => asWritten(cell.trim())), line: i + 1 }))
    .filter(({ cells }) => cells.some((cell) => cell !== '') && !cells[0]!.startsWith('#'));
  const [first, ...rows] = lines;
  if (!first || rows.length === 0)
    fail('csv', 'The table has no rows; its first line names the columns, the others hold the values.', {});
  if (rows.length > mostRows)
    fail('csv', `The table has more than ${mostRows} rows; split it.`, { most: mostRows });
  const named = first.cells.map(headOf);
  return {
    head: named.map(({ name }) => name.toLowerCase()),
    units: named.map(({ unit }) => unit),
    rows,
  };
}

/** The name and the unit of a column's head: `x [mm]`, `z (m)`. */
function headOf(cell: string): { name: string; unit: string } {
  const open = cell.search(/[[(]/);
  if (open < 0 || !/[\])]$/.test(cell)) return { name: cell, unit: '' };
  return { name: cell.slice(0, open).trimEnd(), unit: cell.slice(open + 1, -1) };
}

/** Signs at the beginning of a cell for which programs that open the table take it for a formula. */
const formula = /^[=+\-@\t\r]/;
const number = /^[-+]?(\d+\.?\d*|\.\d+)(e[-+]?\d+)?$/i;

/** A cell that stays a text wherever the table is opened; numbers stay numbers. */
const asText = (cell: string): string => (formula.test(cell) && !number.test(cell) ? `'${cell}` : cell);

/** The cell of which {@link asText} was made. */
const asWritten = (cell: string): string =>
  cell.startsWith("'") && formula.test(cell.slice(1)) ? cell.slice(1) : cell;

/** Rows as CSV (RFC 4180). */
export const writeTable = (rows: readonly (readonly string[])[]): string =>
  `${Papa.unparse(
    rows.map((cells) => cells.map(asText)),
    { newline: '\r\n' },
  )}\r\n`;
