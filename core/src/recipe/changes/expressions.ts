import { kindOf } from '../steps/index.js';
import type { Fields } from '../steps/fields/index.js';
import type { Design, Patch, Rule, Step } from '../types.js';

/** Where an expression stands in a design. */
export interface ExpressionPlace {
  readonly kind: 'parameter' | 'axes' | 'step' | 'rule' | 'figure' | 'option' | 'alternative';
  readonly id: string;
  readonly field: string;
}

/** Gives the text that takes an expression's place. */
export type ExpressionChange = (text: string, place: ExpressionPlace) => string;

/** Fields of rules that hold words or names of other things, not expressions. */
const words = new Set([
  ...[
    'id',
    'title',
    'case',
    'kind',
    'direction',
    'share',
    'per',
    'action',
    'group',
    'section',
    'material',
    'after',
  ],
  ...['make', 'edit', 'off', 'component', 'judgedBy'],
]);

/** Every expression of a design replaced by what `change` gives; names of section and material parameters in rules too. */
export function mapExpressions(design: Design, change: ExpressionChange): Design {
  const deep = (value: unknown, place: ExpressionPlace, skip: ReadonlySet<string> = none): unknown => {
    if (typeof value === 'string') return change(value, place);
    if (Array.isArray(value)) return value.map((item) => deep(item, place, skip));
    if (typeof value !== 'object' || value === null) return value;
    return Object.fromEntries(
      Object.entries(value).map(([key, item]) => {
        const at = { ...place, field: place.field === '' ? key : `${place.field}/${key}` };
        const reference = (key === 'section' || key === 'material') && typeof item === 'object';
        return [key, skip.has(key) && !reference ? item : deep(item, at, skip)];
      }),
    );
  };
  const rule = <T extends Rule | Patch>(one: T, kind: 'rule' | 'option', id: string): T => {
    const { at, ...rest } = one as { at?: unknown } & Record<string, unknown>;
    const out = deep(rest, { kind, id, field: '' }, words) as Record<string, unknown>;
    return (at === undefined ? out : { ...out, at }) as T;
  };
  const step = <T extends Step | Patch>(
    one: T,
    fields: Fields | undefined,
    kind: 'step' | 'option',
    id: string,
  ): T =>
    Object.fromEntries(
      Object.entries(one).map(([key, value]) => {
        const form = fields?.[key]?.form.kind;
        const word = words.has(key) || form === 'text' || form === 'option' || form === 'flag';
        return [key, word ? value : deep(value, { kind, id, field: key }, new Set())];
      }),
    ) as T;
  const fieldsOf = (id: string) => {
    const found = design.steps.find((one) => one.id === id);
    return found && kindOf(found)?.fields;
  };
  return {
    ...design,
    parameters: design.parameters.map((p) =>
      p.kind === 'quantity'
        ? {
            ...p,
            ...(deep(
              {
                value: p.value,
                ...(p.min === undefined ? {} : { min: p.min }),
                ...(p.max === undefined ? {} : { max: p.max }),
                ...(p.step === undefined ? {} : { step: p.step }),
              },
              { kind: 'parameter', id: p.name, field: '' },
            ) as object),
          }
        : p,
    ),
    axes: design.axes.map((set, i) => ({
      ...set,
      at: set.at.map((text) => change(text, { kind: 'axes', id: String(i), field: 'at' })),
    })),
    steps: design.steps.map((one) => step(one, kindOf(one)?.fields, 'step', one.id)),
    rules: design.rules.map((one) => rule(one, 'rule', one.id)),
    figures: design.figures.map(
      (figure) => deep(figure, { kind: 'figure', id: figure.id, field: '' }, words) as typeof figure,
    ),
    choices: design.choices.map((choice) => ({
      ...choice,
      options: choice.options.map((option) => {
        const { parameters, steps, rules } = option.changes;
        const at = { kind: 'option', id: `${choice.id}/${option.id}` } as const;
        return {
          ...option,
          changes: {
            ...(parameters
              ? { parameters: deep(parameters, { ...at, field: 'parameters' }) as Record<string, string> }
              : {}),
            ...(steps
              ? {
                  steps: steps.map((one) =>
                    step(one, fieldsOf(one.id) ?? kindOf(one as unknown as Step)?.fields, 'option', at.id),
                  ),
                }
              : {}),
            ...(rules ? { rules: rules.map((one) => rule(one, 'option', at.id)) } : {}),
          },
        };
      }),
    })),
    alternatives: design.alternatives.map((one) =>
      one.parameters
        ? {
            ...one,
            parameters: deep(one.parameters, { kind: 'alternative', id: one.id, field: '' }) as Record<
              string,
              string
            >,
          }
        : one,
    ),
  };
}

const none: ReadonlySet<string> = new Set();

/** An expression with a name replaced wherever it stands as a whole word outside quotes. */
export function renamedIn(text: string, from: string, to: string): string {
  return text
    .split('"')
    .map((part, i) =>
      i % 2 === 1 ? part : part.replace(new RegExp(`(?<![A-Za-z0-9_])${from}(?![A-Za-z0-9_])`, 'g'), to),
    )
    .join('"');
}

/** Places of a design whose expressions use a name. */
export function usesOf(design: Design, name: string): ExpressionPlace[] {
  const found: ExpressionPlace[] = [];
  mapExpressions(design, (text, place) => {
    if (renamedIn(text, name, `${name}_`) !== text) found.push(place);
    return text;
  });
  return found;
}
