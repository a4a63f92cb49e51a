import { allFigureFields } from '../../document/figure-schema.js';
import type { Design, FigureSpec } from '../../document/types.js';
import { freeId } from '../../edits/index.js';
import { option, optional, record, written, type Fields } from '../../fields/index.js';
import { figureKindOf, figureKinds, type FigureKind } from './index.js';

/** The fields by which a figure is changed: those that its kind reads, the kind as a choice of all there are. */
export function figureFields(spec: FigureSpec): Fields {
  const kind = figureKindOf(spec);
  const { title, members, nodes, sense, number, judgedBy } = allFigureFields;
  const names = figureKinds.map((one) => one.kind);
  const labels = Object.fromEntries(figureKinds.map((one) => [one.kind, one.title]));
  return {
    title,
    kind: option(names, { title: 'kind', labels }),
    ...(kind.of === 'members' ? { members } : kind.of === 'nodes' ? { nodes } : {}),
    ...(kind.components.length < 2
      ? {}
      : { component: optional(option(kind.components, { title: 'component' })) }),
    ...(kind.hasSense ? { sense } : {}),
    ...(kind.numbered ? { number } : {}),
    limit: optional(written(kind.quantity(spec), { title: `at ${kind.limitIs}` })),
    ...(kind.judgedBy === 'none' ? {} : { judgedBy }),
    ...(kind.rated ? { rates: ratesOf(spec) } : {}),
  };
}

/** A rate for each family that has one, and for all others. */
const ratesOf = ({ rates = {} }: FigureSpec) =>
  record(
    Object.fromEntries(
      [...new Set([...Object.keys(rates), 'other'])].map((family) => [
        family,
        optional(written('', { title: `${family}, a kg` })),
      ]),
    ),
    { title: '' },
  );

/** A figure of a kind that the design has not got yet, under a name of its own. */
export function initialFigure(kind: FigureKind, design: Pick<Design, 'figures'>): FigureSpec {
  const alike = design.figures.filter((one) => one.kind === kind.kind).length;
  return {
    id: freeId(
      kind.kind,
      design.figures.map(({ id }) => id),
    ),
    title: alike === 0 ? kind.title : `${kind.title} ${alike + 1}`,
    kind: kind.kind,
    ...(kind.rated ? { rates: { other: 1 } } : {}),
  };
}
