import { codeChoiceSchema } from '../model/schema.js';
import { recordFields, type RecordField } from './forms/record-fields.js';
import { expression, object, text } from './rules/schemas.js';
import type { AxisSet, Design, DesignCombination } from './types.js';

/** JSON Schema of what every alternative is calculated by. */
export const analysisSchema = object({ order: { enum: [1, 2] }, imperfections: { type: 'boolean' } });

/** JSON Schema of one set of grid lines. */
export const axisSchema = object(
  {
    along: { enum: ['x', 'y', 'z'] },
    at: { type: 'array', items: expression, maxItems: 500 },
    names: { enum: ['A', '1'] },
  },
  ['along', 'at', 'names'],
);

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
      // Whether checks want imperfections is asked once, of the analysis
      ({ path }) => path !== 'code/imperfections',
    ),
  ];
}

/** A set of grid lines, field by field. */
export const axisFields = (axis: AxisSet): RecordField[] => recordFields(axisSchema, axis);

/** Title and state of a combination; its factors are a row of the matrix. */
export const combinationFields = (combination: DesignCombination): RecordField[] =>
  recordFields(combinationSchema, combination).filter(({ path }) => !path.startsWith('factors'));
