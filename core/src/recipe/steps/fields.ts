import { fail } from '../../problem.js';
import type { QuantityName } from '../../units/quantities.js';
import type { Names } from '../expressions/compile.js';
import {
  conditionProgram,
  countOf,
  listItems,
  mostItems,
  positionProgram,
  quantityOf,
  splitList,
  type Position,
  type Written,
  type WrittenList,
} from '../expressions/evaluate.js';
import { sentence, type Place } from '../expressions/tree.js';
import type { Tags } from '../expressions/types.js';
import type { Point } from '../geometry/vector.js';

/** How a field is asked for on a screen. */
export type FieldForm =
  | {
      readonly kind: 'quantity';
      readonly quantity: QuantityName;
      readonly slider?: readonly [number, number];
    }
  | { readonly kind: 'count'; readonly least: number; readonly most: number }
  | { readonly kind: 'option'; readonly options: readonly (string | number | boolean)[] }
  | { readonly kind: 'flag' }
  | { readonly kind: 'text' }
  | { readonly kind: 'list'; readonly quantity: QuantityName }
  | { readonly kind: 'point' }
  | { readonly kind: 'points' }
  | { readonly kind: 'condition'; readonly of: 'members' | 'nodes' }
  | { readonly kind: 'section' }
  | { readonly kind: 'record'; readonly fields: Fields }
  | { readonly kind: 'variants'; readonly variants: Fields }
  | { readonly kind: 'json' };

/** What a field is evaluated with: names, and what names of places mean. */
export interface FieldContext extends Names {
  readonly space: 'plane' | 'solid';
  /** Where a node, or a place on a member, named in a field is; what is wrong with the name otherwise. */
  readonly placeNamed: (name: string) => { readonly at: Point; readonly node?: string } | string;
}

/** One field of a step kind: what it is called, what it may be, and how it becomes a value. */
export interface Field<T> {
  readonly title: string;
  /** More than the title says, with units and limits. */
  readonly about?: string;
  readonly optional: boolean;
  /** What counts where the field is left out; absent: it must be written. */
  readonly fallback?: unknown;
  /** What a new step has there, as written; absent: the fallback. */
  readonly initial?: unknown;
  /** JSON Schema of what may be written. */
  readonly schema: object;
  readonly form: FieldForm;
  /** Shown and used only where another field has one of these values. */
  readonly when?: { readonly field: string; readonly is: readonly unknown[] };
  read(written: unknown, context: FieldContext, place: Place): T;
}

// eslint-disable-next-line @typescript-eslint/no-explicit-any -- a list of fields of any types
export type Fields = Readonly<Record<string, Field<any>>>;

/** Values of a step's fields, SI. */
export type Evaluated<F extends Fields> = {
  readonly [K in keyof F]: F[K] extends Field<infer T> ? T : never;
};

interface Head {
  readonly title: string;
  readonly about?: string;
  readonly initial?: unknown;
  readonly fallback?: unknown;
  readonly when?: Field<unknown>['when'];
}

const expression = { type: ['string', 'number'], maxLength: 400, minLength: 1 } as const;

function field<T>(head: Head, rest: Pick<Field<T>, 'schema' | 'form' | 'read'>): Field<T> {
  return { optional: false, ...head, ...rest };
}

/** The same field, undefined where it is not written. */
export function optional<T>(of: Field<T>): Field<T | undefined> {
  return { ...of, optional: true };
}

/** Only where another field has one of these values; undefined elsewhere. */
export function onlyWhen<T>(name: string, is: readonly unknown[], of: Field<T>): Field<T> {
  return { ...of, when: { field: name, is } };
}

interface Limits {
  /** The value must be greater than zero. */
  readonly above0?: boolean;
  readonly least?: number;
  readonly below?: number;
  /** How limits are told. */
  readonly limits?: string;
  readonly slider?: readonly [number, number];
}

function quantity(name: QuantityName, head: Head & Limits): Field<number> {
  return field(head, {
    schema: expression,
    form: { kind: 'quantity', quantity: name, ...(head.slider ? { slider: head.slider } : {}) },
    read: (written, context, place) =>
      limited(quantityOf(written as Written, context, name, place), head, place),
  });
}

function limited(value: number, { above0, least, below, limits }: Limits, place: Place): number {
  const wrong =
    (above0 === true && value <= 1e-6) ||
    (least !== undefined && value < least) ||
    (below !== undefined && value >= below);
  if (wrong)
    fail(
      'geometry',
      `${sentence(place.what)} is ${Number(value.toPrecision(4))} (SI); it must be ${limits ?? (above0 ? 'greater than zero' : `at least ${least ?? '…'}`)}.`,
      place.where,
    );
  return value;
}

/** A length, m. */
export const length = (head: Head & Limits): Field<number> => quantity('length', head);
/** An angle, rad. */
export const angle = (head: Head & Limits): Field<number> => quantity('angle', head);

/** A whole number. */
export function count(head: Head & { least?: number; most?: number }): Field<number> {
  const { least = 1, most = mostItems } = head;
  return field(head, {
    schema: expression,
    form: { kind: 'count', least, most },
    read: (written, context, place) => countOf(written as Written, context, place, { least, most }),
  });
}

/** One of a few words. */
export function option<const T extends string | number | boolean>(
  options: readonly T[],
  head: Head,
): Field<T> {
  return field(head, {
    schema: { enum: options },
    form: { kind: 'option', options },
    read: (written, _, place) =>
      options.includes(written as T)
        ? (written as T)
        : fail(
            'invalid-design',
            `${sentence(place.what)} must be one of ${options.join(', ')}.`,
            place.where,
          ),
  });
}

/** Yes or no. */
export function flag(head: Head): Field<boolean> {
  return field(
    { fallback: false, ...head },
    {
      schema: { type: 'boolean' },
      form: { kind: 'flag' },
      read: (written) => written === true,
    },
  );
}

/** A word such as a role: letters, digits and hyphens. */
export function word(head: Head): Field<string> {
  return field(head, {
    schema: { type: 'string', pattern: '^[A-Za-z][A-Za-z0-9_-]*$', maxLength: 60 },
    form: { kind: 'text' },
    read: (written) => String(written),
  });
}

/** The name of a section. */
export function sectionName(head: Head): Field<string> {
  return field(head, {
    schema: { type: 'string', minLength: 1, maxLength: 200 },
    form: { kind: 'section' },
    read: (written, context) => {
      const named = context.parameters.get(String(written));
      return named && typeof named.value === 'string' ? named.value : String(written);
    },
  });
}

const listSchema = {
  anyOf: [
    expression,
    { type: 'array', items: expression, maxItems: 100_000 },
    {
      type: 'object',
      properties: { count: expression, each: expression },
      required: ['count', 'each'],
      additionalProperties: false,
    },
  ],
} as const;

/** Lengths one after another, m. */
export function lengths(head: Head & Limits & { least?: number; mayBeEmpty?: boolean }): Field<number[]> {
  return field(head, {
    schema: listSchema,
    form: { kind: 'list', quantity: 'length' },
    read: (written, context, place) => {
      const items = listItems(
        typeof written === 'number' ? String(written) : (written as WrittenList),
        context,
        place,
      );
      if (items.length === 0 && !head.mayBeEmpty)
        fail('geometry', `${sentence(place.what)} has no values; give at least one length.`, place.where);
      return items.map((item, i) => {
        const at = items.length === 1 ? place : { ...place, what: `${place.what} ${i + 1}` };
        return limited(quantityOf(item, context, 'length', at), head, at);
      });
    },
  });
}

/**
 * Places along members: shares (pure numbers) or lengths from the start. In a text `2 * 1.5 m` counts on from the place before:
 * two more, 1.5 m apart.
 */
export function positionsAlong(head: Head): Field<Position[]> {
  return field(head, {
    schema: listSchema,
    form: { kind: 'list', quantity: 'length' },
    read: (written, context, place) => {
      const read = (item: Written) => positionProgram(item, context, place)({});
      if (typeof written !== 'string')
        return listItems(
          typeof written === 'number' ? [written] : (written as WrittenList),
          context,
          place,
        ).map(read);
      const out: Position[] = [];
      for (const part of splitList(written)) {
        const items = listItems(part, context, place);
        for (const item of items) out.push(items.length === 1 ? read(item) : after(out.at(-1), read(item)));
      }
      return out;
    },
  });
}

/** A place as far behind another as it is from the start. */
function after(before: Position | undefined, next: Position): Position {
  if (!before) return next;
  if ('share' in next) return { share: next.share + ('share' in before ? before.share : 0) };
  return { distance: next.distance + ('distance' in before ? before.distance : 0) };
}

/** A point by coordinates in m, or the name of a place. */
export interface NamedPoint {
  readonly at: Point;
  /** Node that stands there already. */
  readonly node?: string;
  /** It was given by the name of a place. */
  readonly named?: boolean;
}

const pointSchema = {
  anyOf: [
    { type: 'string', minLength: 1, maxLength: 400 },
    { type: 'array', items: expression, minItems: 2, maxItems: 3 },
  ],
} as const;

function readPoint(written: unknown, context: FieldContext, place: Place): NamedPoint {
  if (typeof written === 'string') {
    const found = context.placeNamed(written);
    if (typeof found !== 'string') return { ...found, named: true };
    return fail('unknown-name', `${sentence(place.what)}: ${found}`, { ...place.where, name: written });
  }
  const values = (written as Written[]).map((item, k) =>
    quantityOf(item, context, 'length', { ...place, what: `${place.what}, coordinate ${k + 1}` }),
  );
  return { at: values.length === 2 ? [values[0]!, 0, values[1]!] : [values[0]!, values[1]!, values[2]!] };
}

/** A point: [x, y, z] or [x, z] in m, a node's name, or "member@share". */
export function point(head: Head): Field<NamedPoint> {
  return field(head, { schema: pointSchema, form: { kind: 'point' }, read: readPoint });
}

/** A list of points. */
export function points(head: Head & { least?: number }): Field<NamedPoint[]> {
  return field(head, {
    schema: { type: 'array', items: pointSchema, minItems: head.least ?? 2, maxItems: mostItems },
    form: { kind: 'points' },
    read: (written, context, place) =>
      (written as unknown[]).map((item, i) =>
        readPoint(item, context, { ...place, what: `${place.what} ${i + 1}` }),
      ),
  });
}

/** A vector of lengths [x, y, z], m. */
export function offset(head: Head): Field<Point> {
  return field(head, {
    schema: { type: 'array', items: expression, minItems: 2, maxItems: 3 },
    form: { kind: 'point' },
    read: (written, context, place) => readPoint(written, context, place).at,
  });
}

/** A place in plan [x, y], m. */
export function planPoint(head: Head): Field<readonly [number, number]> {
  return field(head, {
    schema: { type: 'array', items: expression, minItems: 2, maxItems: 2 },
    form: { kind: 'point' },
    read: (written, context, place) =>
      (written as Written[]).map((item) => quantityOf(item, context, 'length', place)) as unknown as [
        number,
        number,
      ],
  });
}

/** A condition on the tags of members or nodes. */
export function condition(of: 'members' | 'nodes', head: Head): Field<(tags: Tags) => boolean> {
  return field(head, {
    schema: { type: 'string', minLength: 1, maxLength: 400 },
    form: { kind: 'condition', of },
    read: (written, context, place) => conditionProgram(String(written), context, place),
  });
}

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
): Field<T> {
  return field(head, { schema, form: { kind: 'json' }, read });
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
