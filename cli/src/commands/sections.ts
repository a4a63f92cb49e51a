import {
  catalogue,
  describeSection,
  findProfile,
  iWithDepth,
  massOf,
  parseQuery,
  queryProfiles,
} from '@hashira/core/library';
import { writeText } from '../output.js';

/** `hashira sections [question]`: the library's series, or the profiles that answer a question. */
export async function sections(words: readonly string[], options: { limit: number }): Promise<void> {
  const question = words.join(' ').trim();
  if (question === '') {
    await writeText(seriesTable());
    return;
  }
  const found = queryProfiles(parseQuery(question));
  if (found.length === 0) {
    await writeText('No profile of the library meets all that.\n');
    return;
  }
  const rows = found.slice(0, options.limit).map((entry) => {
    const details = describeSection(entry.shape);
    const value = (symbol: string) => details.find((line) => line.symbol === symbol)?.text ?? '';
    return [
      entry.name,
      `${massOf(entry).toPrecision(4)} kg/m`,
      value('h'),
      value('b'),
      value('A'),
      value('Iy'),
      value('Wpl,y'),
    ];
  });
  const more = found.length > rows.length ? `… and ${found.length - rows.length} more\n` : '';
  await writeText(table([['profile', 'mass', 'h', 'b', 'A', 'Iy', 'Wpl,y'], ...rows]) + more);
}

function seriesTable(): string {
  const bySeries = new Map<string, { count: number; standard: string; first: string; last: string }>();
  for (const { series, standard, name } of catalogue) {
    const known = bySeries.get(series);
    if (known) {
      known.count++;
      known.last = name;
    } else bySeries.set(series, { count: 1, standard, first: name, last: name });
  }
  const rows = [...bySeries].map(([series, { count, standard, first, last }]) => [
    series,
    String(count),
    standard,
    `${first} … ${last}`,
  ]);
  return table([['series', 'profiles', 'standard', 'from … to'], ...rows]);
}

/** `hashira section <name>`: every property of a profile with its unit. */
export async function section(name: string, options: { depth?: number }): Promise<void> {
  const entry = findProfile(name);
  const shape = options.depth === undefined ? entry.shape : iWithDepth(name, options.depth / 1e3);
  const title = options.depth === undefined ? entry.name : `${entry.name} made ${options.depth} mm deep`;
  const head = [
    `${title} (${entry.standard}, ${entry.fabrication})`,
    ...(options.depth === undefined ? [`mass ${massOf(entry).toPrecision(4)} kg/m`] : []),
    '',
  ];
  const rows = describeSection(shape).map(({ symbol, text, title: meaning }) => [symbol, text, meaning]);
  await writeText(`${head.join('\n')}\n${table(rows)}`);
}

/** Columns padded to their widest cell. */
function table(rows: readonly (readonly string[])[]): string {
  const widths = rows[0]!.map((_, c) => Math.max(...rows.map((row) => row[c]!.length)));
  return rows
    .map(
      (row) =>
        `${row
          .map((cell, c) => cell.padEnd(widths[c]!))
          .join('  ')
          .trimEnd()}\n`,
    )
    .join('');
}
