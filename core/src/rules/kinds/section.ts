import { gradeNames, lookUpGrade } from '../../sections/materials.js';
import { nearestNames } from '../../sections/nearest.js';
import { findProfile } from '../../sections/profiles.js';
import { fail } from '../../base/problem.js';
import type { Place } from '../../language/tree.js';
import { reference } from '../../fields/index.js';
import { fieldOf, memberRule } from '../rule.js';
import { nameWords } from '../words.js';

declare module '../../document/types.js' {
  interface Rule {
    section?: NameReference;
    material?: NameReference;
  }
}

export const section = memberRule({
  key: 'section',
  // Members that no other rule knows need a material as well: the one that the design's rules name first
  initial: ({ rules }) => ({
    section: 'IPE 300',
    material: rules.find((rule) => rule.material !== undefined)?.material ?? 'S355',
  }),
  title: 'Section',
  words: ({ section: given, material: of }) =>
    `${nameWords(given!)}${of === undefined ? '' : ` in ${nameWords(of)}`}`,
  gives: 'sections',
  fields: { section: reference('section', { title: 'section' }) },
  apply({ section: name }, matched, { assignment, ownSections, rule }) {
    const full = ownSections.has(name) ? name : findProfile(name, { rule: rule.id }).name;
    for (const { thing } of matched) {
      assignment.section.set(thing.id, full);
      assignment.credit(thing.id, 'section', rule.id);
    }
  },
});

/** @throws ProblemError `unknown-name` with the nearest names for a material that is neither the design's nor the library's */
function knownGrade(name: string, { what, where }: Place): void {
  if (lookUpGrade(name)) return;
  const nearest = nearestNames(name, gradeNames);
  fail(
    'unknown-name',
    `In ${what}: there is no material "${name}"; the nearest are ${nearest.join(', ')}. Choose one, or add it to the design's own.`,
    { ...where, nearest },
  );
}

export const material = memberRule({
  key: 'material',
  initial: () => ({ material: 'S355' }),
  title: 'Material',
  words: ({ section: of, material: given }) => (of === undefined ? nameWords(given!) : ''),
  gives: 'sections',
  fields: { material: reference('material', { title: 'material' }) },
  apply({ material: name }, matched, context) {
    const { assignment, rule } = context;
    if (!context.ownMaterials.has(name)) knownGrade(name, fieldOf(context, 'material'));
    for (const { thing } of matched) {
      assignment.material.set(thing.id, name);
      assignment.credit(thing.id, 'material', rule.id);
    }
  },
});
