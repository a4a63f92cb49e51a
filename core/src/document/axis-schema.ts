import { recordFields, type RecordField } from '../fields/record-fields.js';
import { expression, object } from '../fields/schemas.js';
import type { AxisSet } from './types.js';

/** JSON Schema of one set of grid lines. */
export const axisSchema = object(
  {
    along: { enum: ['x', 'y', 'z'] },
    at: { type: 'array', items: expression, maxItems: 500 },
    names: { enum: ['A', '1'] },
  },
  ['along', 'at', 'names'],
);

/** A set of grid lines, field by field. */
export const axisFields = (axis: AxisSet): RecordField[] => recordFields(axisSchema, axis);
