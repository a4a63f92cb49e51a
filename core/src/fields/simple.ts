import { fail } from '../base/problem.js';
import type { QuantityName } from '../units/quantities.js';
import {
  conditionProgram,
  type Condition,
  countOf,
  mostItems,
  quantityOf,
  quantityProgram,
  type WithTags,
  type Written,
} from '../language/evaluate.js';
import { sentence, type Place } from '../language/tree.js';
import { field, type Field, type Head } from './field.js';
import { expression } from './schemas.js';

const shortText = { type: 'string', minLength: 1, maxLength: 200 } as const;

export interface Limits {
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

/** A value within its limits. @throws ProblemError `geometry` */
export function limited(value: number, { above0, least, below, limits }: Limits, place: Place): number {
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

/** A quantity that may read the tags of members or nodes, evaluated for each of them. */
export function byTags(
  name: QuantityName,
  head: Head & { of?: 'members' | 'nodes' },
): Field<(one: WithTags) => number> {
  return field(head, {
    schema: expression,
    form: { kind: 'quantity', quantity: name, of: head.of ?? 'members' },
    read: (written, context, place) =>
      quantityProgram(written as Written, { ...context, tags: true }, name, place),
  });
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

/** One of a few words, under other names where `labels` has them. */
export function option<const T extends string | number | boolean>(
  options: readonly T[],
  head: Head & { labels?: Readonly<Record<string, string>> },
): Field<T> {
  const { labels = {} } = head;
  return field(head, {
    schema: { enum: options },
    form: {
      kind: 'option',
      options: options.map((value) => ({ value, label: labels[String(value)] ?? String(value) })),
    },
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

/** A word or some such as a role: letters, digits, hyphens and spaces between them. */
export function word(head: Head): Field<string> {
  return field(head, {
    schema: { type: 'string', pattern: '^[A-Za-z][A-Za-z0-9_-]*( [A-Za-z0-9_-]+)*$', maxLength: 60 },
    form: { kind: 'text' },
    read: (written) => String(written),
  });
}

/** A text of a length, in people's words. */
export function text(head: Head & { most?: number }): Field<string> {
  return field(head, {
    schema: { type: 'string', minLength: 1, maxLength: head.most ?? 200 },
    form: { kind: 'text' },
    read: (written) => String(written),
  });
}

/** Names of places are at most this long. */
const longestPlace = 60;

/** An end of a member: `start`, `end`, `both`, or where a place is. */
export function memberEnd(head: Head): Field<string> {
  return field(head, {
    schema: { type: 'string', minLength: 1, maxLength: longestPlace },
    form: { kind: 'end' },
    read: (written) => String(written),
  });
}

/** A plain number, not a formula. */
export function number(head: Head & { least?: number; most?: number; whole?: boolean }): Field<number> {
  const { least, most, whole } = head;
  return field(head, {
    schema: {
      type: whole ? 'integer' : 'number',
      ...(least === undefined ? {} : { minimum: least }),
      ...(most === undefined ? {} : { maximum: most }),
    },
    form: { kind: 'number' },
    read: (written) => written as number,
  });
}

/** A quantity that is evaluated elsewhere, as it is written. */
export const written = (quantity: QuantityName | '', head: Head): Field<Written> =>
  field(head, {
    schema: expression,
    form: { kind: 'quantity', quantity },
    read: (given) => given as Written,
  });

/** The id of a load case of the design. */
export const loadCase = (head: Head): Field<string> =>
  field(head, { schema: shortText, form: { kind: 'case' }, read: (given) => String(given) });

/** Ids of load cases of the design. */
export const loadCases = (head: Head): Field<string[]> =>
  field(head, {
    schema: { type: 'array', items: shortText, maxItems: 100 },
    form: { kind: 'cases' },
    read: (given) => given as string[],
  });

/** The name of a section or material, or `{ "parameter": … }` that names one. @throws ProblemError `unknown-name` for a parameter that does not */
export function reference(kind: 'section' | 'material', head: Head): Field<string> {
  return field(head, {
    schema: {
      anyOf: [
        shortText,
        {
          type: 'object',
          properties: { parameter: shortText },
          required: ['parameter'],
          additionalProperties: false,
        },
      ],
    },
    form: { kind },
    read: (given, context, place) => {
      if (typeof given === 'string') return given;
      const { parameter } = given as { parameter: string };
      const named = context.parameters.get(parameter);
      return typeof named?.value === 'string'
        ? named.value
        : fail('unknown-name', `In ${place.what}: "${parameter}" is no section or material parameter.`, {
            ...place.where,
            parameter,
          });
    },
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

/** A condition on the tags of members or nodes. */
export function condition(of: 'members' | 'nodes', head: Head): Field<Condition> {
  return field(head, {
    schema: { type: 'string', minLength: 1, maxLength: 400 },
    form: { kind: 'condition', of },
    read: (written, context, place) => conditionProgram(String(written), context, place),
  });
}
