import { condition, custom, number, objectSchema, option, optional, text, written } from '../fields/index.js';
import { expression } from '../fields/schemas.js';

/** The fields of a figure, of all kinds; what each kind reads of them is in `evaluation/figures`. */
export const allFigureFields = {
  id: text({ title: 'id' }),
  title: text({ title: 'title' }),
  kind: text({ title: 'kind' }),
  members: optional(condition('members', { title: 'members where' })),
  nodes: optional(condition('nodes', { title: 'nodes where' })),
  component: optional(text({ title: 'component' })),
  sense: optional(option(['magnitude', 'greatest', 'least'], { title: 'sense' })),
  number: optional(number({ title: 'which one', whole: true, least: 1, most: 100 })),
  limit: optional(written('', { title: 'at most' })),
  judgedBy: optional(option(['strength', 'service', 'none'], { title: 'judged by' })),
  rates: optional(
    custom(
      { title: 'rates' },
      { type: 'object', additionalProperties: expression, maxProperties: 500 },
      (given) => given,
    ),
  ),
};

/** JSON Schema of a figure. */
export const figureSchema = objectSchema(allFigureFields);
