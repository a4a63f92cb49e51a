import { machine } from './examples.js';
import { fail } from '../../base/problem.js';
import { Draft } from '../../geometry/draft.js';
import type { Cut } from '../../geometry/geometry.js';
import { condition, length, option } from '../../fields/index.js';
import { selectMembers, selectsMembers } from '../select.js';
import { edit } from '../step.js';
import { words } from '../words.js';

/** Cuts for the workshop. */
export const trim = edit({
  kind: 'trim',
  title: 'Trim',
  about:
    'Cuts members where they meet others, for the cut list: mitred, or butted against a face with a gap. The analysis keeps the axes.',
  roles: [],
  places: [],
  group: 'finish',
  example: {
    before: [machine()],
    fields: { members: 'role == "rail"', by: 'role == "leg"', corner: 'mitre' },
  },
  fields: {
    members: selectsMembers,
    by: condition('members', { title: 'Cut by', initial: 'role == "leg"' }),
    corner: option(['mitre', 'butt', 'none'], { title: 'Corner', fallback: 'butt' }),
    gap: length({ title: 'Gap', fallback: '0 m', least: 0 }),
  },
  run(before, { members, by, corner, gap }, context) {
    const { id } = context;
    const draft = new Draft(before, id);
    const cutters = new Set(selectMembers(before, by, context, 'by').map((member) => member.id));
    let count = 0;
    for (const member of selectMembers(before, members, context)) {
      const pieces = before.lines.get(member.line)!.members;
      const ends = [
        ...(member.id === pieces[0] ? (['start'] as const) : []),
        ...(member.id === pieces.at(-1) ? (['end'] as const) : []),
      ];
      for (const end of ends) {
        const to = [...draft.meetingAt(member[end])].find(
          (other) => cutters.has(other) && before.members.get(other)!.line !== member.line,
        );
        if (to === undefined) continue;
        count++;
        const now = draft.members.get(member.id)!;
        const { [end]: _, ...others } = now.cuts ?? {};
        const cuts: { start?: Cut; end?: Cut } =
          corner === 'none' ? others : { ...others, [end]: { corner, to, gap } };
        draft.members.set(member.id, { ...now, cuts });
      }
    }
    if (count === 0)
      fail(
        'nothing-selected',
        `Step "${id}": none of the members ends at one that cuts; change the condition "by".`,
        { step: id, field: 'by' },
      );
    return draft.finish();
  },
  summary: ({ corner, by, gap }) =>
    `${words(corner, 'butt')} by ${words(by)}${gap === undefined ? '' : `, gap ${words(gap)}`}`,
});
