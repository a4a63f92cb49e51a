import { membersOf, worse, type FigureKind, type FigureResult } from './figure.js';
import { memberTrace } from './member-trace.js';

/** Greatest utilisation of the members that are covered, over all strength combinations. */
export const utilisation: FigureKind = {
  kind: 'utilisation',
  title: 'Utilisation',
  needs: 'checks',
  signed: false,
  limitIs: 'most',
  judgedBy: 'strength',
  of: 'members',
  components: [],
  quantity: () => 'number',
  compute(source, spec) {
    const chosen =
      spec.members === undefined
        ? undefined
        : new Set(membersOf(source, spec).map((m) => source.forces.frame.memberIds[m]!));
    let worst: FigureResult | undefined;
    for (const { member, of, governs } of source.checks ?? []) {
      if (!governs || (chosen && !of.some((id) => chosen.has(id)))) continue;
      worst = worse(worst, { value: governs.utilisation, result: governs.combination, member, x: governs.x });
    }
    return worst;
  },
  trace: (source, _, { member }) => (member === undefined ? [] : memberTrace(source, member)),
};
