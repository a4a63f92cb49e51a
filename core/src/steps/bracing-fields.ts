import { listItems, quantityOf, type WrittenList } from '../language/evaluate.js';
import { length, onlyWhen, option, optional, type Field } from '../fields/index.js';
import { fail } from '../base/problem.js';

/** Legs of a knee: one length for both, or [down, across]. */
const knee: Field<readonly [number, number]> = {
  title: 'Legs of the knee',
  about: 'Down the column and along the beam; one length for both, or two.',
  optional: false,
  initial: '1 m',
  schema: {
    anyOf: [
      { type: ['string', 'number'] },
      { type: 'array', minItems: 2, maxItems: 2, items: { type: ['string', 'number'] } },
    ],
  },
  form: { kind: 'list', quantity: 'length', as: 'text' },
  read: (written, context, place) => {
    const items = listItems(
      typeof written === 'number' ? String(written) : (written as WrittenList),
      context,
      place,
    );
    if (items.length < 1 || items.length > 2)
      fail(
        'geometry',
        `${place.what} takes one length, or two: down the column and along the beam.`,
        place.where,
      );
    const [down, across = down] = items.map((item) => quantityOf(item, context, 'length', place));
    return [down!, across!];
  },
};

/** Fields that go with a bracing pattern, which stands in the field named `pattern`. */
export function bracingFields(pattern: string) {
  return {
    lean: onlyWhen(
      pattern,
      ['diagonal'],
      option(['right', 'left', 'alternate'], {
        title: 'Lean',
        about: 'Right: from lower left to upper right.',
        fallback: 'right',
      }),
    ),
    link: onlyWhen(pattern, ['eccentric'], optional(length({ title: 'Link', initial: '1 m', above0: true }))),
    knee: onlyWhen(pattern, ['knee'], optional(knee)),
    crossing: onlyWhen(
      pattern,
      ['x'],
      option(['free', 'joined'], {
        title: 'Crossing',
        about: 'Whether the two diagonals are joined where they cross.',
        fallback: 'free',
      }),
    ),
  };
}
