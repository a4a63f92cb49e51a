import { fail } from '../base/problem.js';
import { mostItems, quantityOf, type Written } from '../language/evaluate.js';
import { sentence, type Place } from '../language/tree.js';
import type { Point } from '../geometry/vector.js';
import { field, type Field, type FieldContext, type Head } from './field.js';
import { expression } from './schemas.js';

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

/** A point: [x, y, z] or [x, z] in m, a node's name, or "member@fraction". */
export function point(head: Head): Field<NamedPoint> {
  return field(head, { schema: pointSchema, form: { kind: 'point' }, read: readPoint });
}

/** A list of points. */
export function points(head: Head & { least?: number }): Field<NamedPoint[]> {
  return field(head, {
    schema: { type: 'array', items: pointSchema, minItems: head.least ?? 2, maxItems: mostItems },
    form: { kind: 'points', plane: 'xz', least: head.least ?? 2 },
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
