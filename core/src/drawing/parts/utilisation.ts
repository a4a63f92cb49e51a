import type { Frame } from '../../analysis/index.js';
import type { MemberCheck } from '../../checks/index.js';
import { add, between, type Point } from '../../geometry/vector.js';
import { pointOn } from '../../results/index.js';
import type { Draughtsman } from '../drawing.js';
import type { LegendLine } from '../shown/shown.js';
import { significant } from '../../units/significant.js';

/** Numbers stand at what is over, not covered, or at least this much used, and at as many others as are worst. */
const near = 0.9;
const alwaysNumbered = 12;

/** What the bands mean. */
export const utilisationSamples: readonly LegendLine[] = [
  { text: 'deeper as it nears 1', sample: { colour: 'moss' } },
  { text: 'over 1, or not covered', sample: { colour: 'vermilion', dash: [5, 2] } },
];

/**
 * Utilisation as a band along members: one hue that deepens up to the limit; above it vermilion, a hatch, and a break in the line. What is
 * not covered is hatched as loudly.
 */
export function drawUtilisation(
  pen: Draughtsman,
  frame: Frame,
  checks: readonly MemberCheck[],
  shown: (m: number) => boolean,
  nameOf: (m: number) => string,
): void {
  const worst = checks.flatMap((one) => one.utilisation ?? []).sort((a, b) => b - a)[alwaysNumbered] ?? 0;
  for (const { of, utilisation, status, member } of checks) {
    const numbered =
      status !== 'pass' || utilisation === undefined || utilisation >= near || utilisation > worst;
    of.forEach((id, k) => {
      const m = frame.memberIndex.get(id)!;
      if (!shown(m)) return;
      const [a, b] = [pointOn(frame, m, 0), pointOn(frame, m, frame.length[m]!)];
      const over = status === 'fail';
      const covered = status !== 'not covered';
      const colour = over || !covered ? 'vermilion' : 'moss';
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
      const inMiddle = k === Math.floor(of.length / 2);
      if (over && inMiddle) drawBreak(pen, a, b);
      if (numbered && inMiddle)
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
}

/** A break across the middle of a member: a gap between two strokes. */
function drawBreak(pen: Draughtsman, a: Point, b: Point): void {
  const at = between(a, b, 0.42);
  pen.on('hinges').aligned(at, b, [0, -8], [0, 8], { colour: 'sheet', width: 5 });
  for (const along of [-4, 4])
    pen.on('hinges').aligned(at, b, [along - 2, 9], [along + 2, -9], { colour: 'vermilion', width: 1.6 });
}
