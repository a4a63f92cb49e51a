import { actingLoads, drawLoads } from '../parts/loads.js';
import { drawShape } from '../parts/shape.js';
import type { ShownKind } from './shown.js';
import { significant } from '../../units/significant.js';

/** Shapes of the combination that is nearest to instability; of the others the first alone. */
const mostShapes = 4;

/** Shapes in which the strength combinations buckle, by their forces of first order. */
export const buckling: ShownKind = {
  kind: 'buckling',
  group: 'Buckling shapes',
  prefix: 'buckling.',
  isShape: true,
  list: ({ built, stability, nearest }) =>
    built.combinations
      .filter(({ id, state }) => state === 'strength' && stability?.get(id)?.alphaCr !== null)
      .flatMap(({ id }) => {
        const factor = stability?.get(id)?.alphaCr;
        const first = factor === undefined || factor === null ? '' : `, αcr = ${significant(factor)}`;
        const count = id === nearest ? mostShapes : 1;
        return Array.from({ length: count }, (_, k) => ({
          id: `buckling.${k + 1}.${id}`,
          title: k === 0 ? `${id} buckles${first}` : `${id}, shape ${k + 1}`,
          kind: 'buckling' as const,
        }));
      }),
  draw(id, { pen, frame, forces, source, options, shown, units }) {
    const [, number, combination] = /^buckling\.(\d+)\.(.+)$/.exec(id) ?? [];
    const mode = combination === undefined ? undefined : source.shapes?.buckling(combination, Number(number));
    if (!mode) return undefined;
    const selection = forces.selections.find((one) => one.id === combination);
    const loads = selection && actingLoads(frame, selection.factors);
    if (loads && !options.without?.includes('loads'))
      drawLoads(pen, frame, loads, { shown, light: false, units });
    const local = drawShape(pen, frame, mode.shape, { shown, alone: mode.shares });
    return {
      greatest: { deformation: 1, load: loads?.greatest ?? 0 },
      legend: [
        {
          text: `buckles at ${significant(mode.factor)} × ${combination!}`,
          title: `critical factor ${units.exact(mode.factor, 'number')} on the axial forces of first order`,
        },
        ...(local ? [{ text: 'members buckle between their nodes, which stay in place' }] : []),
      ],
    };
  },
};
