import { conditionWords } from '../../geometry/conditions/condition-words.js';
import { bay } from './examples.js';
import { fail } from '../../base/problem.js';
import { Draft } from '../../geometry/draft.js';
import { selectMembers, selectNodes, selectsMembers, selectsNodes } from '../select.js';
import { edit } from '../step.js';

/** Takes members or nodes away. */
export const remove = edit({
  kind: 'remove',
  title: 'Remove',
  about: 'Removes members, or nodes and what hangs on them. Nodes that no member meets any more go too.',
  roles: [],
  places: [],
  group: 'shape',
  example: {
    before: [bay({ bays: ['6 m', '6 m'], storeys: ['3.5 m', '3.5 m'] })],
    fields: { members: 'role == "beam" and storey == 2 and bay == 2' },
  },
  fields: { members: selectsMembers, nodes: selectsNodes },
  run(before, { members, nodes }, context) {
    const { id } = context;
    if (!members && !nodes)
      fail('geometry', `Step "${id}" would remove everything; say which members or nodes.`, { step: id });
    const draft = new Draft(before, id);
    if (nodes) for (const node of selectNodes(before, nodes, context)) draft.removeNode(node.id);
    if (members)
      for (const member of selectMembers(before, members, context))
        if (draft.members.has(member.id)) draft.removeMember(member.id);
    return draft.finish();
  },
  summary: ({ members, nodes }) =>
    `${typeof members === 'string' ? conditionWords(members, 'members') : ''}${typeof nodes === 'string' ? conditionWords(nodes, 'nodes') : ''}`,
});
