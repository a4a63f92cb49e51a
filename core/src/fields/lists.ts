import { fail } from '../base/problem.js';
import {
  listItems,
  positionProgram,
  quantityOf,
  splitList,
  type Position,
  type Written,
  type WrittenList,
} from '../language/evaluate.js';
import { sentence } from '../language/tree.js';
import { field, type Field, type Head } from './field.js';
import { expression } from './schemas.js';
import { limited, type Limits } from './simple.js';

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
    form: { kind: 'list', quantity: 'length', as: 'text' },
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
    form: { kind: 'list', quantity: 'length', as: 'text' },
    read: (written, context, place) => {
      const read = (item: Written) => positionProgram(item, context, place)({ tags: {} });
      if (typeof written !== 'string' && !Array.isArray(written))
        return listItems(
          typeof written === 'number' ? [written] : (written as WrittenList),
          context,
          place,
        ).map(read);
      const out: Position[] = [];
      for (const part of Array.isArray(written) ? (written as readonly Written[]) : splitList(written)) {
        if (typeof part === 'number') {
          out.push(read(part));
          continue;
        }
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
  if ('fraction' in next) return { fraction: next.fraction + ('fraction' in before ? before.fraction : 0) };
  return { distance: next.distance + ('distance' in before ? before.distance : 0) };
}
