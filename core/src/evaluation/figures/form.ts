import { figureSchema } from '../../document/figure-schema.js';
import { recordFields, type RecordField } from '../../fields/record-fields.js';
import type { Design, FigureSpec } from '../../document/types.js';
import { freeId } from '../../edits/index.js';
import { figureKindOf, figureKinds, type FigureKind } from './index.js';

/** The fields by which a figure is changed: those that its kind reads, the kind as a choice of all there are. */
export function figureFields(spec: FigureSpec): RecordField[] {
  const kind = figureKindOf(spec);
  const fields = recordFields(figureSchema, spec).flatMap((field): RecordField[] => {
    switch (field.path) {
      case 'kind':
        return [{ ...field, form: choiceOf(figureKinds.map((one) => [one.title, one.kind] as const)) }];
      case 'component':
        return kind.components.length < 2
          ? []
          : [{ ...field, form: choiceOf(kind.components.map((name) => [name, name] as const)) }];
      case 'members':
      case 'nodes':
        return kind.of === field.path ? [field] : [];
      case 'sense':
        return kind.hasSense ? [field] : [];
      case 'number':
        return kind.numbered ? [field] : [];
      case 'limit':
        return [{ ...field, title: `at ${kind.limitIs}` }];
      case 'judgedBy':
        return kind.judgedBy === 'none' ? [] : [field];
      default:
        return [field];
    }
  });
  return kind.rated ? [...fields, ...rateFields(spec)] : fields;
}

/** A rate for each family that has one, and for all others. */
function rateFields({ rates = {} }: FigureSpec): RecordField[] {
  return [...new Set([...Object.keys(rates), 'other'])].map((family) => ({
    path: `rates/${family}`,
    title: `${family}, a kg`,
    form: { kind: 'text' },
    value: rates[family],
    optional: true,
  }));
}

const choiceOf = (choices: readonly (readonly [label: string, value: string])[]): RecordField['form'] => ({
  kind: 'choice',
  choices: choices.map(([label, value]) => ({ label, value })),
});

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
