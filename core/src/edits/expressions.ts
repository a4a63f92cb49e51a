import { kindOf } from '../steps/index.js';
import type { Fields } from '../fields/index.js';
import type { Design, Option, Parameter, Patch, Rule, Step } from '../document/types.js';

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
  const within = new Expressions(design, change);
  return {
    ...design,
    parameters: design.parameters.map((one) => within.parameter(one)),
    axes: design.axes.map((set, i) => ({
      ...set,
      at: set.at.map((text) => change(text, { kind: 'axes', id: String(i), field: 'at' })),
    })),
    steps: design.steps.map((one) => within.step(one, kindOf(one)?.fields, { kind: 'step', id: one.id })),
    rules: design.rules.map((one) => within.rule(one, { kind: 'rule', id: one.id })),
    figures: design.figures.map((one) => within.deep(one, { kind: 'figure', id: one.id, field: '' }, words)),
    choices: design.choices.map((choice) => ({
      ...choice,
      options: choice.options.map((option) => within.option(choice.id, option)),
    })),
    alternatives: design.alternatives.map((one) => {
      const { id, parameters } = one;
      if (!parameters) return one;
      return { ...one, parameters: within.deep(parameters, { kind: 'alternative', id, field: '' }) };
    }),
  };
}

/** Whose expressions: an entry of the design. */
type Owner = Pick<ExpressionPlace, 'kind' | 'id'>;

/** Replaces the expressions of a design's entries. */
class Expressions {
  constructor(
    private readonly design: Design,
    private readonly change: ExpressionChange,
  ) {}

  /** Every text of a value, but fields of the names `skip`. */
  deep<T>(value: T, place: ExpressionPlace, skip: ReadonlySet<string> = none): T {
    return this.replaced(value, place, skip) as T;
  }

  private replaced(value: unknown, place: ExpressionPlace, skip: ReadonlySet<string>): unknown {
    if (typeof value === 'string') return this.change(value, place);
    if (Array.isArray(value)) return value.map((item) => this.replaced(item, place, skip));
    if (typeof value !== 'object' || value === null) return value;
    return Object.fromEntries(
      Object.entries(value).map(([key, item]) => {
        const at = { ...place, field: place.field === '' ? key : `${place.field}/${key}` };
        const reference = (key === 'section' || key === 'material') && typeof item === 'object';
        return [key, skip.has(key) && !reference ? item : this.replaced(item, at, skip)];
      }),
    );
  }

  parameter(one: Parameter): Parameter {
    if (one.kind !== 'quantity') return one;
    const { value, min, max, step } = one;
    const written = {
      value,
      ...(min === undefined ? {} : { min }),
      ...(max === undefined ? {} : { max }),
      ...(step === undefined ? {} : { step }),
    };
    return { ...one, ...this.deep(written, { kind: 'parameter', id: one.name, field: '' }) };
  }

  rule<T extends Rule | Patch>(one: T, owner: Owner): T {
    const { at, ...rest } = one as { at?: unknown } & Record<string, unknown>;
    const out = this.deep(rest, { ...owner, field: '' }, words);
    return (at === undefined ? out : { ...out, at }) as T;
  }

  step<T extends Step | Patch>(one: T, fields: Fields | undefined, owner: Owner): T {
    return Object.fromEntries(
      Object.entries(one).map(([key, value]) => {
        const form = fields?.[key]?.form.kind;
        const word = words.has(key) || form === 'text' || form === 'option' || form === 'flag';
        return [key, word ? value : this.deep(value, { ...owner, field: key })];
      }),
    ) as T;
  }

  option(choice: string, option: Option): Option {
    const { parameters, steps, rules } = option.changes;
    const owner: Owner = { kind: 'option', id: `${choice}/${option.id}` };
    return {
      ...option,
      changes: {
        ...(parameters ? { parameters: this.deep(parameters, { ...owner, field: 'parameters' }) } : {}),
        ...(steps ? { steps: steps.map((one) => this.step(one, this.fieldsOf(one), owner)) } : {}),
        ...(rules ? { rules: rules.map((one) => this.rule(one, owner)) } : {}),
      },
    };
  }

  /** Of the step that a patch changes; of a new one its own. */
  private fieldsOf(patch: Patch): Fields | undefined {
    const known = this.design.steps.find(({ id }) => id === patch.id);
    return (known && kindOf(known)?.fields) ?? kindOf(patch as unknown as Step)?.fields;
  }
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
