import { fail } from '../../base/problem.js';
import type { FrameModel, Section } from '../../model/types.js';

/**
 * The model with other sections for some members, by member id; a member that tapered has the new section throughout. All else are the
 * same objects, and the equations have the same pattern, so that an evaluation takes the symbolic factorization of the one before
 * (`planFor` keeps it by topology).
 *
 * @throws ProblemError `unknown-member` for an id that no member has
 */
export function vary(model: FrameModel, sections: ReadonlyMap<string, Section>): FrameModel {
  const left = new Set(sections.keys());
  const members = model.members.map((member) => {
    const section = sections.get(member.id);
    if (!section) return member;
    left.delete(member.id);
    const { endSection: _, ...uniform } = member;
    return { ...uniform, section: section.id };
  });
  const [unknown] = left;
  if (unknown !== undefined)
    fail('unknown-member', `No member is called "${unknown}"; give sections to members of the model.`, {
      member: unknown,
    });
  const given = new Map([...sections.values()].map((section) => [section.id, section]));
  return {
    ...model,
    members,
    sections: [...model.sections.filter(({ id }) => !given.has(id)), ...given.values()],
  };
}
