import { ownValue } from '../base/own-value.js';
import { problem, ProblemError, type Problem } from '../base/problem.js';
import type { Alternative, Changes, Choice, Design, Patch, Rule, Step } from './types.js';

/** The option of each choice that an alternative picks; a choice it does not name takes its first option. */
export function pickedOption(
  choices: readonly Choice[],
  alternative: Alternative,
  choiceId: string,
): string | undefined {
  const choice = choices.find((c) => c.id === choiceId);
  return ownValue(alternative.picks, choiceId) ?? choice?.options[0]?.id;
}

/**
 * The design as one alternative sees it: the options of its choices applied in order, then its own parameter values.
 *
 * @throws ProblemError when a pick or a parameter that is changed does not exist
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

/** A design with an option's changes made. */
export function applyChanges(design: Design, changes: Changes, report: (message: string) => void): Design {
  const { parameters = {}, steps = [], rules = [] } = changes;
  const values = new Map(Object.entries(parameters));
  for (const name of values.keys())
    if (!design.parameters.some((p) => p.name === name)) report(`there is no parameter "${name}".`);
  return {
    ...design,
    parameters:
      values.size === 0
        ? design.parameters
        : design.parameters.map((p) => {
            const value = values.get(p.name);
            return value === undefined ? p : { ...p, value };
          }),
    steps: patched(design.steps, steps, 'step', report),
    rules: patched(design.rules, rules, 'rule', report),
  };
}

/** Items with the given fields replaced by id; unknown ids are added, at the end or after the one named. */
function patched<T extends Step | Rule>(
  items: readonly T[],
  patches: readonly Patch[],
  what: string,
  report: (message: string) => void,
): T[] {
  if (patches.length === 0) return items as T[];
  const out = [...items];
  for (const { after, ...patch } of patches) {
    const at = out.findIndex((item) => item.id === patch.id);
    if (at >= 0) {
      out[at] = { ...out[at]!, ...patch };
      continue;
    }
    const behind = after === undefined ? out.length - 1 : out.findIndex((item) => item.id === after);
    if (after !== undefined && behind < 0)
      report(`the ${what} "${patch.id}" should come after "${after}", which does not exist.`);
    out.splice(behind + 1, 0, patch as unknown as T);
  }
  return out;
}
