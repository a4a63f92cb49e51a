import { codeChoiceSchema } from '../model/schema.js';
import { recordFields, type RecordField } from '../fields/record-fields.js';
import { object } from '../fields/schemas.js';
import type { Design } from './types.js';

/** JSON Schema of what every alternative is calculated by. */
export const analysisSchema = object({
  order: { enum: [1, 2] },
  imperfections: { type: 'boolean' },
  massFrom: {
    type: 'object',
    additionalProperties: { type: 'number', minimum: 0, maximum: 100 },
    maxProperties: 100,
  },
});

/** What a design is calculated by, field by field: `analysis/order`, `code/gammaM1` … */
export function settingsFields({
  space,
  analysis,
  code,
}: Pick<Design, 'space' | 'analysis' | 'code'>): RecordField[] {
  return [
    ...recordFields({ enum: ['plane', 'solid'] }, space, 'space'),
    ...recordFields(analysisSchema, analysis, 'analysis'),
    ...recordFields(codeChoiceSchema, code, 'code').filter(
      // Whether checks want imperfections is asked once, of the analysis; how second order is analysed only where the code leaves a choice
      ({ path }) => path !== 'code/imperfections' && (path !== 'code/analysis' || code.name === 'AISC360'),
    ),
  ];
}
