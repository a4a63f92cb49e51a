import { custom, objectSchema, option, optional, text, type Fields } from '../fields/index.js';

/** Title and state of a combination; its factors are a row of the matrix. */
export const combinationFields: Fields = {
  title: optional(text({ title: 'title' })),
  state: option(['strength', 'service'], { title: 'state' }),
};

/** JSON Schema of a combination of load cases. */
export const combinationSchema = objectSchema({
  id: text({ title: 'id' }),
  ...combinationFields,
  factors: custom(
    { title: 'factors' },
    { type: 'object', additionalProperties: { type: 'number' }, maxProperties: 500 },
    (given) => given,
  ),
});
