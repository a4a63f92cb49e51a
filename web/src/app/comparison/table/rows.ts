import {
  differencesBetween,
  isExplained,
  pickedOption,
  significant,
  type Design,
  type FigureSpec,
  type FigureSummary,
  type Units,
} from '@hashira/core';
import {
  beyondText,
  differenceText,
  figureExact,
  figureText,
  lengthShareText,
  limitText,
} from '../../ui/fields/values';
import { foundationRows } from './foundation-rows';
import { inQuantity, numberRow, referenceOf, unsigned, type Written } from './number-row';
import { spreadOf, wordsOf, type RowCell, type RowGroup, type TableRow, type TableSource } from './row';

/** All rows of the table, in the design's order. */
export const tableRows = (source: TableSource): TableRow[] => [
  ...choiceRows(source),
  ...ownValueRows(source),
  ...figureRows(source),
  ...criticalFactorRow(source),
  ...massRateRow(source),
  ...sectionRows(source),
  ...utilisationRows(source),
  ...foundationRows(source),
];

/** A row of words; the entries that are not the reference's are marked. */
function wordRow(
  { alternatives, ...design }: Design,
  head: Pick<TableRow, 'id' | 'title'> & { readonly group: RowGroup },
  textOf: (alternative: string) => string,
): TableRow {
  const base = textOf(design.reference);
  const cells = alternatives.map(({ id }): RowCell => {
    const text = textOf(id);
    const differs = text !== base && text !== '–' && base !== '–';
    return { alternative: id, text, exact: '', difference: '', word: '', bad: false, place: '', differs };
  });
  return { ...head, limit: '', cells, spread: cells.some(({ differs }) => differs) ? 1 : 0 };
}

/** A row for each choice of which the alternatives pick different options. */
function choiceRows({ design }: TableSource): TableRow[] {
  return design.choices.flatMap(({ id, title, options }) => {
    const row = wordRow(design, { id: `choice ${id}`, group: 'what differs', title }, (alternative) => {
      const own = design.alternatives.find((one) => one.id === alternative)!;
      const picked = pickedOption(design.choices, own, id);
      return options.find((option) => option.id === picked)?.title ?? picked ?? '–';
    });
    return row.spread > 0 ? [row] : [];
  });
}

/** A row for each parameter to which an alternative gives a value of its own. */
function ownValueRows({ design }: TableSource): TableRow[] {
  const reference = design.alternatives[referenceOf(design)]!;
  const choices = new Set(design.choices.map(({ title }) => title));
  const found = design.alternatives.map(
    (one) =>
      [
        one.id,
        differencesBetween(design, one, reference).filter(({ title }) => !choices.has(title)),
      ] as const,
  );
  const own = new Map(found);
  const titles = [...new Set(found.flatMap(([, list]) => list.map(({ title }) => title)))];
  return titles.map((title) => {
    const usual = found.flatMap(([, list]) => list).find((one) => one.title === title)!.other;
    return wordRow(
      design,
      { id: `value ${title}`, group: 'what differs', title },
      (id) => own.get(id)?.find((one) => one.title === title)?.own ?? usual,
    );
  });
}

function figureRows({ design, figures, units }: TableSource): TableRow[] {
  const reference = referenceOf(design);
  return design.figures.map((spec) => {
    const own = design.alternatives.map(({ id }) => figures.get(id)?.find((one) => one.id === spec.id));
    return figureRow(spec, own, { reference, alternatives: design.alternatives, units });
  });
}

function figureRow(
  spec: FigureSpec,
  own: readonly (FigureSummary | undefined)[],
  {
    reference,
    alternatives,
    units,
  }: { reference: number; alternatives: Design['alternatives']; units: Units },
): TableRow {
  const values = own.map((one) => one?.value);
  const words = wordsOf(
    values,
    reference,
    own.some((one) => one?.limitIs === 'least'),
  );
  return {
    id: `figure ${spec.id}`,
    group: 'figures',
    title: spec.title,
    limit: own.map((one) => (one ? limitText(one, units) : '')).find((text) => text !== '') ?? '',
    spread: spreadOf(values),
    explained: isExplained(spec),
    cells: alternatives.map(({ id }, i): RowCell => {
      const figure = own[i];
      const share = figure ? lengthShareText(figure) : '';
      return {
        alternative: id,
        text: figure ? `${figureText(figure, units)}${beyondText(figure)}` : '–',
        exact: [figure ? figureExact(figure, units) : 'not known', share, figure?.place ?? '']
          .filter((one) => one !== '')
          .join('; '),
        difference: i === reference ? '' : differenceText(figure, own[reference]),
        word: words[i]!,
        bad: figure?.status === 'fail',
        place: figure?.status === 'fail' ? figure.place : share,
        ...(figure ? { figure } : {}),
        differs: false,
      };
    }),
  };
}

/** αcr, where the design has no figure of it. */
function criticalFactorRow({ design, summaries, units }: TableSource): TableRow[] {
  if (design.figures.some(({ kind }) => kind === 'bucklingFactor')) return [];
  const row = numberRow(
    design,
    { id: 'alphaCr', group: 'figures', title: 'Buckling factor αcr' },
    inQuantity('number', units),
    (id) => {
      const { alphaCr, alphaCrOf } = summaries.get(id) ?? {};
      return alphaCr === undefined
        ? undefined
        : { value: alphaCr, ...(alphaCrOf ? { place: alphaCrOf } : {}) };
    },
    true,
  );
  return row.cells.some(({ text }) => text !== '–') ? [row] : [];
}

/** Mass over what the frame covers. */
function massRateRow({ design, makeUps, units }: TableSource): TableRow[] {
  const [known] = [...makeUps.values()].flatMap(({ mass }) => (mass ? [mass] : []));
  if (!known) return [];
  const title = known.per === 'm²' ? 'Members, a square metre of plan' : 'Members, a metre of width';
  const row = numberRow(
    design,
    { id: 'mass rate', group: 'figures', title },
    perLength(known.per === 'm²' ? 2 : 1, units),
    (id) => makeUps.get(id)?.mass,
  );
  return [row];
}

/** kg a metre or a square metre, in the reader's units. */
function perLength(power: 1 | 2, units: Units): Written {
  const [mass, length] = [units.of('mass'), units.of('length')];
  const unit = ` ${mass.unit}/${length.unit}${power === 2 ? '²' : ''}`;
  const factor = mass.factor / length.factor ** power;
  return {
    text: (value) => significant(factor * value) + unit,
    exact: (value) => `${factor * value}${unit}`,
  };
}

/** Groups that give members their section, in the design's order. */
const groupsIn = (makeUps: TableSource['makeUps']): Map<string, string> =>
  new Map([...makeUps.values()].flatMap(({ groups }) => groups.map(({ id, title }) => [id, title] as const)));

/** A row for each group whose section is not the same everywhere. */
function sectionRows({ design, makeUps }: TableSource): TableRow[] {
  return [...groupsIn(makeUps)].flatMap(([group, title]) => {
    const row = wordRow(design, { id: `section ${group}`, group: 'sections', title }, (id) => {
      const own = makeUps.get(id);
      if (!own) return '–';
      return own.groups.find((one) => one.id === group)?.section ?? 'none';
    });
    return row.spread > 0 ? [row] : [];
  });
}

function utilisationRows({ design, makeUps }: TableSource): TableRow[] {
  const reference = referenceOf(design);
  return [...groupsIn(makeUps)].map(([group, title]): TableRow => {
    const own = design.alternatives.map(({ id }) => makeUps.get(id)?.groups.find((one) => one.id === group));
    const values = own.map((one) => one?.utilisation);
    const words = wordsOf(values, reference, false);
    const base = values[reference];
    return {
      id: `utilisation ${group}`,
      group: 'utilisation by group',
      title,
      limit: 'at most 1.00',
      spread: spreadOf(values),
      cells: design.alternatives.map(({ id }, i): RowCell => {
        const one = own[i];
        const isBad = one?.standing === 'over' || one?.standing === 'not covered';
        const value = one?.utilisation;
        const number = value === undefined ? '' : significant(value);
        return {
          alternative: id,
          text:
            one?.standing === 'not covered'
              ? 'not covered'
              : `${number || '–'}${one?.standing === 'over' ? ' over' : ''}`,
          exact: [one?.section, one?.worst].filter((word) => word !== undefined).join('; '),
          difference: i === reference ? '' : differenceText(unsigned(value), unsigned(base)),
          word: one?.standing === 'not covered' ? '' : words[i]!,
          bad: isBad,
          place: isBad ? (one.worst ?? '') : '',
          differs: false,
        };
      }),
    };
  });
}
