import type { ResultTable } from '../../evaluation/index.js';
import { writeTable } from './table.js';
import type { Units } from '../../units/units.js';

/** A table of results as CSV: numbers in the units that the head names, with all their digits; of an envelope also where each comes from. */
export function writeResults({ columns, rows, of }: ResultTable, units: Units): string {
  const envelope = rows.some(({ from }) => from !== undefined);
  const head = columns.flatMap(({ name, quantity }) => {
    const { unit } = units.of(quantity);
    return [unit === '' ? name : `${name} [${unit}]`, ...(envelope ? [`${name} from`] : [])];
  });
  return writeTable([
    [of === 'members' ? 'member' : 'node', 'id', 'at', ...head],
    ...rows.map(({ title, part, at, values, from }) => [
      title,
      part,
      at,
      ...values.flatMap((value, k) => [
        String(Number((value * units.of(columns[k]!.quantity).factor).toPrecision(12))),
        ...(envelope ? [from?.[k] ?? ''] : []),
      ]),
    ]),
  ]);
}
