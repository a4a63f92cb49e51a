import type { FrameState } from '../../analysis/index.js';
import { add, type Point } from '../../geometry/vector.js';
import type { Draughtsman } from '../drawing.js';
import { nodeAt } from '../places.js';
import type { ShownContext } from '../shown/shown.js';
import type { Units } from '../../units/units.js';

/** A moment reaction below this share of the largest force times 1 m is rounding. */
const turnless = 1e-5;
/** Values of moments below this share of the greatest are not told: their arrows are. */
const told = 0.01;

/** Reactions as the arrows that the ground pushes with; their values are magnitudes, the arrow is the sign. */
export function drawReactions(
  {
    pen,
    frame,
    forces: { model },
    namer,
    units,
  }: Pick<ShownContext, 'pen' | 'frame' | 'forces' | 'namer' | 'units'>,
  state: FrameState,
  shown: (node: string) => boolean,
): void {
  const nameOf = (node: string) => namer.node(node);
  const supports = (model.supports ?? []).filter(({ node }) => shown(node));
  const value = (node: string, k: number) => state.reactions[6 * frame.nodeIndex.get(node)! + k]!;
  let largest = 0;
  let moments = 0;
  for (const { node } of supports)
    for (const k of [0, 1, 2]) {
      largest = Math.max(largest, Math.abs(value(node, k)));
      moments = Math.max(moments, Math.abs(value(node, k + 3)));
    }
  const rank = (size: number) => (largest === 0 ? 0 : size / largest);
  for (const { node } of supports) {
    const at = nodeAt(frame, frame.nodeIndex.get(node)!);
    for (const k of [0, 1, 2] as const) {
      const force = value(node, k);
      if (Math.abs(force) < 1e-4 * largest) continue;
      const unit: Point = [k === 0 ? 1 : 0, k === 1 ? 1 : 0, k === 2 ? 1 : 0];
      const sign = Math.sign(force);
      const towards = add(at, [sign * unit[0], sign * unit[1], sign * unit[2]]);
      const gap = k === 2 ? 22 : 16;
      const length = 14 + 26 * rank(Math.abs(force));
      // An arrow that pushes up ends under the support; one that pulls down begins there
      if (k === 2 && sign < 0) {
        const down = add(at, [0, 0, -1]);
        pen.on('reactions').arrow(at, down, { gap: -gap - length, length }, { colour: 'moss', width: 2 });
      } else pen.on('reactions').arrow(at, towards, { gap, length }, { colour: 'moss', width: 2 });
      pen.text({
        key: `R${k} ${node}`,
        text: units.withUnit(Math.abs(force), 'force'),
        at,
        from: k === 2 ? add(at, [0, 0, 1]) : towards,
        beyond: gap + length + 10,
        tone: 'moss',
        layer: 'reactions',
        priority: 8 - 3 * (1 - rank(Math.abs(force))),
        title: `reaction along ${'XYZ'[k]!} at ${nameOf(node)} = ${units.exact(force, 'force')}`,
      });
    }
    drawMoments(
      pen,
      { id: node, name: nameOf(node), at },
      [3, 4, 5].map((k) => value(node, k)),
      { least: Math.max(1e-3 * moments, turnless * largest), greatest: moments, units },
    );
  }
}

function drawMoments(
  pen: Draughtsman,
  { id, name, at }: { readonly id: string; readonly name: string; readonly at: Point },
  M: readonly number[],
  { least, greatest, units }: { least: number; greatest: number; units: Units },
): void {
  M.forEach((moment, k) => {
    if (Math.abs(moment) <= least) return;
    // About Y a positive moment turns with the clock as the elevation is seen
    const sense = moment > 0 ? 1 : -1;
    const point = (i: number): readonly [number, number] => {
      const angle = -Math.PI / 2 + sense * (i / 10 - 0.5) * 2.1;
      return [19 * Math.cos(angle), 19 * Math.sin(angle)];
    };
    if (k === 1) {
      for (let i = 0; i < 10; i++)
        pen.on('reactions').mark(at, point(i), point(i + 1), { colour: 'moss', width: 1.6 });
      const [x, y] = point(10);
      pen.on('reactions').mark(at, [x, y], [x - 5 * sense, y - 5], { colour: 'moss', width: 1.6 });
      pen.on('reactions').mark(at, [x, y], [x - 5 * sense, y + 4], { colour: 'moss', width: 1.6 });
    }
    const rank = Math.abs(moment) / greatest;
    if (rank < told) return;
    pen.text({
      key: `M${k} ${id}`,
      text: `${k === 1 ? '' : `M${'XYZ'[k]!} `}${units.withUnit(Math.abs(moment), 'moment')}`,
      at,
      from: add(at, [0, 0, -1]),
      beyond: 30 + 14 * (k === 1 ? 0 : k + 1),
      tone: 'moss',
      layer: 'reactions',
      priority: 6 - 3 * (1 - rank),
      title: `moment reaction about ${'XYZ'[k]!} at ${name} = ${units.exact(moment, 'moment')}`,
    });
  });
}
