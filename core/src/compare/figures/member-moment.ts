import type { Role } from '../../recipe/types.js';
import { forceAt, forceCandidates, memberField } from '../../results/index.js';
import type { Figure, FigureId, FigureResult } from './figure.js';
import { worse } from './figure.js';
import { superpositionSteps } from './superposition.js';

/** Greatest bending moment about y in the members of one role; positive: tension on the member's −z side. */
function greatestMoment(id: FigureId, title: string, role: Role): Figure {
  return {
    id,
    title,
    quantity: 'moment',
    signed: false,
    judgedBy: 'strength',
    compute(source, selections) {
      let worst: FigureResult | undefined;
      for (const { id: result, factors } of selections)
        for (const member of source.built.geometry.members) {
          if (member.role !== role) continue;
          const m = source.frame.memberIndex.get(member.id)!;
          const field = memberField(source.frame, source.results, m, factors);
          for (const { x, value } of forceCandidates(field, 'My')) {
            const before = Math.abs(forceAt(field, 'My', x) - value) > 1e-9 * Math.abs(value);
            worst = worse(worst, { value, result, member: member.id, x, ...(before ? { before } : {}) });
          }
        }
      return worst;
    },
    trace(source, { member, x, result, before }) {
      if (member === undefined || x === undefined || result === undefined) return [];
      const m = source.frame.memberIndex.get(member)!;
      return superpositionSteps(source, `My ${member}`, 'N·m', result, (_, alone) =>
        forceAt(memberField(source.frame, source.results, m, alone), 'My', x, before ?? false),
      );
    },
  };
}

export const columnMoment = greatestMoment('column-moment', 'Moment in columns', 'column');
export const rafterMoment = greatestMoment('rafter-moment', 'Moment in rafters', 'rafter');
