import { portal } from './examples.js';
import { fail } from '../../base/problem.js';
import { length, option, optional, sectionName, word } from '../../fields/index.js';
import { selectMembers, selectsMembers } from '../select.js';
import { edit } from '../step.js';
import { taperAtEnds } from './taper-at.js';

/** A section that varies along a member. */
export const taper = edit({
  kind: 'taper',
  title: 'Taper',
  about:
    'Another section, or another depth of the same one, at an end of a member, varying linearly over a length to the member’s own section.',
  roles: [],
  places: ['taper'],
  group: 'shape',
  example: {
    before: [portal()],
    fields: { members: 'role == "column"', end: 'end', depth: '1.2 m', flush: 'centre' },
  },
  fields: {
    members: selectsMembers,
    end: word({
      title: 'End',
      about: 'start, end, or the place of the node there, such as base or eaves.',
      initial: 'end',
    }),
    depth: optional(length({ title: 'Depth at the end', initial: '0.6 m', above0: true })),
    section: optional(sectionName({ title: 'Section at the end' })),
    length: optional(length({ title: 'Length', about: 'Left out: the whole member.', above0: true })),
    flush: option(['top', 'centre', 'bottom'], {
      title: 'In line',
      about: 'What stays in line, for the drawing.',
      fallback: 'centre',
    }),
  },
  run(before, { members, end, depth, section, length: reach, flush }, context) {
    const { id } = context;
    if ((depth === undefined) === (section === undefined))
      fail('geometry', `Step "${id}" needs either a depth or a section at the end.`, {
        step: id,
        field: 'depth',
      });
    const target = depth === undefined ? { section: section! } : { depth };
    return taperAtEnds(
      before,
      selectMembers(before, members, context),
      { end, length: reach, target, flush, what: 'taper' },
      id,
    );
  },
  summary: ({ end, depth, section }) => `at the ${String(end)} to ${String(depth ?? section)}`,
});
