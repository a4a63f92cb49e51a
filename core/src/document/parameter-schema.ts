import { custom, objectSchema, option, optional, text, type Field, type Fields } from '../fields/index.js';
import { quantities, type QuantityName } from '../units/quantities.js';
import type { Parameter } from './types.js';

/** A formula, evaluated with all parameters at once. */
const formula = (title: string, quantity: QuantityName | ''): Field<string> =>
  custom({ title }, { type: 'string', minLength: 1, maxLength: 400 }, (given) => String(given), {
    kind: 'quantity',
    quantity,
  });

const head = { name: text({ title: 'name' }), title: text({ title: 'title' }) };
const group = optional(text({ title: 'group' }));
const rangeOf = (quantity: QuantityName | '') => ({
  min: optional(formula('min', quantity)),
  max: optional(formula('max', quantity)),
  step: optional(formula('step', quantity)),
});
const quantity = {
  ...head,
  kind: option(['quantity'], { title: 'kind' }),
  quantity: option(Object.keys(quantities), { title: 'quantity' }),
  value: formula('value', ''),
  ...rangeOf(''),
  group,
};
const name = {
  ...head,
  kind: option(['section', 'material'], { title: 'kind' }),
  value: text({ title: 'value' }),
  group,
};

/** JSON Schema of a parameter; the meaning is in `types.ts`. */
export const parameterSchema = {
  type: 'object',
  discriminator: { propertyName: 'kind' },
  required: ['kind'],
  oneOf: [objectSchema(quantity), objectSchema(name)],
};

/** What a parameter is called and its range. Its value is changed in its row, its name with all its uses; what it is of stays. */
export const parameterFields = (parameter: Parameter): Fields => ({
  title: head.title,
  ...(parameter.kind === 'quantity' ? rangeOf(parameter.quantity) : {}),
  group,
});

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
