import type { BuiltFrame } from '../../build/build.js';
import { fail } from '../../base/problem.js';
import type { Rule } from '../../document/types.js';
import { lookUpProfile } from '../../sections/profiles.js';

/** One source of sections: a parameter that rules take their section from, or a rule that names its section itself. */
export interface SectionGroup {
  /** The parameter's name, or the rule's id. */
  readonly id: string;
  readonly kind: 'parameter' | 'rule';
  readonly title: string;
  /** The section that stands there, with its full name. */
  readonly section: string;
  /** It is one of the design's own sections and not of the library. */
  readonly isOwn: boolean;
  /** Ids of the members that get their section from it. */
  readonly pieces: readonly string[];
  /** Ids of the physical members that these are parts of, as the checks name them. */
  readonly members: readonly string[];
}

/** The groups of a frame that give some member its section: parameters in the design's order, then rules. */
export function sectionGroups(built: BuiltFrame): SectionGroup[] {
  const { design, assignment, model } = built;
  const rules = new Map(design.rules.map((rule) => [rule.id, rule]));
  const pieces = new Map<string, { pieces: string[]; members: Set<string> }>();
  for (const { id, design: given } of model.members) {
    const rule = rules.get(assignment.givenTo(id).get('section')!)!;
    const key = sourceOf(rule);
    const known = pieces.get(key) ?? { pieces: [], members: new Set<string>() };
    known.pieces.push(id);
    known.members.add(given?.group ?? id);
    pieces.set(key, known);
  }
  const own = new Set(design.sections.map(({ id }) => id));
  const groupOf = (
    key: string,
    head: Pick<SectionGroup, 'id' | 'kind' | 'title'>,
    written: string,
  ): SectionGroup[] => {
    const found = pieces.get(key);
    if (!found) return [];
    const isOwn = own.has(written);
    const section = isOwn ? written : lookUpProfile(written)!.name;
    return [{ ...head, section, isOwn, pieces: found.pieces, members: [...found.members] }];
  };
  return [
    ...design.parameters.flatMap(({ name, title, kind, value }) =>
      kind === 'section' ? groupOf(`parameter ${name}`, { id: name, kind: 'parameter', title }, value) : [],
    ),
    ...design.rules.flatMap((rule) =>
      typeof rule.section === 'string'
        ? groupOf(
            `rule ${rule.id}`,
            { id: rule.id, kind: 'rule', title: rule.title ?? rule.id },
            rule.section,
          )
        : [],
    ),
  ];
}

const sourceOf = ({ id, section }: Rule): string =>
  typeof section === 'object' ? `parameter ${section.parameter}` : `rule ${id}`;

/**
 * The groups that are asked for, in the design's order; all of them without names.
 *
 * @throws ProblemError `unknown-group` for a name that gives no member its section
 */
export function askedGroups(groups: readonly SectionGroup[], ids: readonly string[] = []): SectionGroup[] {
  for (const id of ids)
    if (!groups.some((group) => group.id === id))
      fail(
        'unknown-group',
        `No group "${id}" gives a member its section; the groups are ${groups.map((group) => group.id).join(', ') || 'none'}.`,
        { group: id },
      );
  return groups.filter(({ id }) => ids.length === 0 || ids.includes(id));
}
