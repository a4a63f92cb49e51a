import type { MemberField } from '../../analysis/index.js';
import { forceAt, forceCandidates, forceFormula, type ForceName } from '../../results/index.js';
import { significant } from '../../units/format.js';
import { componentOf, membersOf, worse, type FigureKind, type FigureResult } from './figure.js';
import { resultSteps } from './superposition.js';

/** Greatest internal force of some members; signs as the frame model has them. */
function greatestForce(
  kind: string,
  title: string,
  components: readonly ForceName[],
  signed: boolean,
): FigureKind {
  const self: FigureKind = {
    kind,
    title,
    needs: 'forces',
    signed,
    limitIs: 'most',
    judgedBy: 'strength',
    of: 'members',
    components,
    quantity: (spec) => (['T', 'My', 'Mz'].includes(componentOf(self, spec)) ? 'moment' : 'force'),
    compute(source, spec, selections) {
      const { frame, states } = source.forces;
      const name = componentOf(self, spec) as ForceName;
      let worst: FigureResult | undefined;
      for (const m of membersOf(source, spec))
        for (const { id } of selections) {
          const field = states.get(id)!.field(m);
          for (const { x, value } of forceCandidates(field, name)) {
            const before = Math.abs(forceAt(field, name, x) - value) > 1e-9 * Math.abs(value);
            worst = worse(worst, {
              value,
              result: id,
              member: frame.memberIds[m]!,
              x,
              ...(before ? { before } : {}),
            });
          }
        }
      return worst;
    },
    valueIn({ forces }, spec, { member, x, before = false }) {
      const m = member === undefined ? undefined : forces.frame.memberIndex.get(member);
      if (m === undefined || x === undefined) return undefined;
      const name = componentOf(self, spec) as ForceName;
      return (state) => forceAt(state.field(m), name, x, before);
    },
    trace(source, spec, found) {
      const { member, x, result, before = false } = found;
      const m = member === undefined ? undefined : source.forces.frame.memberIndex.get(member);
      if (m === undefined || x === undefined || result === undefined) return [];
      const name = componentOf(self, spec) as ForceName;
      const unit = ['T', 'My', 'Mz'].includes(name) ? 'N·m' : 'N';
      return resultSteps(source, result, {
        symbol: name,
        unit,
        valueOf: self.valueIn!(source, spec, found)!,
        formulaOf: (state) => formula(state.field(m), name, x, before),
      });
    },
  };
  return self;
}

/** A force along the segment that holds x, as a formula in kN or kN·m and m. */
function formula(field: MemberField, name: ForceName, x: number, before: boolean): string {
  const { from, coefficients } = forceFormula(field, name, x, before);
  const t = from === 0 ? 'x' : `(x − ${significant(from, 4)})`;
  const terms = coefficients
    .map((c, power) => ({ kilo: c / 1e3, power }))
    .filter(({ kilo }) => Math.abs(kilo) > 1e-9)
    .map(
      ({ kilo, power }) =>
        `${significant(kilo, 4)}${power === 0 ? '' : `·${t}${['', '', '²', '³', '⁴'][power] ?? `^${power}`}`}`,
    );
  return `K·u = F, then ${name}(x) = ${terms.join(' + ').replaceAll('+ −', '− ') || '0'} at x = ${significant(x, 4)} m`;
}

export const moment = greatestForce('moment', 'Moment', ['My', 'Mz', 'T'], false);
export const axial = greatestForce('axial', 'Axial force', ['N'], true);
export const shear = greatestForce('shear', 'Shear force', ['Vz', 'Vy'], false);
