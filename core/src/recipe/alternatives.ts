import { problem, ProblemError, type Problem } from '../problem.js';
import type { Alternative, Changes, Choice, Design, Rule, Step } from './types.js';

/** The option of each choice that an alternative picks; a choice it does not name takes its first option. */
export function pickedOption(
  choices: readonly Choice[],
  alternative: Alternative,
  choiceId: string,
): string | undefined {
  const choice = choices.find((c) => c.id === choiceId);
  return alternative.picks[choiceId] ?? choice?.options[0]?.id;
}

/**
 * The design as one alternative sees it: the options of its choices applied in order, then its own parameter values.
 *
 * @throws ProblemError when a pick, a parameter or a step that is changed does not exist
 */
export function applyAlternative(design: Design, alternative: Alternative): Design {
  const problems: Problem[] = [];
  const where = { alternative: alternative.id };
  const report = (message: string): void =>
    void problems.push(problem('unknown-name', `Alternative "${alternative.title}": ${message}`, where));

  for (const choice of Object.keys(alternative.picks))
    if (!design.choices.some((c) => c.id === choice)) report(`there is no choice "${choice}".`);
  let result = design;
  for (const choice of design.choices) {
    const id = pickedOption(design.choices, alternative, choice.id);
    const option = choice.options.find((o) => o.id === id);
    if (!option) report(`the choice "${choice.title}" has no option "${id ?? ''}".`);
    else result = applyChanges(result, option.changes, report);
  }
  if (alternative.parameters) result = applyChanges(result, { parameters: alternative.parameters }, report);
  if (problems.length > 0) throw new ProblemError(problems);
  return result;
}

function applyChanges(design: Design, changes: Changes, report: (message: string) => void): Design {
  const { parameters = {}, steps = {}, rules = [] } = changes;
  for (const name of Object.keys(parameters))
    if (!design.parameters.some((p) => p.name === name)) report(`there is no parameter "${name}".`);
  for (const id of Object.keys(steps))
    if (!design.steps.some((s) => s.id === id)) report(`there is no step "${id}".`);
  return {
    ...design,
    parameters: design.parameters.map((p) => {
      const value = parameters[p.name];
      return value === undefined ? p : { ...p, value };
    }),
    steps: design.steps.map((s): Step => ({ ...s, ...steps[s.id] })),
    rules: replaceRules(design.rules, rules),
  };
}

/** Rules with the same id are replaced in their place, new ones come last. */
function replaceRules(rules: readonly Rule[], changed: readonly Rule[]): Rule[] {
  const byId = new Map(changed.map((rule) => [rule.id, rule]));
  const kept = rules.map((rule) => byId.get(rule.id) ?? rule);
  const existing = new Set(rules.map((rule) => rule.id));
  return [...kept, ...changed.filter((rule) => !existing.has(rule.id))];
}
