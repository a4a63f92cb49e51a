import { forceAt, type ForceName } from '../../results/index.js';
import { inSentence } from '../../units/format.js';
import type { TableKind } from './table.js';

/** Parts into which a member is divided for its rows. */
const parts = 4;
const planeForces: readonly ForceName[] = ['N', 'Vz', 'My'];
const allForces: readonly ForceName[] = ['N', 'Vy', 'Vz', 'T', 'My', 'Mz'];

/** In the plane there is one shear and one moment. */
const planeNames: Readonly<Partial<Record<ForceName, string>>> = { Vz: 'V', My: 'M' };

const forcesOf = (plane: boolean) => (plane ? planeForces : allForces);

/** Internal forces at the ends, the quarters and the middle of every member, local axes. */
export const forces: TableKind = {
  kind: 'forces',
  title: 'Forces along members',
  of: 'members',
  columns: ({ forces: { frame } }) =>
    forcesOf(frame.plane).map((name) => ({
      name: frame.plane ? (planeNames[name] ?? name) : name,
      quantity: ['T', 'My', 'Mz'].includes(name) ? 'moment' : 'force',
    })),
  places({ forces: { frame }, namer }) {
    const names = forcesOf(frame.plane);
    return frame.memberIds.flatMap((member, m) =>
      Array.from({ length: parts + 1 }, (_, i) => {
        const x = (frame.length[m]! * i) / parts;
        return {
          part: member,
          title: namer.member(member),
          at: `x = ${inSentence(x, 'length')}`,
          // At the end the value before it is the member's
          values: (state) => names.map((name) => forceAt(state.field(m), name, x, i === parts)),
        };
      }),
    );
  },
};
