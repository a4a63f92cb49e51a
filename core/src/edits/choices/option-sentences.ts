import type { Design, Option, Patch, Rule } from '../../document/types.js';
import type { Field, Fields } from '../../fields/field.js';
import { withValues } from '../../fields/with-values.js';
import { conditionWords } from '../../geometry/conditions/condition-words.js';
import { ruleWords } from '../../rules/index.js';
import { kindOf } from '../../steps/index.js';
import { stepFields } from '../../steps/step-fields.js';
import { stepWithValues } from '../../steps/step-with-values.js';
import { words } from '../../steps/words.js';

/** What belongs to a patch itself, not to what it changes. */
const ofPatches = new Set(['id', 'after', 'title']);

/** How the value of a parameter reads, by its name. */
type Texts = ReadonlyMap<string, string>;

/**
 * What an option changes in a design, a sentence each: its parameters, its steps, its rules.
 *
 * @param texts how the value of a parameter reads, by its name; one that is left out is told by its name
 */
export function optionSentences({ changes }: Option, design: Design, texts: Texts = new Map()): string[] {
  return [
    ...Object.entries(changes.parameters ?? {}).map(([name, value]) => {
      const known = design.parameters.find((one) => one.name === name);
      return `${known?.title ?? name}: ${value}${known ? `, not ${known.value}` : ''}`;
    }),
    ...(changes.steps ?? []).flatMap((patch) => stepSentences(patch, design, texts)),
    ...(changes.rules ?? []).flatMap((patch) => ruleSentences(patch, design, texts)),
  ];
}

const switched = (title: string, { off }: Patch): string[] =>
  off === undefined ? [] : [`${title}: switched ${off ? 'off' : 'on'}`];

/** The title of a step, by its id. */
const titlesIn =
  ({ steps }: Design) =>
  (id: string): string =>
    steps.find((step) => step.id === id)?.title ?? id;

function stepSentences(patch: Patch, design: Design, texts: Texts): string[] {
  const { steps } = design;
  const titleOf = titlesIn(design);
  const known = steps.find(({ id }) => id === patch.id);
  const kind = kindOf((known ?? patch) as { make?: string; edit?: string });
  const title = known?.title ?? (patch['title'] as string | undefined) ?? kind?.title ?? patch.id;
  const valued = kind ? stepWithValues(kind, patch, texts) : patch;
  if (!known) return [`adds ${title}: ${kind?.summary(valued) ?? 'a kind of step that is not known'}`];
  const fields: Fields = kind ? stepFields(kind) : {};
  const told = Object.entries(valued)
    .filter(([name]) => !ofPatches.has(name) && name !== 'off')
    .map(
      ([name, value]) =>
        `${(fields[name]?.title ?? name).toLowerCase()} ${said(fields[name], value, titleOf)}`,
    );
  return [...switched(title, patch), ...(told.length > 0 ? [`${title}: ${told.join(', ')}`] : [])];
}

function ruleSentences(patch: Patch, design: Design, texts: Texts): string[] {
  const { rules } = design;
  const known = rules.find(({ id }) => id === patch.id);
  const changed = { ...known, ...patch } as unknown as Rule;
  const title = changed.title ?? patch.id;
  const of = changed.members !== undefined ? 'members' : 'nodes';
  const reach = conditionWords(changed[of] ?? '', of, titlesIn(design));
  const gives = ruleWords(withValues(changed, texts));
  if (!known) return [`adds ${title}: ${gives}, for ${reach}`];
  const before = ruleWords(withValues(known, texts));
  return [
    ...switched(title, patch),
    ...(gives === before ? [] : [`${title}: ${gives}, not ${before}`]),
    ...(patch[of] === undefined ? [] : [`${title}: for ${reach}`]),
  ];
}

/** A field's value: conditions as they are said, options by their labels, parts one after the other. */
function said(field: Field<unknown> | undefined, value: unknown, titleOf: (id: string) => string): string {
  const form = field?.form;
  if (form?.kind === 'condition') return conditionWords(String(value), form.of, titleOf);
  if (form?.kind === 'option')
    return form.options.find((option) => option.value === value)?.label ?? words(value);
  if (form?.kind === 'flag') return value === true ? 'yes' : 'no';
  if (value !== null && typeof value === 'object' && !Array.isArray(value) && !('count' in value)) {
    const parts: Fields = form?.kind === 'record' ? form.fields : {};
    return Object.entries(value)
      .map(
        ([name, part]) => `${(parts[name]?.title ?? name).toLowerCase()} ${said(parts[name], part, titleOf)}`,
      )
      .join(', ');
  }
  return words(value);
}
