import type { FigureKind, FigureResult } from './figure.js';

const membersOnly = 'members buckle between nodes that stay; the frame not before them';

/** Least critical factor of the strength combinations, αcr: how many times their loads until the frame buckles elastically. */
export const bucklingFactor: FigureKind = {
  kind: 'bucklingFactor',
  title: 'Buckling factor αcr',
  needs: 'stability',
  signed: false,
  limitIs: 'least',
  judgedBy: 'strength',
  of: 'frame',
  components: [],
  quantity: () => 'number',
  compute({ stability }) {
    let least: FigureResult | undefined;
    for (const [result, { alphaCr }] of stability ?? [])
      if (alphaCr !== null && (!least || alphaCr < least.value)) least = { value: alphaCr, result };
    if (least) return least;
    // The frame does not buckle before its members do: their factor is below its own
    for (const [result, { alphaCrMember: value }] of stability ?? [])
      if (value !== undefined && (!least || value < least.value))
        least = { value, result, note: membersOnly };
    return least;
  },
  trace: (_, __, { value, result, note }) => [
    {
      symbol: 'αcr',
      value,
      unit: '',
      from: `least λ of (K − λ·Kσ)·u = 0 under ${result ?? ''}, by the first-order axial forces${note === undefined ? ', in whose shape nodes move' : `; ${note}`}`,
      clause: '5.2.1(3) eq. 5.1',
    },
  ],
};
