import { fits } from './fits.js';
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
} from './field.js';

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
    if (value !== undefined && !fits(one.schema, value))
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
