import { crossingsOf } from '../../geometry/weld/crossings.js';
import { Draft } from '../../geometry/draft.js';
import { listed, type RemarkKind } from './warning.js';

/** Members that cross, or end on each other, without a common node. Braces pass each other freely unless a step says otherwise. */
export const crossings: RemarkKind = {
  code: 'crossing',
  find({ geometry }, names) {
    const isBrace = (id: string) => geometry.members.get(id)!.tags['role'] === 'brace';
    const pairs = crossingsOf(new Draft(geometry, 'check'), [...geometry.members.keys()])
      .map(({ members }) => members)
      .filter(([a, b]) => !(isBrace(a) && isBrace(b)));
    if (pairs.length === 0) return [];
    const members = [...new Set(pairs.flat())];
    const lines = new Set(members.map((id) => geometry.members.get(id)!.tags['step']));
    return [
      {
        code: 'crossing',
        message: `Members cross and are not joined: ${listed(pairs.map(([a, b]) => `${names.member(a)} and ${names.member(b)}`))}.`,
        nodes: [],
        members,
        fix: {
          title: 'Join them where they cross',
          step: {
            edit: 'join',
            members: [...lines].map((step) => `step == "${String(step)}"`).join(' or '),
            crossings: true,
          },
        },
      },
    ];
  },
};
