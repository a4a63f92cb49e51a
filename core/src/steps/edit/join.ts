import { lines } from './examples.js';
import { fail } from '../../base/problem.js';
import { joinCrossings } from '../../geometry/weld/crossings.js';
import { Draft } from '../../geometry/draft.js';
import { divide, joinNodes } from '../../geometry/weld/weld.js';
import { flag, length, optional } from '../../fields/index.js';
import { selectMembers, selectNodes, selectsMembers, selectsNodes } from '../select.js';
import { edit } from '../step.js';

/** Makes one of what coincides or crosses. */
export const join = edit({
  kind: 'join',
  title: 'Join',
  about:
    'Nodes nearer than a tolerance become one, the earlier one; members are divided at nodes that lie on them; or crossing members get a common node.',
  roles: [],
  places: ['crossing'],
  group: 'connect',
  example: { before: [lines()], fields: { crossings: true } },
  fields: {
    members: selectsMembers,
    nodes: selectsNodes,
    tolerance: optional(length({ title: 'Tolerance', initial: '20 mm', above0: true })),
    crossings: flag({ title: 'Crossings' }),
  },
  run(before, { members, nodes, tolerance, crossings }, context) {
    const { id } = context;
    if (tolerance === undefined && !crossings)
      fail('geometry', `Step "${id}" does not say what to join; give "tolerance" or "crossings".`, {
        step: id,
      });
    const draft = new Draft(before, id);
    const chosen = selectMembers(before, members, context);
    const used = new Set(chosen.flatMap(({ start, end }) => [start, end]));
    const among = selectNodes(before, nodes, context)
      .map((node) => node.id)
      .filter((node) => !members || used.has(node));
    if (tolerance !== undefined) joinNodes(draft, among, tolerance);
    if (crossings)
      joinCrossings(
        draft,
        chosen.map((member) => member.id).filter((name) => draft.members.has(name)),
      );
    divide(
      draft,
      [...new Set(chosen.map(({ line }) => line))],
      new Set(among.filter((node) => draft.nodes.has(node))),
    );
    return draft.finish();
  },
  summary: ({ tolerance, crossings }) =>
    crossings === true ? 'crossing members' : `nodes within ${String(tolerance)}`,
});
