import { custom, objectSchema, option, type Fields } from '../fields/index.js';
import { expression } from '../fields/schemas.js';

/** The fields of one set of grid lines. */
export const axisFields: Fields = {
  along: option(['x', 'y', 'z'], { title: 'along' }),
  at: custom({ title: 'at' }, { type: 'array', items: expression, maxItems: 500 }, (given) => given, {
    kind: 'list',
    quantity: 'length',
    as: 'list',
  }),
  names: option(['A', '1'], { title: 'called' }),
};

/** JSON Schema of one set of grid lines. */
export const axisSchema = objectSchema(axisFields);
