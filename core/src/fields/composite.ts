import { fail } from '../base/problem.js';
import { sentence, type Place } from '../language/tree.js';
import {
  field,
  type Evaluated,
  type Field,
  type FieldContext,
  type FieldForm,
  type Fields,
  type Head,
  type Way,
} from './field.js';
import { isOfForm } from './is-of-form.js';

/** Fields within a field. */
export function record<F extends Fields>(fields: F, head: Head): Field<Evaluated<F>> {
  return field(head, {
    schema: objectSchema(fields),
    form: { kind: 'record', fields },
    read: (written, context, place) => readFields(fields, written as Record<string, unknown>, context, place),
  });
}

/** Exactly one of several fields: `{ "circle": r }` or `{ "through": […] }`. */
export function oneOf<F extends Fields>(
  variants: F,
  head: Head,
): Field<{ [K in keyof F]: { readonly kind: K; readonly value: Evaluated<F>[K] } }[keyof F]> {
  return field(head, {
    schema: { ...objectSchema(variants, []), minProperties: 1, maxProperties: 1 },
    form: { kind: 'variants', variants },
    read: (written, context, place) => {
      const [kind, value] = Object.entries(written as object)[0] as [keyof F & string, unknown];
      const at = { what: `${place.what}, ${variants[kind]!.title.toLowerCase()}`, where: place.where };
      return { kind, value: variants[kind]!.read(value, context, at) as Evaluated<F>[typeof kind] };
    },
  });
}

/** What a field by kinds is evaluated to: its kind, the fields of all kinds, and those of its own. */
export type ByKind<C extends Fields, K extends Readonly<Record<string, Fields>>> = {
  [Kind in keyof K]: { readonly kind: Kind } & Evaluated<C> & Evaluated<K[Kind]>;
}[keyof K];

/**
 * Fields that depend on a kind: `{ "kind": "point", … }`.
 *
 * @param common fields that all kinds have
 * @param head with `firstByDefault` the kind may be left out: then it is the first
 */
export function byKind<C extends Fields, K extends Readonly<Record<string, Fields>>>(
  common: C,
  kinds: K,
  head: Head & { firstByDefault?: boolean },
): Field<ByKind<C, K>> {
  const names = Object.keys(kinds);
  const kindless = head.firstByDefault === true;
  return field(head, {
    schema: {
      type: 'object',
      required: [...requiredOf(common), ...(kindless ? [] : ['kind'])],
      properties: { kind: { enum: names } },
      allOf: names.map((name, i) => ({
        if: {
          properties: { kind: { const: name } },
          ...(kindless && i === 0 ? {} : { required: ['kind'] }),
        },
        then: withKind(objectSchema({ ...common, ...kinds[name] }), name),
      })),
    },
    form: { kind: 'kinds', common, kinds },
    read: (written, context, place) => {
      const { kind = names[0]!, ...own } = written as { kind?: string };
      return { kind, ...readFields({ ...common, ...kinds[kind]! }, own, context, place) } as ByKind<C, K>;
    },
  });
}

function withKind(schema: Record<string, unknown>, kind: string): object {
  return { ...schema, properties: { kind: { const: kind }, ...(schema['properties'] as object) } };
}

/** One value that may be written in several ways, each with its schema; the first that fits reads it. */
export function ways<T>(
  list: readonly (Way & { readonly schema: object })[],
  head: Head,
  read: Field<T>['read'],
): Field<T> {
  return field(head, {
    schema: { anyOf: list.map(({ schema }) => schema) },
    form: { kind: 'ways', ways: list },
    read,
  });
}

/** A word as a way to write a value. */
export const wordWay = (word: string, label = word): Way & { readonly schema: object } => ({
  label,
  start: word,
  is: (written) => written === word,
  schema: { const: word },
});

/** Fields as a way to write a value. */
export function recordWay(fields: Fields, start: object, label: string): Way & { readonly schema: object } {
  const field = record(fields, { title: '' });
  return {
    label,
    start,
    is: (written) => typeof written === 'object' && written !== null && !Array.isArray(written),
    schema: field.schema,
    field,
  };
}

/** A field that is read as it is written, by a schema and a function of its own. */
export function custom<T>(
  head: Head,
  schema: object,
  read: (written: unknown, context: FieldContext, place: Place) => T,
  form: FieldForm = { kind: 'json' },
): Field<T> {
  return field(head, { schema, form, read });
}

/** JSON Schema of an object with these fields; those with a fallback or a condition may be left out. */
export function objectSchema(fields: Fields, required = requiredOf(fields)): Record<string, unknown> {
  return {
    type: 'object',
    properties: Object.fromEntries(Object.entries(fields).map(([name, { schema }]) => [name, schema])),
    required,
    additionalProperties: false,
  };
}

/** Names of the fields that must be written. */
export function requiredOf(fields: Fields): string[] {
  return Object.entries(fields)
    .filter(([, f]) => !f.optional && f.fallback === undefined && !f.when)
    .map(([name]) => name);
}

/** Evaluates all fields of a step; those that do not apply are undefined. */
export function readFields<F extends Fields>(
  fields: F,
  written: Readonly<Record<string, unknown>>,
  context: FieldContext,
  place: Place,
): Evaluated<F> {
  const out: Record<string, unknown> = {};
  for (const [name, one] of Object.entries(fields)) {
    if (one.when && !one.when.is.includes(written[one.when.field] ?? fields[one.when.field]?.fallback))
      continue;
    const value = written[name] ?? one.fallback;
    const at = {
      what: `${place.what}, ${name}`,
      where: { ...place.where, field: [place.where['field'], name].filter(Boolean).join('/') },
    };
    if (value !== undefined && !isOfForm(one.schema, value))
      fail(
        'invalid-design',
        `${sentence(place.what)}: what is written for "${name}" (${one.title.toLowerCase()}) is not of its form${one.about === undefined ? '' : `: ${one.about}`}`.replace(
          /[.]?$/,
          '.',
        ),
        at.where,
      );
    if (value !== undefined) out[name] = one.read(value, context, at);
    else if (!one.optional)
      fail(
        'geometry',
        `${sentence(place.what)}: "${name}" (${one.title.toLowerCase()}) is missing; give it a value.`,
        at.where,
      );
  }
  return out as Evaluated<F>;
}
