import type { Frame } from '../../analysis/index.js';
import type { MemberCheck } from '../../checks/index.js';
import { add, between } from '../../geometry/vector.js';
import { pointOn } from '../../results/index.js';
import { significant } from '../../units/format.js';
import type { Draughtsman } from '../drawing.js';

/** Utilisation as a band along members: one hue that deepens up to the limit, above it vermilion and a hatch. */
export function drawUtilisation(
  pen: Draughtsman,
  frame: Frame,
  checks: readonly MemberCheck[],
  shown: (m: number) => boolean,
  nameOf: (m: number) => string,
): void {
  for (const { of, utilisation, status, member } of checks)
    of.forEach((id, k) => {
      const m = frame.memberIndex.get(id)!;
      if (!shown(m)) return;
      const [a, b] = [pointOn(frame, m, 0), pointOn(frame, m, frame.length[m]!)];
      const over = status === 'fail';
      const covered = status !== 'not covered';
      const colour = over || !covered ? 'vermilion' : 'indigo';
      pen.on('diagram').line(a, b, {
        colour,
        width: 11,
        alpha: over ? 0.75 : covered ? 0.12 + 0.6 * Math.min(1, utilisation ?? 0) : 0.25,
      });
      if (over || !covered)
        for (let i = 1; i < 8; i++)
          pen
            .on('hinges')
            .aligned(between(a, b, i / 8), b, [-3, -7], [3, 7], { colour: 'sheet', width: 1.4 });
      if (k === Math.floor(of.length / 2))
        pen.text({
          key: `utilisation ${member}`,
          text:
            utilisation === undefined ? 'not covered' : `${significant(utilisation)}${over ? ' over' : ''}`,
          at: between(a, b, 0.5),
          from: add(between(a, b, 0.5), [0, 0, -1]),
          beyond: 14,
          tone: over || !covered ? 'vermilion' : 'ink',
          layer: 'diagram',
          priority: over || !covered ? 20 : 5 + (utilisation ?? 0),
          title: `${nameOf(m)}: ${utilisation === undefined ? 'not covered' : significant(utilisation, 4)}`,
        });
    });
}
