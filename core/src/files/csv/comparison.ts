import type { Comparison } from '../../evaluation/comparison/index.js';
import { siUnits } from '../../units/si-units.js';
import { writeTable } from './table.js';

/** A comparison as CSV (RFC 4180): a line a figure, a column an alternative; SI, full digits, the unit in a column of its own. */
export function comparisonCsv({ alternatives }: Comparison): string {
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
  const row = (name: string, unit: string, of: (one: Comparison['alternatives'][number]) => string) => [
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
