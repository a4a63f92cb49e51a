/** How one value of a record (a rule, a load case, a figure …) is shown and changed. */
export type RecordForm =
  | { readonly kind: 'text' | 'number' | 'flag' | 'section' | 'material' | 'case' | 'condition' }
  /** A number, or a formula that gives one with its unit. */
  | { readonly kind: 'formula' }
  /** Any of the load cases of the design. */
  | { readonly kind: 'cases' }
  /** Values with commas between; a single one stands alone where that is allowed. */
  | { readonly kind: 'list'; readonly single: boolean }
  /** Usual values, each under its name. */
  | {
      readonly kind: 'choice';
      readonly choices: readonly { readonly label: string; readonly value: unknown }[];
    };

export interface RecordField {
  /** Where it stands in the record, such as `load/q`. */
  readonly path: string;
  readonly title: string;
  readonly form: RecordForm;
  readonly value: unknown;
  /** Whether it may be left out. */
  readonly optional: boolean;
}

interface Schema {
  readonly type?: string | readonly string[];
  readonly enum?: readonly (string | number)[];
  readonly const?: string;
  readonly anyOf?: readonly Schema[];
  readonly allOf?: readonly { readonly if: Schema; readonly then: Schema }[];
  readonly items?: Schema;
  readonly properties?: Readonly<Record<string, Schema>>;
  readonly required?: readonly string[];
  readonly minItems?: number;
}

/** Names by which people know a record, changed elsewhere. */
const hidden = new Set(['id']);

/** What stands in a document, in words, where that says more. */
const choiceTitles: Readonly<Record<string, string>> = {
  EN1993: 'EN 1993-1-1',
  AISC360: 'ANSI/AISC 360-22',
  direct: 'direct analysis (C2)',
  'effective-length': 'effective length (Appendix 7)',
};

const titles: Readonly<Record<string, string>> = {
  q: 'load',
  per: 'per length of',
  F: 'force x, y, z',
  M: 'moment x, y, z',
  case: 'load case',
  restraints: 'held where',
  direction: 'along',
  limit: 'at most',
  deflection: 'deflection',
  share: 'shared',
  gradientY: 'gradient y',
  gradientZ: 'gradient z',
  selfWeight: 'own weight ×',
  excludes: 'never with',
  use: 'use (EN 1990)',
  members: 'members where',
  nodes: 'nodes where',
  judgedBy: 'judged by',
  number: 'which one',
  at: 'at',
  name: 'code',
  gammaM0: 'γM0',
  gammaM1: 'γM1',
  gammaM2: 'γM2',
  eta: 'η (shear)',
  interaction: 'kij by annex',
  lateralTorsional: 'χLT by curves of',
  names: 'called',
  analysis: 'second order by',
  flange: 'holds',
  restrains: 'members held',
};

/** Forms that a name alone decides. */
const named: Readonly<Record<string, RecordForm>> = {
  excludes: { kind: 'cases' },
  section: { kind: 'section' },
  material: { kind: 'material' },
  case: { kind: 'case' },
  restraints: { kind: 'condition' },
};

/**
 * The fields by which a record is changed: those of its JSON Schema, in its order, that fit what the record holds.
 *
 * @param schema of the record, or of one part of it
 * @param path of that part within the record; the record itself without one
 */
export function recordFields(schema: object, value: unknown, path = '', optional = false): RecordField[] {
  const name = path.split('/').at(-1)!;
  return fieldsOf(schema, path, name, value, optional);
}

function fieldsOf(
  schema: Schema,
  path: string,
  name: string,
  value: unknown,
  optional: boolean,
): RecordField[] {
  const field = (form: RecordForm): RecordField[] => [
    { path, title: titles[name] ?? name, form, value, optional },
  ];
  if (name in named) return field(named[name]!);
  if (schema.enum) return field(choiceOf(schema.enum));
  if (schema.type === 'boolean') return field({ kind: 'flag' });
  if (schema.type === 'number' || schema.type === 'integer') return field({ kind: 'number' });
  if (schema.anyOf) return variants(schema.anyOf, path, name, value, optional);
  if (schema.type === 'array') return field({ kind: 'list', single: false });
  if (Array.isArray(schema.type) && schema.type.includes('number')) return field({ kind: 'formula' });
  if (schema.type !== 'object') return field({ kind: 'text' });
  // Where a field is absent as a whole, its parts are not asked for
  if (optional && value === undefined) return [];
  const own = (value ?? {}) as Record<string, unknown>;
  const { properties, required } = partsOf(schema, own);
  return Object.entries(properties).flatMap(([key, part]) =>
    part.const !== undefined || hidden.has(key)
      ? []
      : fieldsOf(part, path === '' ? key : `${path}/${key}`, key, own[key], !required.includes(key)),
  );
}

const choiceOf = (values: readonly (string | number)[]): RecordForm => ({
  kind: 'choice',
  choices: values.map((value) => ({ label: choiceTitles[value] ?? String(value), value })),
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
): RecordField[] {
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
            ...words.map((word) => ({ label: String(word).replaceAll('-', ' '), value: word })),
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

/** Typed text as a field is written; undefined where nothing is left, or no number where one is due. */
export function readRecordField(typed: string, form: RecordForm): unknown {
  const text = typed.trim();
  if (text === '') return undefined;
  if (form.kind === 'number') {
    const number = Number(text.replace(',', '.').replace('−', '-'));
    return Number.isFinite(number) ? number : undefined;
  }
  if (form.kind !== 'list') return text;
  const parts = text.split(/\s*[,;]\s*/).filter((part) => part !== '');
  return form.single && parts.length === 1 ? parts[0] : parts;
}

/** A field's value as text. */
export function recordFieldText(value: unknown): string {
  if (value === undefined || value === null) return '';
  if (Array.isArray(value)) return value.map(String).join(', ');
  return typeof value === 'string' || typeof value === 'number' ? String(value) : JSON.stringify(value);
}
