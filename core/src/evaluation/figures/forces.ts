import { forceAt, forceCandidates, type ForceName } from '../../results/index.js';
import { componentOf, membersOf, worse, type FigureKind, type FigureResult } from './figure.js';
import { forceSteps } from './force-steps.js';

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
      return forceSteps(source, result, componentOf(self, spec) as ForceName, { member: m, x, before });
    },
  };
  return self;
}

export const moment = greatestForce('moment', 'Moment', ['My', 'Mz', 'T'], false);
export const axial = greatestForce('axial', 'Axial force', ['N'], true);
export const shear = greatestForce('shear', 'Shear force', ['Vz', 'Vy'], false);
