import { Ajv, type ErrorObject, type ValidateFunction } from 'ajv';
import { problem, type Outcome, type Problem } from '../base/problem.js';
import { checkModel } from './check.js';
import { findOutOfRange } from './magnitudes.js';
import { frameModelSchema } from './schema.js';
import type { FrameModel } from './types.js';

// `verbose` keeps what was found at an error; making the code shorter takes longer than running it as it is
const options = {
  strict: false,
  strictNumbers: true,
  discriminator: true,
  verbose: true,
  code: { optimize: false },
} as const;
/** One stops at the first deviation and so takes no longer than the document is long; the other finds all. */
const first = new Ajv({ ...options, allErrors: false });
const every = new Ajv({ ...options, allErrors: true });
const compiled = new Map<object, { first: ValidateFunction; every?: ValidateFunction }>();

/** Problems told at the most. */
const mostProblems = 50;
/** Items of a list, and keys of an object, that are looked at once it is known that something is wrong. */
const mostItems = 60;
const mostKeys = 500;

/**
 * Validates `value` against a JSON Schema.
 *
 * @returns one problem for each deviation, with `where.path`; `code` is the problems' code
 */
export function checkSchema(schema: object, value: unknown, code: string): Problem[] {
  let validators = compiled.get(schema);
  if (!validators) compiled.set(schema, (validators = { first: first.compile(schema) }));
  if (validators.first(value)) return [];
  const found = validators.first.errors ?? [];
  validators.every ??= every.compile(schema);
  // All that is wrong in the beginning of each list; where that is nothing, what was found behind it
  const errors = validators.every(beginning(value)) ? found : (validators.every.errors ?? found);
  const told = errors.some(({ keyword }) => isSummary(keyword)) ? toldPaths(errors) : undefined;
  const seen = new Set<string>();
  const problems: Problem[] = [];
  for (const error of errors) {
    if (isSummary(error.keyword) && told?.has(error.instancePath)) continue;
    const path = error.instancePath || '/';
    const message = `${describe(error)} (${path})`;
    if (seen.has(message)) continue;
    seen.add(message);
    problems.push(problem(code, message, { path }));
  }
  return atMost(problems, code);
}

/** The first problems, and how many more there are. */
export function atMost(problems: Problem[], code: string): Problem[] {
  if (problems.length <= mostProblems) return problems;
  const more = problems.length - mostProblems;
  return [
    ...problems.slice(0, mostProblems),
    problem(code, `And ${more} more are wrong; fix these first.`, { path: '/' }),
  ];
}

/** Deeper than any field of a document lies; what is nested further is wrong where it begins. */
const deepest = 30;

/** A value with its lists cut to their beginnings, so that looking for all that is wrong takes a bounded time. */
function beginning(value: unknown, depth = 0): unknown {
  if (typeof value !== 'object' || value === null || depth > deepest) return value;
  if (Array.isArray(value)) return value.slice(0, mostItems).map((item) => beginning(item, depth + 1));
  return Object.fromEntries(
    Object.entries(value)
      .slice(0, mostKeys)
      .map(([key, own]) => [key, beginning(own, depth + 1)]),
  );
}

/** Paths at which, or within which, something more telling than "no alternative fits" was found. */
function toldPaths(errors: readonly ErrorObject[]): Set<string> {
  const told = new Set<string>();
  for (const { keyword, instancePath } of errors) {
    if (isSummary(keyword)) continue;
    for (
      let end = instancePath.length;
      end >= 0;
      end = end === 0 ? -1 : instancePath.lastIndexOf('/', end - 1)
    ) {
      const prefix = instancePath.slice(0, end);
      if (told.has(prefix)) break;
      told.add(prefix);
    }
  }
  return told;
}

/** Keywords that only say that something within them failed. */
function isSummary(keyword: string): boolean {
  return keyword === 'anyOf' || keyword === 'oneOf' || keyword === 'if';
}

function describe(error: ErrorObject): string {
  const params = error.params as Record<string, unknown>;
  switch (error.keyword) {
    case 'minItems':
      return `The list needs at least ${String(params['limit'])} items`;
    case 'maxItems':
      return `The list may have ${String(params['limit'])} items at most`;
    case 'pattern':
      return 'The value has letters or signs that cannot stand here';
    case 'maxProperties':
      return `Only ${String(params['limit'])} of the fields may be given`;
    case 'additionalProperties':
      return `The field "${String(params['additionalProperty'])}" is not known here; remove it or check its spelling`;
    case 'required':
      return `The field "${String(params['missingProperty'])}" is missing`;
    case 'enum':
      return `The value must be one of ${(params['allowedValues'] as unknown[]).join(', ')}`;
    case 'const':
      return `The value must be ${JSON.stringify(params['allowedValue'])}`;
    case 'type':
      return typeof error.data === 'number' && params['type'] === 'number'
        ? `The number is ${Number.isNaN(error.data) ? 'none' : 'too large'}; give a finite number`
        : `The value must be ${typeWords(params['type'])}`;
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

/** Lists of a model whose items can be wrong one by one. */
const lists =
  /^\/(?:materials|sections|nodes|members|supports|rigidGroups|masses|combinations)\/\d+|^\/loadCases\/\d+(?:\/loads\/\d+)?/;

/**
 * Checks an unknown value as a frame model: its schema, and everything in {@link checkModel} about the parts that have
 * their shape. All that is wrong is reported at once.
 */
export function validateModel(given: unknown): Outcome<FrameModel> {
  const value = withCategories(given);
  const shape = checkSchema(frameModelSchema, value, 'invalid-model');
  if (shape.length === 0) {
    const model = value as FrameModel;
    const problems = atMost([...findOutOfRange(model), ...checkModel(model)], 'invalid-model');
    return problems.length > 0 ? { ok: false, problems } : { ok: true, value: model };
  }
  // Where a list itself is not one, what refers to it cannot be judged
  const items = shape.map((p) => lists.exec(String(p.where['path']))?.[0]);
  if (items.some((path) => path === undefined)) return { ok: false, problems: shape };
  const skipped = new Set(items as string[]);
  const whole = withPlaceholders(value, skipped);
  // Behind the beginnings of the lists more may lack its shape, which cannot be judged either
  const judged = Object.keys(placeholders).every((list) =>
    allObjects((whole as unknown as Lists)[list], needed[list]),
  );
  return { ok: false, problems: judged ? [...shape, ...checkModel(whole, skipped)] : shape };
}

/** Load cases of older files call their category `nature`. */
function withCategories(value: unknown): unknown {
  const cases = (value as { loadCases?: unknown } | null)?.loadCases;
  if (!Array.isArray(cases)) return value;
  const older = (one: unknown): one is { nature: unknown } =>
    typeof one === 'object' && one !== null && 'nature' in one && !('category' in one);
  if (!cases.some(older)) return value;
  return {
    ...(value as object),
    loadCases: cases.map((one: unknown) => {
      if (!older(one)) return one;
      const { nature, ...rest } = one;
      return { ...rest, category: nature };
    }),
  };
}

type Lists = Readonly<Record<string, unknown>>;

/** Fields without which nothing can be said of an item. */
const needed: Readonly<Record<string, readonly string[]>> = {
  members: ['id', 'start', 'end', 'section'],
  nodes: ['id'],
  supports: ['node'],
  sections: ['id'],
  materials: ['id'],
  loadCases: ['id'],
  combinations: ['id'],
};

/** Whether all items of a list are objects that have what names them. */
function allObjects(list: unknown, fields: readonly string[] = []): boolean {
  return (
    list === undefined ||
    (Array.isArray(list) &&
      list.every(
        (item: unknown) =>
          typeof item === 'object' &&
          item !== null &&
          fields.every((field) => typeof (item as Lists)[field] === 'string'),
      ))
  );
}

/** What stands for an item of a list that lacks its shape. */
const placeholders: Readonly<Record<string, (id: string) => unknown>> = {
  materials: (id) => ({ id, E: 1, G: 1, density: 1 }),
  sections: (id) => ({ id, material: '', properties: { A: 1, Iy: 1, Iz: 1, J: 1 } }),
  nodes: (id) => ({ id }),
  members: (id) => ({ id, start: '', end: '', section: '' }),
  supports: () => ({ node: '' }),
  rigidGroups: (id) => ({ id, nodes: [], kind: 'body' }),
  masses: () => ({ node: '', m: 1 }),
  loadCases: (id) => ({ id }),
  combinations: (id) => ({ id, state: 'strength', factors: {} }),
};

/** A copy in which every item that lacks its shape is one that has it, with the id it came with. */
function withPlaceholders(value: unknown, skipped: ReadonlySet<string>): FrameModel {
  const model = { ...(value as Record<string, unknown[]>) };
  const copied = new Set<string>();
  const own = (list: string): unknown[] => {
    if (!copied.has(list)) {
      copied.add(list);
      model[list] = [...model[list]!];
    }
    return model[list]!;
  };
  const cases: { c: number; load: number }[] = [];
  for (const path of skipped) {
    const [, list, index, , load] = path.split('/') as [string, string, string, string?, string?];
    const i = Number(index);
    if (load !== undefined) {
      cases.push({ c: i, load: Number(load) });
      continue;
    }
    const id = (model[list]![i] as { id?: unknown } | null)?.id;
    own(list)[i] = placeholders[list]!(typeof id === 'string' ? id : `\u0000${path}`);
  }
  const loadsOf = new Map<number, unknown[]>();
  for (const { c, load } of cases) {
    if (skipped.has(`/loadCases/${c}`)) continue;
    let loads = loadsOf.get(c);
    if (!loads) {
      const one = model['loadCases']![c] as { loads: unknown[] };
      loadsOf.set(c, (loads = [...one.loads]));
      own('loadCases')[c] = { ...one, loads };
    }
    loads[load] = { kind: 'none' };
  }
  return model as unknown as FrameModel;
}

/** JSON text of a frame model → model. */
export function parseModel(text: string): Outcome<FrameModel> {
  const json = parseJson(text, 'invalid-model');
  return json.ok ? validateModel(json.value) : json;
}

const wordsOfTypes: Readonly<Record<string, string>> = {
  string: 'a text',
  number: 'a number',
  integer: 'a whole number',
  boolean: 'true or false',
  object: 'an object',
  array: 'a list',
  null: 'null',
};

/** Names of JSON types in words: "a text or a number". */
function typeWords(type: unknown): string {
  const names = Array.isArray(type) ? (type as string[]) : String(type).split(',');
  return names.map((name) => wordsOfTypes[name] ?? name).join(' or ');
}
