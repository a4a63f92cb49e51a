import { checkSchema, parseJson } from '../model/parse.js';
import { attempt, problem, type Outcome, type Problem } from '../base/problem.js';
import { designSchema, partSchemas } from './schema.js';
import { currentVersion, upgraded } from './upgrade/index.js';
import type { Design, Rule, Step } from './types.js';
import { applyChanges } from './alternatives.js';

/**
 * Checks an unknown value as a design document: format and version first, older versions upgraded, then the schema, then ids that
 * are unique and exist. Expressions may still be wrong: a design with a wrong expression can be kept and fixed.
 *
 * @returns the design with the lists that the file leaves out
 */
export function validateDesign(value: unknown): Outcome<Design> {
  const stranger = checkFormat(value);
  if (stranger) return { ok: false, problems: [stranger] };
  const upgrade = attemptUpgrade(value as object);
  if (!upgrade.ok) return upgrade;
  const shape = checkSchema(designSchema, upgrade.value, 'invalid-design');
  if (shape.length > 0) return { ok: false, problems: shape.map((p) => named(p, upgrade.value)) };
  const design = completed(upgrade.value as Partial<Design> & Pick<Design, 'steps' | 'alternatives'>);
  const problems = [...checkReferences(design), ...checkOptions(design)];
  return problems.length > 0 ? { ok: false, problems } : { ok: true, value: design };
}

/** JSON text of a design document → design. */
export function parseDesign(text: string): Outcome<Design> {
  const json = parseJson(text.replace(/^\uFEFF/, ''), 'invalid-design');
  return json.ok ? validateDesign(json.value) : json;
}

function attemptUpgrade(value: object): Outcome<object> {
  try {
    return { ok: true, value: upgraded(value) };
  } catch (error) {
    // A document of an older version that is not of its own shape
    if (!(error instanceof TypeError)) throw error;
    return {
      ok: false,
      problems: [
        problem('invalid-design', 'The file is no sound design of its version: a list in it is not one.', {
          path: '/',
        }),
      ],
    };
  }
}

/** A document with the lists that it leaves out. */
function completed(given: Partial<Design> & Pick<Design, 'steps' | 'alternatives'>): Design {
  const {
    analysis,
    code,
    sections,
    materials,
    parameters,
    axes,
    rules,
    loadCases,
    combinations,
    choices,
    figures,
  } = given;
  const { format, version, title, space, steps, combine, alternatives, decision } = given as Design;
  return {
    format,
    version,
    title,
    space,
    analysis: { order: 1, imperfections: false, ...analysis },
    code: code ?? {},
    sections: sections ?? [],
    materials: materials ?? [],
    parameters: parameters ?? [],
    axes: axes ?? [],
    steps,
    rules: rules ?? [],
    loadCases: loadCases ?? [],
    combinations: combinations ?? [],
    ...(combine ? { combine } : {}),
    choices: choices ?? [],
    alternatives,
    figures: figures ?? [],
    reference: given.reference ?? alternatives[0]!.id,
    ...(decision ? { decision } : {}),
  };
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
  if (typeof version === 'number' && version > currentVersion)
    return problem(
      'newer-version',
      `The design was written by a newer version (document version ${version}; this one reads up to ${currentVersion}). Update before opening it.`,
      { path: '/version' },
    );
  return undefined;
}

/** Says which step or rule a deviation is in. */
function named(found: Problem, document: object): Problem {
  const path = String(found.where['path']);
  const match = /^\/(steps|rules)\/(\d+)/.exec(path);
  if (!match) return found;
  const list = (document as Record<string, unknown>)[match[1]!] as { id?: unknown }[];
  const id = list[Number(match[2])]?.id;
  if (typeof id !== 'string') return found;
  const what = match[1] === 'steps' ? 'step' : 'rule';
  return problem(found.code, `${what === 'step' ? 'Step' : 'Rule'} "${id}": ${found.message}`, {
    ...found.where,
    [what]: id,
  });
}

type Report = (path: string, message: string) => void;

function checkReferences(design: Design): Problem[] {
  const problems: Problem[] = [];
  const report: Report = (path, message) =>
    void problems.push(problem('invalid-design', `${message} (${path})`, { path }));
  const unique = (items: readonly { id: string }[], path: string, what: string): void => {
    const seen = new Set<string>();
    items.forEach((item, i) => {
      if (seen.has(item.id)) report(`${path}/${i}/id`, `Two ${what} have the id "${item.id}"`);
      seen.add(item.id);
    });
  };
  unique(design.sections, '/sections', 'sections');
  unique(design.materials, '/materials', 'materials');
  unique(design.steps, '/steps', 'steps');
  unique(design.rules, '/rules', 'rules');
  unique(design.choices, '/choices', 'choices');
  unique(design.figures, '/figures', 'figures');
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
  design.loadCases.forEach((one, i) => {
    for (const id of one.excludes ?? [])
      if (!cases.has(id))
        report(`/loadCases/${i}/excludes`, `Load case "${one.id}" excludes the unknown load case "${id}"`);
  });
  checkMaterials(design, report);
  if (!design.alternatives.some((a) => a.id === design.reference))
    report('/reference', `The reference "${design.reference}" is no alternative of the design`);
  const { decision } = design;
  if (decision && !design.alternatives.some((a) => a.id === decision.alternative))
    report(
      '/decision/alternative',
      `The design is decided for "${decision.alternative}", which is no alternative of it`,
    );
  return problems;
}

function checkMaterials(design: Design, report: Report): void {
  design.sections.forEach((section, i) => {
    const given = [section.profile, section.shape, section.properties].filter((x) => x !== undefined).length;
    if (given !== 1)
      report(
        `/sections/${i}`,
        `Section "${section.id}" needs exactly one of profile, shape and properties; it has ${given}`,
      );
  });
}

/** Steps and rules as each option leaves them must still have the shape of their kind. */
function checkOptions(design: Design): Problem[] {
  const problems: Problem[] = [];
  design.choices.forEach((choice, c) =>
    choice.options.forEach((option, o) => {
      const outcome = attempt(() => applyChanges(design, option.changes, () => undefined));
      if (!outcome.ok) return;
      const check = <T extends Step | Rule>(
        before: readonly T[],
        after: readonly T[],
        schema: object,
        what: string,
      ): void => {
        const known = new Set<T>(before);
        for (const part of after) {
          if (known.has(part)) continue;
          for (const found of checkSchema(schema, part, 'invalid-design'))
            problems.push(
              problem(
                'invalid-design',
                `The option "${option.title}" of "${choice.title}" leaves the ${what} "${part.id}" wrong: ${found.message}`,
                {
                  ...found.where,
                  path: `/choices/${c}/options/${o}/changes`,
                  [what]: part.id,
                },
              ),
            );
        }
      };
      check(design.steps, outcome.value.steps, partSchemas.step, 'step');
      check(design.rules, outcome.value.rules, partSchemas.rule, 'rule');
    }),
  );
  return problems;
}
