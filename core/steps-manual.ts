// Writes docs/steps.md: every kind of step from its declaration, with a drawing of what it makes or changes; with --check compares instead of writing.
import { readFileSync, writeFileSync } from 'node:fs';
import { kindPicture } from './src/drawing/index.js';
import type { Field } from './src/fields/index.js';
import { stepKinds } from './src/steps/index.js';
import type { StepKind } from './src/steps/step.js';
import { format } from 'oxfmt';

const target = new URL('../docs/steps.md', import.meta.url);
const pictures = new URL('../docs/steps/', import.meta.url);

function formOf(field: Field<unknown>): string {
  const { form } = field;
  if (form.kind === 'option') return form.options.map(({ label }) => label).join(' · ');
  if (form.kind === 'quantity') return form.quantity;
  return form.kind;
}

function startOf({ fallback, optional, initial }: Field<unknown>): string {
  if (fallback !== undefined) return `\`${JSON.stringify(fallback)}\` unless given`;
  if (optional) return 'may be left out';
  return initial === undefined ? 'needed' : `needed; begins with \`${JSON.stringify(initial)}\``;
}

const cell = (text: string) => text.replaceAll('|', '\\|').replaceAll('\n', ' ');

function chapter(kind: StepKind): string[] {
  const list = (words: readonly string[]) => words.map((word) => `\`${word}\``).join(', ');
  return [
    `### \`${kind.kind}\`: ${kind.title}`,
    '',
    `![${kind.title}](steps/${kind.kind}.svg)`,
    '',
    `${kind.about}${kind.solidOnly ? ' Only in solid designs.' : ''}`,
    '',
    ...(kind.roles.length > 0 ? [`Roles: ${list(kind.roles)}.`] : []),
    ...(kind.places.length > 0 ? [`Places: ${list(kind.places)}.`] : []),
    '',
    '| field | is | value | |',
    '|---|---|---|---|',
    ...Object.entries(kind.fields as Record<string, Field<unknown>>).map(
      ([name, field]) =>
        `| \`${name}\` | ${cell(field.title)} | ${cell(formOf(field))} | ${cell(startOf(field))}${field.when ? `; with ${field.when.field} ${field.when.is.join(' or ')}` : ''} |`,
    ),
    '',
  ];
}

const drawn = new Map(stepKinds.map((kind) => [kind.kind, kindPicture(kind, { width: 240, height: 150 })]));
const text = [
  '# Steps of the recipe',
  '',
  'Written by `npm run manual` from the declarations in `core/src/steps`, one file a kind; `npm test` checks that it is current.',
  'Quantities are expressions with units; conditions read tags such as `role == "column" and bay == 2`. Every step has an `id`, may have',
  'a `title`, and is left out with `"off": true`; generators have an origin `at: [x, y, z]` and a `turn` about Z.',
  '',
  '## Generators (`"make"`)',
  '',
  ...stepKinds.filter(({ verb }) => verb === 'make').flatMap(chapter),
  '## Edits (`"edit"`)',
  '',
  'Every edit selects what it works on by a condition, all that came before where it has none.',
  '',
  ...stepKinds.filter(({ verb }) => verb === 'edit').flatMap(chapter),
].join('\n');
const { code: page } = await format('steps.md', text);

if (process.argv.includes('--check')) {
  const current =
    readFileSync(target, 'utf8') === page &&
    [...drawn].every(([kind, svg]) => readFileSync(new URL(`${kind}.svg`, pictures), 'utf8') === svg);
  if (!current) {
    console.error('docs/steps.md is not current: run npm run manual.');
    process.exit(1);
  }
  console.log(`docs/steps.md is current: ${stepKinds.length} kinds of step.`);
} else {
  writeFileSync(target, page);
  for (const [kind, svg] of drawn) writeFileSync(new URL(`${kind}.svg`, pictures), svg);
}
