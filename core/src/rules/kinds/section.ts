import { gradeNames, lookUpGrade } from '../../sections/materials.js';
import { nearestNames } from '../../sections/nearest.js';
import { findProfile } from '../../sections/profiles.js';
import { fail } from '../../base/problem.js';
import type { Place } from '../../language/tree.js';
import type { NameReference } from '../../document/types.js';
import { memberRule, fieldOf, type RuleContext } from '../rule.js';
import { nameReference } from '../../fields/schemas.js';

/** A name, or that of a section or material parameter. */
function resolveName(reference: NameReference, context: RuleContext, field: string): string {
  if (typeof reference === 'string') return reference;
  const named = context.names.parameters.get(reference.parameter);
  if (typeof named?.value === 'string') return named.value;
  const { what, where } = fieldOf(context, field);
  return fail('unknown-name', `In ${what}: "${reference.parameter}" is no section or material parameter.`, {
    ...where,
    parameter: reference.parameter,
  });
}

export const section = memberRule({
  key: 'section',
  // Members that no other rule knows need a material as well: the one that the design's rules name first
  initial: ({ rules }) => ({
    section: 'IPE 300',
    material: rules.find((rule) => rule.material !== undefined)?.material ?? 'S355',
  }),
  title: 'Section',
  gives: 'sections',
  schema: { section: nameReference },
  apply(rule, matched, context) {
    const name = resolveName(rule.section!, context, 'section');
    const full = context.ownSections.has(name) ? name : findProfile(name, { rule: rule.id }).name;
    for (const { thing } of matched) {
      context.assignment.section.set(thing.id, full);
      context.assignment.credit(thing.id, 'section', rule.id);
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
  gives: 'sections',
  schema: { material: nameReference },
  apply(rule, matched, context) {
    const name = resolveName(rule.material!, context, 'material');
    if (!context.ownMaterials.has(name)) knownGrade(name, fieldOf(context, 'material'));
    for (const { thing } of matched) {
      context.assignment.material.set(thing.id, name);
      context.assignment.credit(thing.id, 'material', rule.id);
    }
  },
});
