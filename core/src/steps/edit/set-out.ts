import { bay } from './examples.js';
import { Draft } from '../../geometry/draft.js';
import { angle, flag, option } from '../../fields/index.js';
import { selectMembers, selectsMembers } from '../select.js';
import { edit } from '../step.js';
import { words } from '../words.js';

const rows = { top: 1, middle: 0, bottom: -1 } as const;
const columns = { left: 1, centre: 0, right: -1 } as const;
const pointNames = (Object.keys(rows) as (keyof typeof rows)[]).flatMap((row) =>
  (Object.keys(columns) as (keyof typeof columns)[]).map((column) => `${row} ${column}` as const),
);

/** Another point of the section than its centroid on the line. */
export const setOut = edit({
  kind: 'set-out',
  title: 'Set out',
  about:
    'Puts one of the nine points of the section’s box on the line instead of the centroid, looking along the member with z up (left is +y); turns or mirrors the section.',
  roles: [],
  places: [],
  group: 'finish',
  example: {
    before: [bay({ bays: ['6 m'], storeys: ['4 m'] })],
    fields: { members: 'role == "beam"', point: 'top centre' },
  },
  fields: {
    members: selectsMembers,
    point: option(pointNames, {
      title: 'Point on the line',
      fallback: 'middle centre',
      initial: 'top centre',
    }),
    turn: angle({ title: 'Turn', fallback: '0 deg' }),
    mirrored: flag({ title: 'Mirrored left to right' }),
  },
  run(before, { members, point, turn, mirrored }, context) {
    const draft = new Draft(before, context.id);
    const [row, column] = point.split(' ') as [keyof typeof rows, keyof typeof columns];
    for (const member of selectMembers(before, members, context))
      draft.members.set(member.id, {
        ...member,
        setOut: { up: rows[row], across: columns[column], turn, mirrored },
      });
    return draft.finish();
  },
  summary: ({ point, turn }) =>
    `${words(point, 'middle centre')}${turn === undefined ? '' : `, turned ${words(turn)}`}`,
});
