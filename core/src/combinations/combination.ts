import { recordFields, type RecordField } from '../fields/record-fields.js';
import { object, text } from '../fields/schemas.js';
import type { DesignCombination } from '../document/types.js';

/** JSON Schema of a combination of load cases. */
export const combinationSchema = object(
  {
    id: text,
    title: text,
    state: { enum: ['strength', 'service'] },
    factors: { type: 'object', additionalProperties: { type: 'number' }, maxProperties: 500 },
  },
  ['id', 'state', 'factors'],
);

/** Title and state of a combination; its factors are a row of the matrix. */
export const combinationFields = (combination: DesignCombination): RecordField[] =>
  recordFields(combinationSchema, combination).filter(({ path }) => !path.startsWith('factors'));
