import { portal } from './examples.js';
import { length, word } from '../../fields/index.js';
import { selectMembers, selectsMembers } from '../select.js';
import { edit } from '../step.js';
import { taperAtEnds } from './taper-at.js';

/** A deepened corner. */
export const haunch = edit({
  kind: 'haunch',
  title: 'Haunch',
  about:
    'Deepens a member at an end: from the section’s depth and the depth added below it, linearly to the section’s depth; the top stays in line. The axis of the analysis stays on the line.',
  roles: [],
  places: ['haunch'],
  group: 'shape',
  example: {
    before: [portal()],
    fields: { members: 'role == "rafter"', end: 'eaves', length: '3 m', depth: '0.9 m' },
  },
  fields: {
    members: selectsMembers,
    end: word({
      title: 'End',
      about: 'start, end, or the place of the node there, such as eaves or apex.',
      initial: 'eaves',
    }),
    length: length({ title: 'Length', initial: '1.5 m', above0: true }),
    depth: length({ title: 'Depth added below', initial: '0.4 m', above0: true }),
  },
  run: (before, { members, end, length: reach, depth }, context) =>
    taperAtEnds(
      before,
      selectMembers(before, members, context),
      { end, length: reach, target: { added: depth }, flush: 'top', what: 'haunch' },
      context.id,
    ),
  summary: ({ end, length: reach, depth }) =>
    `at the ${String(end)}, ${String(reach)} long, ${String(depth)} deeper`,
});
