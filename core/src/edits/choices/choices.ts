import { ownValue } from '../../base/own-value.js';
import type { Changes, Choice, Design, Option, Patch } from '../../document/types.js';
import { applyChanges } from '../../document/alternatives.js';
import { freeId, freeTitle } from '../ids.js';
import { changed, withItem, without } from '../lists.js';

/** Adds a choice; alternatives take its first option. */
export function addChoice(design: Design, choice: Choice, index?: number): Design {
  return { ...design, choices: withItem(design.choices, choice, index) };
}

/** Removes a choice and what alternatives picked of it. */
export function removeChoice(design: Design, id: string): Design {
  return {
    ...design,
    choices: without(design.choices, id),
    alternatives: design.alternatives.map((a) => ({
      ...a,
      picks: Object.fromEntries(Object.entries(a.picks).filter(([choice]) => choice !== id)),
    })),
  };
}

export function renameChoice(design: Design, id: string, title: string): Design {
  return { ...design, choices: changed(design.choices, id, (choice) => ({ ...choice, title })) };
}

function changeOptions(design: Design, choice: string, change: (options: Option[]) => Option[]): Design {
  return {
    ...design,
    choices: changed(design.choices, choice, (one) => ({ ...one, options: change(one.options) })),
  };
}

export function addOption(design: Design, choice: string, option: Option, index?: number): Design {
  return changeOptions(design, choice, (options) => withItem(options, option, index));
}

/** Removes an option; the last one stays. Alternatives that picked it take the first. */
export function removeOption(design: Design, choice: string, id: string): Design {
  const found = design.choices.find((one) => one.id === choice);
  if (!found || found.options.length < 2) return design;
  const next = changeOptions(design, choice, (options) => without(options, id));
  return {
    ...next,
    alternatives: next.alternatives.map((a) =>
      ownValue(a.picks, choice) === id
        ? { ...a, picks: Object.fromEntries(Object.entries(a.picks).filter(([one]) => one !== choice)) }
        : a,
    ),
  };
}

export function renameOption(design: Design, choice: string, id: string, title: string): Design {
  return changeOptions(design, choice, (options) => changed(options, id, (option) => ({ ...option, title })));
}

/** Replaces what an option changes. */
export function setOptionChanges(design: Design, choice: string, id: string, changes: Changes): Design {
  return changeOptions(design, choice, (options) =>
    changed(options, id, (option) => ({ ...option, changes })),
  );
}

/** The design as an option changes it, to be edited while what is done is recorded into that option. */
export function withOption(design: Design, choice: string, id: string): Design {
  const option = optionOf(design, choice, id);
  // What an option changes and is not there any more is told by the calculation
  return option ? applyChanges(design, option.changes, () => undefined) : design;
}

function optionOf(design: Design, choice: string, id: string): Option | undefined {
  return design.choices.find((one) => one.id === choice)?.options.find((one) => one.id === id);
}

/**
 * Records into an option what was changed from `withOption` of the design, or from another design that shows it, to `after`: parameter
 * values, fields of steps and rules, steps and rules added; what was removed is switched off. Everything else that was changed is changed in the design.
 */
export function recordIntoOption(
  design: Design,
  after: Design,
  { choice, option: id }: { readonly choice: string; readonly option: string },
  before = withOption(design, choice, id),
): Design {
  const option = optionOf(design, choice, id);
  if (!option) return after;
  const old = new Map(before.parameters.map((p) => [p.name, p.value]));
  const parameters = Object.fromEntries(
    after.parameters
      .filter((p) => old.has(p.name) && old.get(p.name) !== p.value)
      .map((p) => [p.name, p.value]),
  );
  const changes: Changes = {
    parameters: { ...option.changes.parameters, ...parameters },
    steps: mergedPatches(option.changes.steps, patches(before.steps, after.steps)),
    rules: mergedPatches(option.changes.rules, patches(before.rules, after.rules)),
  };
  const values = new Map(design.parameters.map((p) => [p.name, p]));
  const gone = (['steps', 'rules'] as const).some((list) =>
    before[list].some((part) => !after[list].some((one) => one.id === part.id)),
  );
  const rest: Design = {
    ...after,
    // What is removed here is only switched off: other options keep what they change of it
    ...(gone ? { choices: design.choices } : {}),
    // Parameters that were added, renamed or ranged are the design's; values go into the option
    parameters: after.parameters.map((p) => {
      const known = values.get(p.name);
      return known ? { ...p, value: known.value } : p;
    }),
    steps: design.steps,
    rules: design.rules,
  };
  return optionOf(rest, choice, id) ? setOptionChanges(rest, choice, id, cleaned(changes)) : rest;
}

type Part = { id: string } & Record<string, unknown>;

function patches(before: readonly { id: string }[], after: readonly { id: string }[]): Patch[] {
  const old = new Map(before.map((part) => [part.id, part as Part]));
  const out: Patch[] = [];
  after.forEach((one, i) => {
    const part = one as Part;
    const was = old.get(part.id);
    if (!was) out.push({ ...part, ...(i > 0 ? { after: after[i - 1]!.id } : {}) });
    else {
      const fields = Object.fromEntries(
        Object.entries(part).filter(([key, value]) => JSON.stringify(value) !== JSON.stringify(was[key])),
      );
      if (Object.keys(fields).length > 0) out.push({ ...fields, id: part.id });
    }
  });
  for (const { id } of before) if (!after.some((part) => part.id === id)) out.push({ id, off: true });
  return out;
}

function mergedPatches(known: readonly Patch[] = [], added: readonly Patch[]): Patch[] {
  const out = [...known];
  for (const patch of added) {
    const at = out.findIndex(({ id }) => id === patch.id);
    if (at < 0) out.push(patch);
    else out[at] = { ...out[at]!, ...patch };
  }
  return out;
}

function cleaned({ parameters, steps, rules }: Changes): Changes {
  return {
    ...(parameters && Object.keys(parameters).length > 0 ? { parameters } : {}),
    ...(steps && steps.length > 0 ? { steps } : {}),
    ...(rules && rules.length > 0 ? { rules } : {}),
  };
}

/** Id of the choice whose options are of one alternative each, where it is free, and of its option without changes. */
export const ownChoice = 'alone';
export const ofNone = 'of-none';

/** Whether a choice holds what single alternatives have alone: a choice of people's own may be called alike. */
export const isOwnChoice = ({ id, options }: Choice): boolean =>
  id.startsWith(ownChoice) && options[0]?.id === ofNone;

/** Most alternatives of a design. */
const mostAlternatives = 200;

/** Adds an alternative for each combination of options that none of the alternatives picks yet; what one has alone is combined with nothing. */
export function addAllCombinations(design: Design): Design {
  const chosen = design.choices.filter((choice) => !isOwnChoice(choice));
  const picksOf = chosen.reduce<Record<string, string>[]>(
    (sets, choice) =>
      sets.flatMap((picks) => choice.options.map((option) => ({ ...picks, [choice.id]: option.id }))),
    [{}],
  );
  const key = (picks: Record<string, string>) =>
    chosen.map(({ id, options }) => ownValue(picks, id) ?? options[0]!.id).join('|');
  const known = new Set(design.alternatives.map(({ picks }) => key(picks)));
  let result = design;
  for (const picks of picksOf) {
    if (known.has(key(picks)) || result.alternatives.length >= mostAlternatives) continue;
    const words = chosen.map(({ id, title, options }) => {
      const option = options.find((one) => one.id === ownValue(picks, id))!;
      return `${title.toLowerCase()} ${option.title}`;
    });
    const title = freeTitle(
      words.join(' · '),
      result.alternatives.map((a) => a.title),
    );
    const id = freeId(
      title,
      result.alternatives.map((a) => a.id),
      'alternative',
    );
    result = { ...result, alternatives: [...result.alternatives, { id, title, picks }] };
  }
  return result;
}
