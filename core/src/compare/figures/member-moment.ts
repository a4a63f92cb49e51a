import type { Role } from '../../recipe/types.js';
import type { MemberField } from '../../analysis/index.js';
import { forceAt, forceCandidates, forceFormula, memberField } from '../../results/index.js';
import { significant } from '../../units/format.js';
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
      const field = (alone: Float64Array) => memberField(source.frame, source.results, m, alone);
      return superpositionSteps(
        source,
        `My ${member}`,
        'N·m',
        result,
        (_, alone) => forceAt(field(alone), 'My', x, before ?? false),
        (alone) => momentFormula(field(alone), x, before ?? false),
      );
    },
  };
}

/** My along the segment that holds x, as a formula in kN·m and m. */
function momentFormula(field: MemberField, x: number, before: boolean): string {
  const { from, coefficients } = forceFormula(field, 'My', x, before);
  const t = from === 0 ? 'x' : `(x − ${significant(from, 4)})`;
  const terms = coefficients
    .map((c, power) => ({ kilo: c / 1e3, power }))
    .filter(({ kilo }) => Math.abs(kilo) > 1e-9)
    .map(({ kilo, power }) => `${significant(kilo, 4)}${['', `·${t}`, `·${t}²`, `·${t}³`][power]!}`);
  return `K·u = F, then My(x) = ${terms.join(' + ').replaceAll('+ −', '− ') || '0'} at x = ${significant(x, 4)} m`;
}

export const columnMoment = greatestMoment('column-moment', 'Moment in columns', 'column');
export const rafterMoment = greatestMoment('rafter-moment', 'Moment in rafters', 'rafter');
