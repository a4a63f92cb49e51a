import { forceExtremes, type PlacedValue } from '../../results/index.js';
import { forceColumns, forcesOf } from './force-columns.js';
import type { PlacedNumber, TableKind } from './table.js';
import type { Units } from '../../units/units.js';

/** Greatest and least of every internal force along each member, found and not sampled; local axes. */
export const extremes: TableKind = {
  kind: 'extremes',
  title: 'What members carry at most',
  of: 'members',
  ranges: true,
  columns: ({ forces: { frame } }) => forceColumns(frame.plane),
  places: ({ forces: { frame }, namer, units }) =>
    frame.memberIds.map((member, m) => ({
      part: member,
      title: namer.member(member),
      at: '',
      values: (state) => {
        const field = state.field(m);
        return forcesOf(frame.plane).map((name) => {
          const { min, max } = forceExtremes(field, name);
          return { greatest: placed(max, units), least: placed(min, units) };
        });
      },
    })),
};

const placed = ({ x, value }: PlacedValue, units: Units): PlacedNumber => ({
  value,
  at: `x = ${units.inSentence(x, 'length')}`,
});
