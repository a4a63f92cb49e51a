import { checkMember } from '../../capacity/index.js';
import type { Figure, FigureResult } from './figure.js';
import { worse } from './figure.js';

/** Greatest utilisation of any member over all strength combinations. */
export const utilisation: Figure = {
  id: 'utilisation',
  title: 'Utilisation',
  quantity: 'number',
  signed: false,
  judgedBy: 'strength',
  compute({ checks }) {
    let worst: FigureResult | undefined;
    for (const { member, governs } of checks)
      if (governs)
        worst = worse(worst, {
          value: governs.utilisation,
          result: governs.combination,
          member,
          x: governs.x,
        });
    return worst;
  },
  trace({ frame, results, selections }, { member }) {
    if (member === undefined) return [];
    const check = checkMember(frame, results, selections, frame.memberIndex.get(member)!, true);
    return [...(check.governs?.steps ?? [])];
  },
};
