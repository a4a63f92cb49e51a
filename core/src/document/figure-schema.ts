import { expression, object, text } from '../fields/schemas.js';

/** JSON Schema of a figure; what each kind reads of it is in `compare/figures`. */
export const figureSchema = object(
  {
    id: text,
    title: text,
    kind: text,
    members: { type: 'string', minLength: 1, maxLength: 400 },
    nodes: { type: 'string', minLength: 1, maxLength: 400 },
    component: text,
    sense: { enum: ['magnitude', 'greatest', 'least'] },
    number: { type: 'integer', minimum: 1, maximum: 100 },
    limit: expression,
    judgedBy: { enum: ['strength', 'service', 'none'] },
    rates: { type: 'object', additionalProperties: expression, maxProperties: 500 },
  },
  ['id', 'title', 'kind'],
);
