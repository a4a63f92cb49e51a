import { codeChoiceSchema, materialSchema, sectionSchema } from '../model/schema.js';
import { axisSchema } from './axis-schema.js';
import { combineStates } from '../combinations/code.js';
import { combinationSchema } from '../combinations/combination.js';
import { loadCaseSchema } from '../combinations/load-case.js';
import { figureSchema } from './figure-schema.js';
import { ruleKinds } from '../rules/index.js';
import { schemasOf } from '../rules/rule.js';
import { expression, object, text } from '../fields/schemas.js';
import { parameterSchema } from './parameter-schema.js';
import { analysisSchema } from './settings.js';
import { stepKinds } from '../steps/index.js';
import { objectSchema, requiredOf } from '../fields/index.js';

/** JSON Schema (draft 7) of the design document; steps and rules follow from their declarations. The meaning is in `types.ts`. */
const formula = { type: 'string', minLength: 1, maxLength: 400 } as const;
const list = (items: unknown, maxItems: number) => ({ type: 'array', items, maxItems });
const map = (items: unknown) => ({ type: 'object', additionalProperties: items, maxProperties: 500 });

/** Fields that every step has. */
const stepHead = {
  id: { type: 'string', pattern: '^[^.@\\s]+$', maxLength: 60 },
  title: text,
  off: { type: 'boolean' },
};
const generatorHead = {
  at: { type: 'array', items: expression, minItems: 2, maxItems: 3 },
  turn: expression,
};

/** The schema of a step of each kind, chosen by its `make` or `edit`. */
const stepSchema = {
  type: 'object',
  required: ['id'],
  properties: { id: stepHead.id },
  oneOf: [{ required: ['make'] }, { required: ['edit'] }],
  allOf: [
    ...(['make', 'edit'] as const).map((verb) => ({
      if: { required: [verb] },
      then: {
        properties: {
          [verb]: { enum: stepKinds.filter((kind) => kind.verb === verb).map(({ kind }) => kind) },
        },
      },
    })),
    ...stepKinds.map(({ verb, kind, fields }) => ({
      if: { properties: { [verb]: { const: kind } }, required: [verb] },
      then: object(
        {
          ...stepHead,
          [verb]: { const: kind },
          ...(verb === 'make' ? generatorHead : {}),
          ...(objectSchema(fields)['properties'] as object),
        },
        ['id', verb, ...requiredOf(fields)],
      ),
    })),
  ],
};

const ruleHead = { id: text, title: text, off: { type: 'boolean' } };
const ruleFields = (of: 'members' | 'nodes') =>
  Object.assign({}, ...ruleKinds.filter((kind) => kind.of === of).map(schemasOf)) as Record<string, object>;
const ruleOf = (of: 'members' | 'nodes') => ({
  ...object({ ...ruleHead, [of]: formula, ...ruleFields(of) }, ['id', of]),
});

/** A rule selects members or nodes, and gives what its fields say. */
const ruleSchema = {
  type: 'object',
  required: ['id'],
  allOf: [{ if: { required: ['members'] }, then: ruleOf('members'), else: ruleOf('nodes') }],
};

const patch = {
  type: 'object',
  required: ['id'],
  properties: { id: text, after: text, off: { type: 'boolean' } },
};

/** The design document's definition, with lists that are left out filled in. */
export const designSchema = {
  $schema: 'http://json-schema.org/draft-07/schema#',
  $id: 'hashira-design-2',
  title: 'Hashira design',
  ...object(
    {
      format: { const: 'hashira-design' },
      version: { const: 2 },
      title: text,
      space: { enum: ['plane', 'solid'] },
      analysis: analysisSchema,
      code: codeChoiceSchema,
      sections: list(sectionSchema, 500),
      materials: list(materialSchema, 100),
      parameters: list(parameterSchema, 500),
      axes: list(axisSchema, 20),
      steps: list(stepSchema, 200),
      rules: list(ruleSchema, 500),
      loadCases: list(loadCaseSchema, 100),
      combinations: list(combinationSchema, 500),
      combine: object(
        {
          by: text,
          states: {
            type: 'array',
            items: { enum: combineStates },
            minItems: 1,
            maxItems: combineStates.length,
          },
        },
        ['by', 'states'],
      ),
      choices: list(
        object(
          {
            id: text,
            title: text,
            options: {
              ...list(
                object(
                  {
                    id: text,
                    title: text,
                    changes: object({
                      parameters: map(formula),
                      steps: list(patch, 200),
                      rules: list(patch, 500),
                    }),
                  },
                  ['id', 'title', 'changes'],
                ),
                50,
              ),
              minItems: 1,
            },
          },
          ['id', 'title', 'options'],
        ),
        50,
      ),
      alternatives: {
        ...list(
          object({ id: text, title: text, picks: map(text), parameters: map(formula) }, [
            'id',
            'title',
            'picks',
          ]),
          200,
        ),
        minItems: 1,
      },
      figures: list(figureSchema, 100),
      reference: text,
      decision: object({ alternative: text, note: { type: 'string', maxLength: 4000 } }, ['alternative']),
    },
    ['format', 'version', 'title', 'space', 'steps', 'alternatives'],
  ),
} as const;

/** Schemas of one step and one rule, for what options change. */
export const partSchemas = { step: stepSchema, rule: ruleSchema } as const;
