import type { Axis } from '../../build/axes.js';
import type { Point } from '../../geometry/vector.js';
import type { Draughtsman } from '../drawing.js';

/**
 * Grid lines with their names, across what is drawn and a little beyond.
 *
 * @param xyz places that they run across, 3 numbers each, m
 */
export function drawAxes(
  pen: Draughtsman,
  axes: readonly Axis[],
  xyz: ArrayLike<number>,
  plane: boolean,
): void {
  if (axes.length === 0) return;
  const low: number[] = [Infinity, Infinity, Infinity];
  const high: number[] = [-Infinity, -Infinity, -Infinity];
  for (let i = 0; i < xyz.length; i++) {
    low[i % 3] = Math.min(low[i % 3]!, xyz[i]!);
    high[i % 3] = Math.max(high[i % 3]!, xyz[i]!);
  }
  const over = 0.06 * Math.max(high[0]! - low[0]!, high[1]! - low[1]!, high[2]! - low[2]!, 1);
  for (const { along, name, at } of axes) {
    const k = 'xyz'.indexOf(along);
    const across = k === 0 ? (plane ? 2 : 1) : 0;
    const from = [low[0]!, low[1]!, low[2]!];
    const to = [...from];
    from[k] = to[k] = at;
    from[across] = low[across]! - over;
    to[across] = high[across]! + over;
    pen.on('axes').line(from as unknown as Point, to as unknown as Point, { colour: 'inkFaint', width: 1 });
    pen.text({
      key: `axis ${along} ${name}`,
      text: name,
      at: from as unknown as Point,
      from: to as unknown as Point,
      beyond: 12,
      tone: 'inkSoft',
      layer: 'axes',
      priority: 4,
      title: `axis ${name}`,
    });
  }
}
