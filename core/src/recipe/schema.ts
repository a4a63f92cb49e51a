/** JSON Schema (draft 7) of the design document. The meaning of each field is in `types.ts`. */
const text = { type: 'string', minLength: 1, maxLength: 200 } as const;
const expression = { type: 'string', minLength: 1, maxLength: 400 } as const;
const object = (properties: Record<string, unknown>, required: string[] = []) => ({
  type: 'object',
  properties,
  required,
  additionalProperties: false,
});
const list = (items: unknown, maxItems: number) => ({ type: 'array', items, maxItems });
const map = (items: unknown) => ({ type: 'object', additionalProperties: items, maxProperties: 500 });

const nameReference = { anyOf: [text, object({ parameter: text }, ['parameter'])] };
const freedoms = ['ux', 'uy', 'uz', 'rx', 'ry', 'rz'];
const support = {
  anyOf: [
    { enum: ['fixed', 'pinned', 'roller'] },
    object(Object.fromEntries(freedoms.map((freedom) => [freedom, expression]))),
  ],
};
const rule = object(
  {
    id: text,
    title: text,
    where: expression,
    set: object({
      section: nameReference,
      material: nameReference,
      lengths: object({ Lcy: expression, Lcz: expression, LT: expression, LLT: expression }),
    }),
    support,
    hinge: { type: 'array', items: { enum: ['N', 'Vy', 'Vz', 'T', 'My', 'Mz'] }, minItems: 1, maxItems: 6 },
    load: object(
      {
        case: text,
        axes: { enum: ['global', 'local'] },
        direction: { enum: ['x', 'y', 'z'] },
        q: expression,
        per: { enum: ['length', 'projected'] },
      },
      ['case', 'direction', 'q'],
    ),
  },
  ['id', 'where'],
);
const portalFields = {
  bays: { type: 'array', items: expression, minItems: 1, maxItems: 40 },
  eaves: expression,
  roof: { enum: ['flat', 'mono', 'duo'] },
  pitch: expression,
};
const changes = object({
  parameters: map(expression),
  steps: map(object(portalFields)),
  rules: list(rule, 200),
});

/** The design document's definition. */
export const designSchema = {
  $schema: 'http://json-schema.org/draft-07/schema#',
  $id: 'hashira-design-1',
  title: 'Hashira design',
  ...object(
    {
      format: { const: 'hashira-design' },
      version: { const: 1 },
      title: text,
      space: { enum: ['plane', 'solid'] },
      parameters: list(
        {
          type: 'object',
          discriminator: { propertyName: 'kind' },
          required: ['kind'],
          oneOf: [
            object(
              {
                name: text,
                title: text,
                kind: { const: 'quantity' },
                quantity: {
                  enum: [
                    'length',
                    'dimension',
                    'deflection',
                    'angle',
                    'force',
                    'moment',
                    'lineLoad',
                    'areaLoad',
                    'stress',
                    'mass',
                    'rotationalSpring',
                    'spring',
                    'area',
                    'sectionModulus',
                    'secondMoment',
                    'number',
                  ],
                },
                value: expression,
                min: expression,
                max: expression,
                step: expression,
              },
              ['name', 'title', 'kind', 'quantity', 'value'],
            ),
            object({ name: text, title: text, kind: { enum: ['section', 'material'] }, value: text }, [
              'name',
              'title',
              'kind',
              'value',
            ]),
          ],
        },
        500,
      ),
      steps: list(
        object({ id: text, make: { enum: ['portal'] }, ...portalFields }, [
          'id',
          'make',
          'bays',
          'eaves',
          'roof',
        ]),
        100,
      ),
      rules: list(rule, 500),
      loadCases: list(
        object(
          {
            id: text,
            title: text,
            nature: {
              enum: ['permanent', 'imposed', 'snow', 'wind', 'temperature', 'crane', 'accidental', 'seismic'],
            },
            selfWeight: { type: 'number' },
          },
          ['id', 'title', 'nature'],
        ),
        100,
      ),
      combinations: list(
        object(
          {
            id: text,
            title: text,
            state: { enum: ['strength', 'service'] },
            factors: map({ type: 'number' }),
          },
          ['id', 'state', 'factors'],
        ),
        500,
      ),
      choices: list(
        object(
          {
            id: text,
            title: text,
            options: {
              ...list(object({ id: text, title: text, changes }, ['id', 'title', 'changes']), 50),
              minItems: 1,
            },
          },
          ['id', 'title', 'options'],
        ),
        50,
      ),
      alternatives: {
        ...list(
          object({ id: text, title: text, picks: map(text), parameters: map(expression) }, [
            'id',
            'title',
            'picks',
          ]),
          40,
        ),
        minItems: 1,
      },
      reference: text,
    },
    [
      'format',
      'version',
      'title',
      'space',
      'parameters',
      'steps',
      'rules',
      'loadCases',
      'combinations',
      'choices',
      'alternatives',
      'reference',
    ],
  ),
} as const;
