import { applyChanges, pickedOption } from '../../document/alternatives.js';
import type { Alternative, Changes, Choice, Design, Option, Patch } from '../../document/types.js';
import { isOwnChoice, ofNone, ownChoice, recordIntoOption, setOptionChanges } from './choices.js';
import { freeId } from '../ids.js';
import { withFields } from '../lists.js';
import { withoutPatches } from './patches.js';

/** An option that an alternative picks. */
interface Picked {
  readonly choice: Choice;
  readonly option: Option;
}

/** The options that an alternative picks; a later one wins over an earlier one. */
function pickedOptions({ choices }: Design, alternative: Alternative): Picked[] {
  return choices.flatMap((choice) => {
    const id = pickedOption(choices, alternative, choice.id);
    const option = choice.options.find((one) => one.id === id);
    return option ? [{ choice, option }] : [];
  });
}

/** The design as the options of an alternative change it; values that are the alternative's own stay with it. */
export function shownDesign(design: Design, alternative: Alternative): Design {
  let result = design;
  // What an option changes and is not there any more is told by the calculation
  for (const { option } of pickedOptions(design, alternative))
    result = applyChanges(result, option.changes, () => undefined);
  return result;
}

type List = 'steps' | 'rules';

/** Titles of the options that change a parameter, step or rule of an alternative, or add it. */
export function optionsThatChange(
  design: Design,
  alternative: Alternative,
  list: List | 'parameters',
  id: string,
): readonly string[] {
  const changes = ({ option: { changes: of } }: Picked): boolean =>
    list === 'parameters'
      ? Object.hasOwn(of.parameters ?? {}, id)
      : (of[list]?.some((patch) => patch.id === id) ?? false);
  return pickedOptions(design, alternative)
    .filter(changes)
    .map(({ option }) => option.title);
}

/**
 * The design in which `after` is shown for an alternative: `after` was made of its `shownDesign`. What an option holds of a parameter,
 * step or rule is changed in that option, everything else in the design.
 */
export function changeShown(design: Design, alternative: Alternative, after: Design): Design {
  const shown = shownDesign(design, alternative);
  if (shown === design) return after;
  const back = new WayBack(pickedOptions(design, alternative));
  const rest: Design = {
    ...after,
    parameters: back.parameters(design, shown, after),
    steps: back.list('steps', design, shown, after),
    rules: back.list('rules', design, shown, after),
  };
  return back.finished(rest);
}

/**
 * The design in which `after` is shown for one alternative alone: `after` was made of its `shownDesign`. What was changed of steps and
 * rules goes into an option that no other alternative picks; values of parameters stay the design's.
 */
export function changeShownAlone(design: Design, alternative: Alternative, after: Design): Design {
  const shown = shownDesign(design, alternative);
  if (shown.steps === after.steps && shown.rules === after.rules)
    return changeShown(design, alternative, after);
  const { alternatives } = after;
  const { design: ready, choice, option } = withOwnOption({ ...design, alternatives }, alternative);
  const given = { ...after, choices: ready.choices, alternatives: ready.alternatives };
  return recordIntoOption(ready, given, { choice, option }, shown);
}

/** The design with a choice whose options are of one alternative each, the last of all so that it wins. */
function withOwnOption(
  design: Design,
  { id, title }: Alternative,
): { design: Design; choice: string; option: string } {
  const known = design.choices.find(isOwnChoice);
  const base: Choice = known ?? {
    id: freeId(
      ownChoice,
      design.choices.map((one) => one.id),
    ),
    title: 'Alone',
    options: [{ id: ofNone, title: 'as the design', changes: {} }],
  };
  const picked = design.alternatives.find((one) => one.id === id)?.picks[base.id];
  const isOwn =
    picked !== undefined &&
    picked !== base.options[0]!.id &&
    !design.alternatives.some((one) => one.id !== id && one.picks[base.id] === picked);
  const option = isOwn
    ? picked
    : freeId(
        title,
        base.options.map((one) => one.id),
        'option',
      );
  const options = isOwn ? base.options : [...base.options, { id: option, title, changes: {} }];
  return {
    choice: base.id,
    option,
    design: {
      ...design,
      choices: [...design.choices.filter((one) => one.id !== base.id), { ...base, options }],
      alternatives: design.alternatives.map((one) =>
        one.id === id ? { ...one, picks: { ...one.picks, [base.id]: option } } : one,
      ),
    },
  };
}

type Part = { readonly id: string } & Readonly<Record<string, unknown>>;

/** Leads changes of what is shown back to where it is from, and collects those of options. */
class WayBack {
  private readonly changes: Map<Option, Changes>;
  private readonly gone: Record<List, string[]> = { steps: [], rules: [] };

  constructor(private readonly picked: readonly Picked[]) {
    this.changes = new Map(picked.map(({ option }) => [option, option.changes]));
  }

  parameters(design: Design, shown: Design, after: Design): Design['parameters'] {
    const base = new Map(design.parameters.map((one) => [one.name, one.value]));
    const seen = new Map(shown.parameters.map((one) => [one.name, one.value]));
    return after.parameters.map((parameter) => {
      const { name, value } = parameter;
      const own = base.get(name);
      if (own === undefined) return parameter;
      if (value === seen.get(name)) return { ...parameter, value: own };
      const holder = this.holder(({ parameters }) => Object.hasOwn(parameters ?? {}, name));
      if (!holder) return parameter;
      const { parameters, ...rest } = this.changes.get(holder)!;
      this.changes.set(holder, { ...rest, parameters: { ...parameters, [name]: value } });
      return { ...parameter, value: own };
    });
  }

  list<L extends List>(list: L, design: Design, shown: Design, after: Design): Design[L] {
    if (shown[list] === after[list]) return design[list];
    const base = new Map(design[list].map((part) => [part.id, part as Part]));
    const seen = new Map(shown[list].map((part) => [part.id, part as Part]));
    const kept = new Set(after[list].map(({ id }) => id));
    this.gone[list] = [...seen.keys()].filter((id) => !kept.has(id));
    return (after[list] as readonly Part[]).flatMap((part) => {
      const was = seen.get(part.id);
      if (!was) return [part];
      const own = base.get(part.id);
      const fields = this.fieldsBack(list, part.id, changedFields(was, part), own !== undefined);
      return own ? [Object.keys(fields).length > 0 ? withFields(own, fields) : own] : [];
    });
  }

  /** Gives options those of the fields that they hold. @returns the others */
  private fieldsBack(
    list: List,
    id: string,
    fields: Readonly<Record<string, unknown>>,
    isOfDesign: boolean,
  ): Record<string, unknown> {
    const rest: Record<string, unknown> = {};
    for (const [field, value] of Object.entries(fields)) {
      const holds = (isField: boolean) =>
        this.holder((changes) =>
          (changes[list] ?? []).some((patch) => patch.id === id && (!isField || Object.hasOwn(patch, field))),
        );
      const holder = holds(true) ?? (isOfDesign ? undefined : holds(false));
      if (holder) this.patch(holder, list, id, { [field]: value });
      else rest[field] = value;
    }
    return rest;
  }

  private patch(option: Option, list: List, id: string, fields: Readonly<Record<string, unknown>>): void {
    const changes = this.changes.get(option)!;
    const patches = (changes[list] ?? []).map((patch): Patch =>
      patch.id === id ? withFields(patch, fields) : patch,
    );
    this.changes.set(option, { ...changes, [list]: patches });
  }

  /** The last of the picked options whose changes hold something. */
  private holder(holds: (changes: Changes) => boolean): Option | undefined {
    return this.picked.findLast(({ option }) => holds(this.changes.get(option)!))?.option;
  }

  /** The design with what was changed of options. */
  finished(rest: Design): Design {
    let result = rest;
    for (const { choice, option } of this.picked) {
      const changes = this.changes.get(option)!;
      if (changes !== option.changes) result = setOptionChanges(result, choice.id, option.id, changes);
    }
    return withoutPatches(withoutPatches(result, 'steps', this.gone.steps), 'rules', this.gone.rules);
  }
}

/** Fields that differ, with their new values; undefined where one is gone. */
function changedFields(was: Part, part: Part): Record<string, unknown> {
  const fields: Record<string, unknown> = {};
  if (was === part) return fields;
  for (const key of new Set([...Object.keys(was), ...Object.keys(part)]))
    if (JSON.stringify(was[key]) !== JSON.stringify(part[key])) fields[key] = part[key];
  return fields;
}
