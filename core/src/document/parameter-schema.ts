import { quantities, type QuantityName } from '../units/quantities.js';
import { recordFields, type RecordField } from '../fields/record-fields.js';
import { object, text } from '../fields/schemas.js';
import type { Parameter } from './types.js';

const formula = { type: 'string', minLength: 1, maxLength: 400 } as const;

const quantity = object(
  {
    name: text,
    title: text,
    kind: { const: 'quantity' },
    quantity: { enum: Object.keys(quantities) },
    value: formula,
    min: formula,
    max: formula,
    step: formula,
    group: text,
  },
  ['name', 'title', 'kind', 'quantity', 'value'],
);
const name = object(
  { name: text, title: text, kind: { enum: ['section', 'material'] }, value: text, group: text },
  ['name', 'title', 'kind', 'value'],
);

/** JSON Schema of a parameter; the meaning is in `types.ts`. */
export const parameterSchema = {
  type: 'object',
  discriminator: { propertyName: 'kind' },
  required: ['kind'],
  oneOf: [quantity, name],
};

/** Changed elsewhere: the value in its row, the name with all its uses; what it is of stays. */
const elsewhere = new Set(['name', 'kind', 'quantity', 'value']);

/** What a parameter is called and its range, field by field. */
export function parameterFields(parameter: Parameter): RecordField[] {
  return recordFields(parameter.kind === 'quantity' ? quantity : name, parameter).filter(
    ({ path }) => !elsewhere.has(path),
  );
}

/** What a new parameter may be of, each with the value that it begins with. */
export const parameterStarts: readonly {
  readonly title: string;
  readonly of: QuantityName | 'section' | 'material';
  readonly value: string;
}[] = [
  { title: 'length', of: 'length', value: '1 m' },
  { title: 'angle', of: 'angle', value: '10 deg' },
  { title: 'number', of: 'number', value: '1' },
  { title: 'force', of: 'force', value: '10 kN' },
  { title: 'moment', of: 'moment', value: '10 kN m' },
  { title: 'line load', of: 'lineLoad', value: '1 kN/m' },
  { title: 'area load', of: 'areaLoad', value: '1 kN/m^2' },
  { title: 'mass', of: 'mass', value: '100 kg' },
  { title: 'temperature', of: 'temperature', value: '20 K' },
  { title: 'section', of: 'section', value: 'IPE 200' },
  { title: 'material', of: 'material', value: 'S355' },
];

/** A new parameter of a kind, under a name that is free. */
export function initialParameter(
  { title, of, value }: (typeof parameterStarts)[number],
  taken: readonly string[],
): Parameter {
  const plain = title.replaceAll(' ', '_');
  let n = 1;
  while (taken.includes(`${plain}_${n}`)) n++;
  const head = { name: `${plain}_${n}`, title: `${title[0]!.toUpperCase()}${title.slice(1)} ${n}` };
  return of === 'section' || of === 'material'
    ? { ...head, kind: of, value }
    : { ...head, kind: 'quantity', quantity: of, value };
}
