import { spreadMassOf } from '../../analysis/index.js';
import { isFree } from '../../model/free.js';
import { drawShape } from '../parts/shape.js';
import type { ShownKind } from './shown.js';
import { significant } from '../../units/significant.js';

/** Modes that are listed. */
const mostModes = 6;

/** Natural modes: the frame's own mass, its permanent masses, no loads. */
export const mode: ShownKind = {
  kind: 'mode',
  group: 'Natural modes',
  prefix: 'mode.',
  isShape: true,
  list: ({ modes = [], units }) =>
    Array.from({ length: mostModes }, (_, k) => {
      const known = modes.filter(({ frequency }) => frequency > 0)[k];
      return {
        id: `mode.${k + 1}`,
        title: `Mode ${k + 1}${known ? `, ${units.withUnit(known.frequency, 'frequency')}` : ''}`,
        kind: 'mode' as const,
      };
    }),
  draw(id, { pen, frame, source, shown, units }) {
    const [, number] = /^mode\.(\d+)$/.exec(id) ?? [];
    const found = number === undefined ? undefined : source.shapes?.mode(Number(number));
    if (!found) return undefined;
    drawShape(pen, frame, found.shape, { shown });
    const total = frame.massPerLength.reduce(
      (sum, mass, m) => sum + mass * frame.length[m]! + spreadMassOf(frame.spreadMasses.get(m)),
      0,
    );
    const all = total + frame.masses.reduce((sum, mass) => sum + mass, 0);
    const moved = found.effectiveMass
      .map((mass, k) => ({ mass, axis: 'XYZ'[k]! }))
      .filter(({ mass }) => mass > 0.01 * all)
      .map(({ mass, axis }) => `${significant((100 * mass) / all, 2)} % along ${axis}`);
    return {
      greatest: { deformation: 1 },
      legend: [
        {
          text: `vibrates at ${units.withUnit(found.frequency, 'frequency')}`,
          title: units.exact(found.frequency, 'frequency'),
        },
        ...(isFree(source.built.model) ? [{ text: 'a free body; its motions as a whole are left out' }] : []),
        { text: moved.length > 0 ? `moves ${moved.join(', ')} of the mass` : 'moves no mass as a whole' },
      ],
    };
  },
};
