import type { Design, Option, Patch, Rule } from '../../document/types.js';
import { stepTitles } from '../../document/titles.js';
import type { Fields } from '../../fields/field.js';
import { withValues } from '../../fields/with-values.js';
import { conditionWords } from '../../geometry/conditions/condition-words.js';
import { ruleWords } from '../../rules/index.js';
import { kindOf } from '../../steps/index.js';
import { stepFields } from '../../steps/step-fields.js';
import { stepWithValues } from '../../steps/step-with-values.js';
import { fieldWords } from '../../steps/field-words.js';

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

function stepSentences(patch: Patch, design: Design, texts: Texts): string[] {
  const { steps } = design;
  const titleOf = stepTitles(design);
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
        `${(fields[name]?.title ?? name).toLowerCase()} ${fieldWords(fields[name], value, titleOf)}`,
    );
  return [...switched(title, patch), ...(told.length > 0 ? [`${title}: ${told.join(', ')}`] : [])];
}

function ruleSentences(patch: Patch, design: Design, texts: Texts): string[] {
  const { rules } = design;
  const known = rules.find(({ id }) => id === patch.id);
  const changed = { ...known, ...patch } as unknown as Rule;
  const title = changed.title ?? patch.id;
  const of = changed.members !== undefined ? 'members' : 'nodes';
  const reach = conditionWords(changed[of] ?? '', of, stepTitles(design));
  const gives = ruleWords(withValues(changed, texts));
  if (!known) return [`adds ${title}: ${gives}, for ${reach}`];
  const before = ruleWords(withValues(known, texts));
  return [
    ...switched(title, patch),
    ...(gives === before ? [] : [`${title}: ${gives}, not ${before}`]),
    ...(patch[of] === undefined ? [] : [`${title}: for ${reach}`]),
  ];
}
