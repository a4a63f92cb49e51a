import { Ajv, type ErrorObject, type ValidateFunction } from 'ajv';
import { problem, type Outcome, type Problem } from '../problem.js';
import { checkModel } from './check.js';
import { frameModelSchema } from './schema.js';
import type { FrameModel } from './types.js';

const ajv = new Ajv({ allErrors: true, strict: false, discriminator: true });
const compiled = new Map<object, ValidateFunction>();

/**
 * Validates `value` against a JSON Schema.
 *
 * @returns one problem for each deviation, with `where.path`; `code` is the problems' code
 */
export function checkSchema(schema: object, value: unknown, code: string): Problem[] {
  let validate = compiled.get(schema);
  if (!validate) compiled.set(schema, (validate = ajv.compile(schema)));
  if (validate(value)) return [];
  const errors = validate.errors ?? [];
  const seen = new Set<string>();
  return errors.flatMap((error) => {
    if (error.keyword === 'anyOf' || error.keyword === 'oneOf') {
      if (errors.some((e) => e !== error && e.instancePath.startsWith(error.instancePath))) return [];
    }
    const path = error.instancePath || '/';
    const message = `${describe(error)} (${path})`;
    if (seen.has(message)) return [];
    seen.add(message);
    return [problem(code, message, { path })];
  });
}

function describe(error: ErrorObject): string {
  const params = error.params as Record<string, unknown>;
  switch (error.keyword) {
    case 'additionalProperties':
      return `The field "${String(params['additionalProperty'])}" is not known here; remove it or check its spelling`;
    case 'required':
      return `The field "${String(params['missingProperty'])}" is missing`;
    case 'enum':
      return `The value must be one of ${(params['allowedValues'] as unknown[]).join(', ')}`;
    case 'const':
      return `The value must be ${JSON.stringify(params['allowedValue'])}`;
    case 'discriminator':
      return `The value of "${String(params['tag'])}" is not one of the known kinds`;
    default:
      return `The value ${error.message ?? 'is not valid'}`;
  }
}

/** JSON text → value, or an `invalid-*` problem in words. */
export function parseJson(text: string, code: string): Outcome<unknown> {
  try {
    return { ok: true, value: JSON.parse(text) as unknown };
  } catch (error) {
    const reason = error instanceof Error ? error.message : String(error);
    return {
      ok: false,
      problems: [problem(code, `The file is not JSON: ${reason}.`, { path: '/' })],
    };
  }
}

/** Checks an unknown value as a frame model: schema first, then everything in {@link checkModel}. */
export function validateModel(value: unknown): Outcome<FrameModel> {
  const shape = checkSchema(frameModelSchema, value, 'invalid-model');
  if (shape.length > 0) return { ok: false, problems: shape };
  const model = value as FrameModel;
  const problems = checkModel(model);
  return problems.length > 0 ? { ok: false, problems } : { ok: true, value: model };
}

/** JSON text of a frame model → model. */
export function parseModel(text: string): Outcome<FrameModel> {
  const json = parseJson(text, 'invalid-model');
  return json.ok ? validateModel(json.value) : json;
}
