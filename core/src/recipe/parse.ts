import { parseJson, checkSchema } from '../model/parse.js';
import { problem, type Outcome, type Problem } from '../problem.js';
import { designSchema } from './schema.js';
import type { Design } from './types.js';

/**
 * Checks an unknown value as a design document: format and version first, then the schema, then ids that are unique and
 * exist. Expressions may still be wrong: a design with a wrong expression can be kept and mended.
 */
export function validateDesign(value: unknown): Outcome<Design> {
  const stranger = checkFormat(value);
  if (stranger) return { ok: false, problems: [stranger] };
  const shape = checkSchema(designSchema, value, 'invalid-design');
  if (shape.length > 0) return { ok: false, problems: shape };
  const design = value as Design;
  const problems = checkReferences(design);
  return problems.length > 0 ? { ok: false, problems } : { ok: true, value: design };
}

/** JSON text of a design document → design. */
export function parseDesign(text: string): Outcome<Design> {
  const json = parseJson(text, 'invalid-design');
  return json.ok ? validateDesign(json.value) : json;
}

function checkFormat(value: unknown): Problem | undefined {
  const path = { path: '/' };
  if (value === null || typeof value !== 'object' || Array.isArray(value))
    return problem('invalid-design', 'The file is not a design: a JSON object is expected.', path);
  const { format, version } = value as Record<string, unknown>;
  if (format !== 'hashira-design')
    return problem(
      'invalid-design',
      `The file is not a design: its format is ${format === undefined ? 'missing' : JSON.stringify(format)} instead of "hashira-design".`,
      { path: '/format' },
    );
  if (typeof version === 'number' && version > 1)
    return problem(
      'newer-version',
      `The design was written by a newer version (document version ${version}; this one reads up to 1). Update before opening it.`,
      { path: '/version' },
    );
  return undefined;
}

function checkReferences(design: Design): Problem[] {
  const problems: Problem[] = [];
  const report = (path: string, message: string): void =>
    void problems.push(problem('invalid-design', `${message} (${path})`, { path }));
  const unique = (items: readonly { id: string }[], path: string, what: string): void => {
    const seen = new Set<string>();
    items.forEach((item, i) => {
      if (seen.has(item.id)) report(`${path}/${i}/id`, `Two ${what} have the id "${item.id}"`);
      seen.add(item.id);
    });
  };
  unique(design.steps, '/steps', 'steps');
  unique(design.rules, '/rules', 'rules');
  unique(design.choices, '/choices', 'choices');
  unique(design.alternatives, '/alternatives', 'alternatives');
  unique([...design.loadCases, ...design.combinations], '/loadCases', 'load cases or combinations');
  design.choices.forEach((choice, i) => unique(choice.options, `/choices/${i}/options`, 'options'));
  const cases = new Set(design.loadCases.map((c) => c.id));
  design.combinations.forEach((combination, i) => {
    for (const id of Object.keys(combination.factors))
      if (!cases.has(id))
        report(
          `/combinations/${i}/factors`,
          `Combination "${combination.id}" names unknown load case "${id}"`,
        );
  });
  if (!design.alternatives.some((a) => a.id === design.reference))
    report('/reference', `The reference "${design.reference}" is no alternative of the design`);
  return problems;
}
