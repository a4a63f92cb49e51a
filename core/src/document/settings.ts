import {
  custom,
  flag,
  number,
  objectSchema,
  option,
  optional,
  record,
  type Field,
  type Fields,
} from '../fields/index.js';
import type { Design } from './types.js';

const analysisFields = {
  order: optional(option([1, 2], { title: 'order' })),
  imperfections: optional(flag({ title: 'imperfections' })),
};

/** JSON Schema of what every alternative is calculated by; masses from loads are written in the text of the design. */
export const analysisSchema = objectSchema({
  ...analysisFields,
  massFrom: optional(
    custom(
      { title: 'masses from loads' },
      {
        type: 'object',
        additionalProperties: { type: 'number', minimum: 0, maximum: 100 },
        maxProperties: 100,
      },
      (given) => given,
    ),
  ),
});

const factor = (title: string): Field<number | undefined> => optional(number({ title }));

/** Fields of a code's choice; those of either code alone stand apart. */
const codeFields = {
  name: optional(
    option(['EN1993', 'AISC360'], {
      title: 'code',
      labels: { EN1993: 'EN 1993-1-1', AISC360: 'ANSI/AISC 360-22' },
    }),
  ),
  gammaM0: factor('γM0'),
  gammaM1: factor('γM1'),
  gammaM2: factor('γM2'),
  eta: factor('η (shear)'),
  interaction: optional(option(['A', 'B'], { title: 'kij by annex' })),
  lateralTorsional: optional(option(['rolled', 'general'], { title: 'χLT by curves of' })),
  analysis: optional(
    option(['direct', 'effective-length'], {
      title: 'second order by',
      labels: { direct: 'direct analysis (C2)', 'effective-length': 'effective length (Appendix 7)' },
    }),
  ),
};

/** What a design is calculated by: its space, its analysis, its code. How second order is analysed is asked where the code leaves a choice. */
export function settingsFields({ code }: Pick<Design, 'code'>): Fields {
  const { analysis, ...others } = codeFields;
  return {
    space: option(['plane', 'solid'], { title: 'space' }),
    analysis: record(analysisFields, { title: '' }),
    code: record(code.name === 'AISC360' ? { ...others, analysis } : others, { title: '' }),
  };
}
