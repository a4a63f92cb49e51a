import { memberChecker } from '../checker.js';
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
  trace(source, { member }) {
    const checker = memberChecker(source);
    const index = checker.members.findIndex(({ id }) => id === member);
    return index < 0 ? [] : [...(checker.check(index, { steps: true }).governs?.steps ?? [])];
  },
};
