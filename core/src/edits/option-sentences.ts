import type { Design, Option, Patch, Rule } from '../document/types.js';
import type { Field, Fields } from '../fields/field.js';
import { conditionWords } from '../geometry/conditions/condition-words.js';
import { ruleWords } from '../rules/index.js';
import { kindOf } from '../steps/index.js';
import { stepFields } from '../steps/step-fields.js';
import { words } from '../steps/words.js';

/** What belongs to a patch itself, not to what it changes. */
const ofPatches = new Set(['id', 'after', 'title']);

/** What an option changes in a design, a sentence each: its parameters, its steps, its rules. */
export function optionSentences({ changes }: Option, design: Design): string[] {
  const titleOf = (id: string) => design.steps.find((step) => step.id === id)?.title ?? id;
  return [
    ...Object.entries(changes.parameters ?? {}).map(([name, value]) => {
      const known = design.parameters.find((one) => one.name === name);
      return `${known?.title ?? name}: ${value}${known ? `, not ${known.value}` : ''}`;
    }),
    ...(changes.steps ?? []).flatMap((patch) => stepSentences(patch, design, titleOf)),
    ...(changes.rules ?? []).flatMap((patch) => ruleSentences(patch, design, titleOf)),
  ];
}

const switched = (title: string, { off }: Patch): string[] =>
  off === undefined ? [] : [`${title}: switched ${off ? 'off' : 'on'}`];

function stepSentences(patch: Patch, { steps }: Design, titleOf: (id: string) => string): string[] {
  const known = steps.find(({ id }) => id === patch.id);
  const kind = kindOf((known ?? patch) as { make?: string; edit?: string });
  const title = known?.title ?? (patch['title'] as string | undefined) ?? kind?.title ?? patch.id;
  if (!known) return [`adds ${title}: ${kind?.summary(patch) ?? 'a kind of step that is not known'}`];
  const fields: Fields = kind ? stepFields(kind) : {};
  const told = Object.entries(patch)
    .filter(([name]) => !ofPatches.has(name) && name !== 'off')
    .map(
      ([name, value]) =>
        `${(fields[name]?.title ?? name).toLowerCase()} ${said(fields[name], value, titleOf)}`,
    );
  return [...switched(title, patch), ...(told.length > 0 ? [`${title}: ${told.join(', ')}`] : [])];
}

function ruleSentences(patch: Patch, { rules }: Design, titleOf: (id: string) => string): string[] {
  const known = rules.find(({ id }) => id === patch.id);
  const changed = { ...known, ...patch } as unknown as Rule;
  const title = changed.title ?? patch.id;
  const of = changed.members !== undefined ? 'members' : 'nodes';
  const reach = conditionWords(changed[of] ?? '', of, titleOf);
  const gives = ruleWords(changed);
  if (!known) return [`adds ${title}: ${gives}, for ${reach}`];
  const before = ruleWords(known);
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
