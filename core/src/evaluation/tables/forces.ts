import { forceAt } from '../../results/index.js';
import { forceColumns, forcesOf } from './force-columns.js';
import type { TableKind } from './table.js';

/** Parts into which a member is divided for its rows. */
const parts = 4;

/** Internal forces at the ends, the quarters and the middle of every member, local axes. */
export const forces: TableKind = {
  kind: 'forces',
  title: 'What members carry, from end to end',
  of: 'members',
  columns: ({ forces: { frame } }) => forceColumns(frame.plane),
  places({ forces: { frame }, namer, units }) {
    const names = forcesOf(frame.plane);
    return frame.memberIds.flatMap((member, m) =>
      Array.from({ length: parts + 1 }, (_, i) => {
        const x = (frame.length[m]! * i) / parts;
        return {
          part: member,
          title: namer.member(member),
          at: `x = ${units.inSentence(x, 'length')}`,
          // At the end the value before it is the member's
          values: (state) => names.map((name) => forceAt(state.field(m), name, x, i === parts)),
        };
      }),
    );
  },
};
