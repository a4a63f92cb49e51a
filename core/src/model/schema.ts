/** JSON Schema (draft 7) of the frame model file. The meaning of each field is in `types.ts`. */
const id = { type: 'string', minLength: 1, maxLength: 200 } as const;
const number = { type: 'number' } as const;
const positive = { type: 'number', exclusiveMinimum: 0 } as const;
const vector = { type: 'array', items: number, minItems: 3, maxItems: 3 } as const;
const restraint = { anyOf: [{ const: 'fixed' }, positive] } as const;
const release = { anyOf: [{ const: 'free' }, positive] } as const;
const fraction = { type: 'number', minimum: 0, maximum: 1 } as const;

const object = (properties: Record<string, unknown>, required: string[] = []) => ({
  type: 'object',
  properties,
  required,
  additionalProperties: false,
});
const list = (items: unknown) => ({ type: 'array', items });
const six = (names: readonly string[], schema: unknown) =>
  Object.fromEntries(names.map((name) => [name, schema]));

const freedoms = ['ux', 'uy', 'uz', 'rx', 'ry', 'rz'];
const hinges = object(six(['N', 'Vy', 'Vz', 'T', 'My', 'Mz'], release));

const rawProperties = object(
  {
    A: positive,
    ...six(['Iy', 'Iz', 'J', 'Avy', 'Avz', 'Iw', 'Wely', 'Welz', 'Wply', 'Wplz', 'h', 'b'], positive),
    Iyz: number,
  },
  ['A'],
);

const notNegative = { type: 'number', minimum: 0 } as const;
const shapeOf = (
  type: string,
  dimensions: readonly string[],
  radii: readonly string[] = [],
  more: Record<string, unknown> = {},
  required: readonly string[] = [],
) =>
  object({ type: { const: type }, ...six(dimensions, positive), ...six(radii, notNegative), ...more }, [
    'type',
    ...dimensions,
    ...required,
  ]);
const taperedFlanges = { slope: { type: 'number', minimum: 0, maximum: 0.5 }, tfAt: notNegative } as const;
const corners = {
  type: 'array',
  minItems: 3,
  maxItems: 2000,
  items: { type: 'array', items: number, minItems: 2, maxItems: 3 },
} as const;
const shapes: Record<string, unknown> = {
  channel: shapeOf('channel', ['h', 'b', 'tw', 'tf'], ['r', 'r2'], taperedFlanges),
  tee: shapeOf('tee', ['h', 'b', 'tw', 'tf'], ['r']),
  angle: shapeOf('angle', ['h', 'b', 't'], ['r', 'r2']),
  'rectangular-hollow': shapeOf('rectangular-hollow', ['h', 'b', 't'], ['ro', 'ri']),
  'circular-hollow': shapeOf('circular-hollow', ['d', 't']),
  rectangle: shapeOf('rectangle', ['h', 'b']),
  round: shapeOf('round', ['d']),
  'plate-box': shapeOf('plate-box', ['h', 'b', 'tw', 'tf'], ['c']),
  'plated-i': shapeOf('plated-i', ['h', 'b', 'tw', 'tf', 'bp', 'tp'], ['r'], {
    plates: { enum: ['both', 'top', 'bottom'] },
  }),
  'double-channel': shapeOf(
    'double-channel',
    ['h', 'b', 'tw', 'tf'],
    ['r', 'r2', 'gap'],
    { ...taperedFlanges, facing: { enum: ['backs', 'toes'] } },
    ['gap', 'facing'],
  ),
  outline: object(
    { type: { const: 'outline' }, points: corners, holes: { type: 'array', items: corners, maxItems: 100 } },
    ['type', 'points'],
  ),
};
const equalI = shapeOf('i', ['h', 'b', 'tw', 'tf'], ['r', 'r2'], taperedFlanges);
const unequalI = shapeOf('i', ['h', 'bTop', 'tfTop', 'bBottom', 'tfBottom', 'tw'], ['r']);

/** The JSON Schema of a shape of this type: with two flanges of their own where it has the width of the top one. */
export function shapeSchemaOf(shape: { readonly type: string }): object {
  if (shape.type === 'i') return 'bTop' in shape ? unequalI : equalI;
  return shapes[shape.type] as object;
}

const shape = {
  type: 'object',
  required: ['type'],
  properties: { type: { enum: ['i', ...Object.keys(shapes)] } },
  // Each type by its own dimensions, so that a deviation is told for that type only
  allOf: [
    ...Object.entries(shapes).map(([type, schema]) => ({
      if: { properties: { type: { const: type } }, required: ['type'] },
      then: schema,
    })),
    {
      if: { properties: { type: { const: 'i' } }, required: ['type', 'bTop'] },
      then: unequalI,
      else: {
        if: { properties: { type: { const: 'i' } }, required: ['type'] },
        then: equalI,
      },
    },
  ],
};

export const codeChoiceSchema = object({
  name: { enum: ['EN1993', 'AISC360'] },
  ...six(['gammaM0', 'gammaM1', 'gammaM2', 'eta'], positive),
  interaction: { enum: ['A', 'B'] },
  lateralTorsional: { enum: ['rolled', 'general'] },
  imperfections: { type: 'boolean' },
  analysis: { enum: ['direct', 'effective-length'] },
});

/** Kinds of action. */
export const loadCategories = [
  'permanent',
  'imposed',
  'snow',
  'wind',
  'temperature',
  'crane',
  'prestress',
  'accidental',
  'seismic',
] as const;

/** A number, or one for each flange. */
const flangeLengths = {
  if: { type: 'object' },
  then: object({ top: notNegative, bottom: notNegative }, ['top', 'bottom']),
  else: notNegative,
};

/** A node, or a node with the flange that it holds. */
const flangeRestraint = {
  if: { type: 'object' },
  then: object({ node: id, flange: { enum: ['top', 'bottom', 'both'] } }, ['node']),
  else: id,
};

const memberDesign = object({
  ...six(['Lcy', 'Lcz', 'LT'], notNegative),
  LLT: flangeLengths,
  lengths: { enum: ['given', 'buckling-analysis'] },
  restraints: list(flangeRestraint),
  ...six(['C1', 'Cmy', 'Cmz', 'CmLT'], positive),
  C2: number,
  sway: { type: 'boolean' },
  zg: number,
  connection: { enum: ['centric', 'oneLeg'] },
  bolts: { enum: [1, 2] },
  group: id,
  deflection: object({ limit: positive, from: { enum: ['chord', 'start', 'end'] } }, ['limit']),
  restrains: { type: 'integer', minimum: 1, maximum: 1000 },
});

const load = {
  type: 'object',
  required: ['kind'],
  discriminator: { propertyName: 'kind' },
  oneOf: [
    object({ kind: { const: 'node' }, node: id, F: vector, M: vector }, ['kind', 'node']),
    object(
      {
        kind: { const: 'distributed' },
        member: id,
        axes: { enum: ['global', 'local'] },
        direction: { enum: ['x', 'y', 'z'] },
        q: { type: 'array', items: number, minItems: 2, maxItems: 2 },
        from: fraction,
        to: fraction,
        per: { enum: ['length', 'projected'] },
      },
      ['kind', 'member', 'direction', 'q'],
    ),
    object(
      {
        kind: { const: 'point' },
        member: id,
        at: fraction,
        axes: { enum: ['global', 'local'] },
        F: vector,
        M: vector,
      },
      ['kind', 'member', 'at'],
    ),
    object(
      {
        kind: { const: 'temperature' },
        member: id,
        uniform: number,
        gradientY: number,
        gradientZ: number,
      },
      ['kind', 'member'],
    ),
    object({ kind: { const: 'pretension' }, member: id, force: number }, ['kind', 'member', 'force']),
    object({ kind: { const: 'settlement' }, node: id, ...six(freedoms, number) }, ['kind', 'node']),
  ],
};

/** One material: a grade of the library, or all its constants. */
export const materialSchema = object(
  {
    id,
    kind: { type: 'string' },
    ...six(['E', 'G', 'density', 'fy', 'fu'], positive),
    expansion: number,
  },
  ['id'],
);

/** One section by profile, shape or properties. */
export const sectionSchema = object(
  {
    id,
    material: id,
    profile: id,
    shape,
    properties: rawProperties,
    shearDeformation: { type: 'boolean' },
    fabrication: { enum: ['rolled', 'welded', 'hot-finished', 'cold-formed'] },
  },
  ['id', 'material'],
);

/** The frame model's definition. */
export const frameModelSchema = {
  $schema: 'http://json-schema.org/draft-07/schema#',
  $id: 'hashira-frame-1',
  title: 'Hashira frame model',
  ...object(
    {
      format: { const: 'hashira-frame' },
      version: { const: 1 },
      title: { type: 'string' },
      space: { enum: ['plane', 'solid'] },
      materials: list(materialSchema),
      sections: list(sectionSchema),
      nodes: list(object({ id, x: number, y: number, z: number }, ['id', 'x', 'z'])),
      members: list(
        object(
          {
            id,
            start: id,
            end: id,
            section: id,
            endSection: id,
            roll: number,
            action: { enum: ['frame', 'axial', 'tension-only', 'compression-only'] },
            hinges: object({ start: hinges, end: hinges }),
            offsets: object({ start: vector, end: vector }),
            design: memberDesign,
          },
          ['id', 'start', 'end', 'section'],
        ),
      ),
      supports: list(
        object(
          {
            node: id,
            axes: object({ x: vector, y: vector }, ['x', 'y']),
            ...six(freedoms, restraint),
          },
          ['node'],
        ),
      ),
      rigidGroups: list(
        object(
          {
            id,
            nodes: { type: 'array', items: id, minItems: 1 },
            kind: { enum: ['plane', 'body'] },
            normal: vector,
          },
          ['id', 'nodes', 'kind'],
        ),
      ),
      masses: list(object({ node: id, m: positive }, ['node', 'm'])),
      massFrom: { type: 'object', additionalProperties: notNegative },
      code: codeChoiceSchema,
      loadCases: list(
        object(
          {
            id,
            category: {
              enum: loadCategories,
            },
            selfWeight: number,
            loads: list(load),
          },
          ['id'],
        ),
      ),
      combinations: list(
        object(
          {
            id,
            title: { type: 'string' },
            state: { enum: ['strength', 'service'] },
            factors: { type: 'object', additionalProperties: number },
          },
          ['id', 'state', 'factors'],
        ),
      ),
      trains: list(
        object(
          {
            id,
            case: id,
            members: { type: 'array', items: id, minItems: 1 },
            forces: { type: 'array', items: number, minItems: 1 },
            gaps: { type: 'array', items: notNegative },
            direction: vector,
          },
          ['id', 'case', 'members', 'forces', 'gaps', 'direction'],
        ),
      ),
    },
    ['format', 'version', 'space', 'materials', 'sections', 'nodes', 'members'],
  ),
} as const;
