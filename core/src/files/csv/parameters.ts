import { fail } from '../../base/problem.js';
import {
  dropOwnParameter,
  duplicateAlternative,
  renameAlternative,
  setOwnParameter,
} from '../../edits/index.js';
import type { Alternative, Design } from '../../document/types.js';
import { readTable, writeTable } from './table.js';

/** Values of all parameters, as they are written: one row an alternative. */
export function writeParameters({ parameters, alternatives }: Design): string {
  const own = ({ parameters: values }: Alternative, name: string) =>
    values !== undefined && Object.hasOwn(values, name) ? values[name] : undefined;
  return writeTable([
    ['alternative', ...parameters.map(({ name }) => name)],
    ...alternatives.map((alternative) => [
      alternative.title,
      ...parameters.map(({ name, value }) => own(alternative, name) ?? value),
    ]),
  ]);
}

/**
 * The design with the parameters of a table, one row an alternative: what differs from the design's value becomes the alternative's own. An
 * unknown title becomes a new alternative that picks what the reference picks. Parameters that the table does not have stay as they are.
 *
 * @throws ProblemError `csv`
 */
export function readParameters(design: Design, text: string): Design {
  const { head, units, rows } = readTable(text);
  const title = head.indexOf('alternative');
  if (title < 0) fail('csv', 'The table of parameters needs the column "alternative".', {});
  const names = new Map(design.parameters.map(({ name }) => [name.toLowerCase(), name]));
  const columns = head.flatMap((name, column) => {
    if (column === title) return [];
    const parameter = names.get(name);
    return parameter === undefined
      ? fail('csv', `The column "${name}" is no parameter; there are ${[...names.values()].join(', ')}.`, {
          column: name,
        })
      : [{ column, parameter }];
  });
  return rows.reduce((before, { cells, line }) => {
    const wanted = cells[title] ?? '';
    if (wanted === '') fail('csv', `Line ${line} of the table names no alternative.`, { line });
    const [found, id] = withAlternative(before, wanted);
    return columns.reduce((changed, { column, parameter }) => {
      const cell = cells[column] ?? '';
      if (cell === '') return changed;
      const bare = /^[-+]?[\d.]+$/.test(cell) && units[column] !== '';
      const value = bare ? `${cell} ${units[column]!}` : cell;
      const common = design.parameters.find(({ name }) => name === parameter)!.value;
      return value === common
        ? dropOwnParameter(changed, id, parameter)
        : setOwnParameter(changed, id, parameter, value);
    }, found);
  }, design);
}

function withAlternative(design: Design, title: string): [Design, string] {
  const known = design.alternatives.find((one) => one.title === title || one.id === title);
  if (known) return [design, known.id];
  const { design: added, id } = duplicateAlternative(design, design.reference);
  return [renameAlternative(added, id, title), id];
}
