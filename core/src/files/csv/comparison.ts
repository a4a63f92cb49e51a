import type { ComparedAlternative } from '../../evaluation/comparison/index.js';
import { siUnits } from '../../units/si-units.js';
import { writeTable } from './table.js';

/** What a table of figures needs of a comparison. */
export interface ComparisonTable {
  readonly alternatives: readonly Pick<ComparedAlternative, 'title' | 'status' | 'alphaCr' | 'figures'>[];
}

/** A comparison as CSV (RFC 4180): a line a figure, a column an alternative; SI, full digits, the unit in a column of its own. */
export function comparisonCsv({ alternatives }: ComparisonTable): string {
  const known = new Map(
    alternatives.flatMap(({ figures }) =>
      Object.entries(figures).map(([id, { title, quantity }]) => [id, { title, quantity }] as const),
    ),
  );
  const head = ['figure', 'unit', ...alternatives.map(({ title }) => title)];
  const lines = [...known].map(([id, { title, quantity }]) => [
    title,
    siUnits[quantity],
    ...alternatives.map(({ figures }) => (figures[id] === undefined ? '' : String(figures[id].value))),
  ]);
  const row = (name: string, unit: string, of: (one: ComparisonTable['alternatives'][number]) => string) => [
    name,
    unit,
    ...alternatives.map(of),
  ];
  return writeTable([
    head,
    row('status', '', ({ status }) => status),
    row('critical factor', '', ({ alphaCr }) => (alphaCr === undefined ? '' : String(alphaCr))),
    ...lines,
  ]);
}
