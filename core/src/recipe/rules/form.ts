import type { Rule } from '../types.js';
import type { RuleKind } from './rule.js';

/** How one value of a rule is shown and changed. */
export type RuleFieldForm =
  | { readonly kind: 'text' | 'section' | 'material' | 'case' | 'condition' }
  /** Values with commas between; a single one stands alone where that is allowed. */
  | { readonly kind: 'list'; readonly single: boolean }
  /** Usual values, each under its name. */
  | {
      readonly kind: 'choice';
      readonly choices: readonly { readonly label: string; readonly value: unknown }[];
    };

export interface RuleField {
  /** Where it stands in the rule, such as `load/q`. */
  readonly path: string;
  readonly title: string;
  readonly form: RuleFieldForm;
  readonly value: unknown;
  /** Whether it may be left out. */
  readonly optional: boolean;
}

interface Schema {
  readonly type?: string | readonly string[];
  readonly enum?: readonly string[];
  readonly const?: string;
  readonly anyOf?: readonly Schema[];
  readonly allOf?: readonly { readonly if: Schema; readonly then: Schema }[];
  readonly items?: Schema;
  readonly properties?: Readonly<Record<string, Schema>>;
  readonly required?: readonly string[];
  readonly minItems?: number;
}

const titles: Readonly<Record<string, string>> = {
  q: 'load',
  per: 'per length of',
  F: 'force x, y, z',
  M: 'moment x, y, z',
  at: 'at',
  case: 'load case',
  restraints: 'held where',
  direction: 'along',
  limit: 'at most',
  deflection: 'deflection',
  share: 'shared',
  gradientY: 'gradient y',
  gradientZ: 'gradient z',
};

/** Forms that a name alone decides. */
const named: Readonly<Record<string, RuleFieldForm>> = {
  section: { kind: 'section' },
  material: { kind: 'material' },
  case: { kind: 'case' },
  restraints: { kind: 'condition' },
};

/** The fields by which a kind's part of a rule is changed: those of its JSON Schema that fit what the rule holds. */
export function ruleFields(rule: Rule, kind: RuleKind): RuleField[] {
  return Object.entries(kind.schema).flatMap(([key, schema]) =>
    fieldsOf(schema as Schema, key, key, (rule as unknown as Record<string, unknown>)[key], key !== kind.key),
  );
}

function fieldsOf(
  schema: Schema,
  path: string,
  name: string,
  value: unknown,
  optional: boolean,
): RuleField[] {
  const field = (form: RuleFieldForm): RuleField[] => [
    { path, title: titles[name] ?? name, form, value, optional },
  ];
  if (name in named) return field(named[name]!);
  if (schema.enum) return field(choiceOf(schema.enum));
  if (schema.anyOf) return variants(schema.anyOf, path, name, value, optional);
  if (schema.type === 'array') return field({ kind: 'list', single: false });
  if (schema.type !== 'object') return field({ kind: 'text' });
  // Where a field is absent as a whole, its parts are not asked for
  if (optional && value === undefined) return [];
  const own = (value ?? {}) as Record<string, unknown>;
  const { properties, required } = partsOf(schema, own);
  return Object.entries(properties).flatMap(([key, part]) =>
    part.const !== undefined ? [] : fieldsOf(part, `${path}/${key}`, key, own[key], !required.includes(key)),
  );
}

const choiceOf = (values: readonly string[]): RuleFieldForm => ({
  kind: 'choice',
  choices: values.map((value) => ({ label: value, value })),
});

/** Properties of an object, those of the branch that its kind takes among them. */
function partsOf(
  schema: Schema,
  value: Record<string, unknown>,
): { properties: Record<string, Schema>; required: string[] } {
  const branch = schema.allOf?.find(({ if: condition }) => {
    const kind = condition.properties?.['kind']?.const;
    return value['kind'] === kind || (value['kind'] === undefined && !condition.required?.includes('kind'));
  })?.then;
  return {
    // The kinds to choose from are those of the whole, not the one of the branch
    properties: { ...schema.properties, ...branch?.properties, ...schema.properties },
    required: [...(schema.required ?? []), ...(branch?.required ?? [])],
  };
}

/** A value that may be written in several ways. */
function variants(
  list: readonly Schema[],
  path: string,
  name: string,
  value: unknown,
  optional: boolean,
): RuleField[] {
  const title = titles[name] ?? name;
  const array = list.find(({ type }) => type === 'array');
  const object = list.find(({ type }) => type === 'object');
  const words = list.flatMap(({ enum: values, const: one }) => values ?? (one === undefined ? [] : [one]));
  if (words.length > 0 && object) {
    const parts = Object.keys(object.properties ?? {});
    const asObject =
      typeof value === 'object' && value !== null ? fieldsOf(object, path, '', value, false) : [];
    // What is given part by part begins with the first: a freedom that is held, or a length
    const begin = words.includes('fixed') ? 'fixed' : '1 m';
    const each = typeof value === 'object' && value !== null ? value : { [parts[0]!]: begin };
    return [
      {
        path,
        title,
        optional,
        value: typeof value === 'object' ? each : value,
        form: {
          kind: 'choice',
          choices: [
            ...words.map((word) => ({ label: word.replaceAll('-', ' '), value: word })),
            { label: 'each by itself', value: each },
          ],
        },
      },
      ...asObject,
    ];
  }
  if (object && typeof value === 'object' && value !== null && !Array.isArray(value))
    return fieldsOf(object, path, '', value, false);
  return [{ path, title, value, optional, form: { kind: 'list', single: array?.items?.enum === undefined } }];
}

/** Typed text as a rule's field is written; undefined where nothing is left. */
export function readRuleField(typed: string, form: RuleFieldForm): unknown {
  const text = typed.trim();
  if (text === '') return undefined;
  if (form.kind !== 'list') return text;
  const parts = text.split(/\s*[,;]\s*/).filter((part) => part !== '');
  return form.single && parts.length === 1 ? parts[0] : parts;
}

/** A rule's value as text. */
export function ruleFieldText(value: unknown): string {
  if (value === undefined || value === null) return '';
  if (Array.isArray(value)) return value.map(String).join(', ');
  return typeof value === 'string' || typeof value === 'number' ? String(value) : JSON.stringify(value);
}
