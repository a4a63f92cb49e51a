import { formatExact, formatWithUnit, type DistributedLoad, type Frame } from '@hashira/core';
import { along, type Pen, type Point } from './pen';
import { pointAt } from './member-lines';
import type { StageLabel, StageScene } from './scene';

/** Line loads of one member that act in the same way, with the selection's factors on them. */
interface LoadBlock {
  readonly load: DistributedLoad;
  readonly member: number;
  q: number;
}

/**
 * Draws the line loads of the selection as blocks of arrows that end on the member; loads that act in the same direction
 * stand on each other. The length of an arrow is the load per metre.
 */
export function drawLoads(pen: Pen, scene: StageScene, labels: StageLabel[]): void {
  const { calculated, selection } = scene;
  if (!calculated || !selection) return;
  const { frame } = calculated;
  const stacked = new Map<string, number>();
  const named = new Set<string>();
  for (const block of loadBlocks(frame, selection.factors)) {
    const direction = loadDirection(frame, block);
    const key = `${block.member} ${direction[0].toFixed(3)} ${direction[1].toFixed(3)}`;
    const under = stacked.get(key) ?? 0;
    const height = Math.abs(block.q) * scene.scales.load * scene.camera.scale;
    stacked.set(key, under + height);
    const label = drawBlock(pen, scene, frame, block, direction, under, height);
    // The same load on several members is named once, on the first of them
    if (label === undefined || named.has(label.text)) continue;
    named.add(label.text);
    labels.push(label);
  }
}

function loadBlocks(frame: Frame, factors: Float64Array): LoadBlock[] {
  const blocks = new Map<string, LoadBlock>();
  frame.loadCases.forEach((loadCase, c) => {
    if (factors[c] === 0) return;
    for (const load of loadCase.loads ?? []) {
      if (load.kind !== 'distributed') continue;
      const key = [load.member, load.axes, load.direction, load.per].join(' ');
      const member = frame.memberIndex.get(load.member)!;
      const block = blocks.get(key) ?? { load, member, q: 0 };
      block.q += factors[c]! * load.q[0];
      blocks.set(key, block);
    }
  });
  return [...blocks.values()];
}

/** Unit vector on the sheet along which the load pushes. */
function loadDirection(frame: Frame, { load, member, q }: LoadBlock): Point {
  const sign = q < 0 ? -1 : 1;
  if ((load.axes ?? 'global') === 'global') return load.direction === 'x' ? [sign, 0] : [0, -sign];
  const a = 9 * member + (load.direction === 'x' ? 0 : 6);
  return [sign * frame.axes[a]!, -sign * frame.axes[a + 2]!];
}

function drawBlock(
  pen: Pen,
  scene: StageScene,
  frame: Frame,
  { load, member, q }: LoadBlock,
  direction: Point,
  under: number,
  height: number,
): StageLabel | undefined {
  if (height < 0.5) return undefined;
  const length = frame.length[member]!;
  const foot = (fraction: number): Point => {
    const p = pointAt(scene, frame, member, fraction * length);
    const gap = under + (scene.thumbnail ? 1 : 4);
    return [p[0] - direction[0] * gap, p[1] - direction[1] * gap];
  };
  const back = (p: Point): Point => [p[0] - direction[0] * height, p[1] - direction[1] * height];
  const from = foot(load.from ?? 0);
  const to = foot(load.to ?? 1);
  const span = Math.hypot(to[0] - from[0], to[1] - from[1]);
  pen.area([from, to, back(to), back(from)], 'ochre', 0.1);
  pen.line([back(from), back(to)], 'ochre', 1);
  const count = Math.max(2, Math.round(span / (scene.thumbnail ? 16 : 26)));
  for (let i = 0; i <= count; i++) {
    const tip = along(from, to, i / count);
    if (height > 9) pen.arrow(back(tip), tip, 'ochre', 1, 6);
    else pen.line([back(tip), tip], 'ochre', 0.8);
  }
  if (scene.thumbnail) return undefined;
  return {
    key: `load ${load.member} ${load.direction} ${load.per ?? ''}`,
    text: formatWithUnit(Math.abs(q), 'lineLoad') + (load.per === 'projected' ? ' on plan' : ''),
    ...labelPlace(from, to, direction, height),
    tone: 'ochre',
    priority: 3,
    title: formatExact(Math.abs(q), 'lineLoad'),
  };
}

/** Beyond the middle of the block; over the upper end of a block that pushes sideways, where no dimension line runs. */
function labelPlace(
  from: Point,
  to: Point,
  direction: Point,
  height: number,
): Pick<StageLabel, 'at' | 'align'> {
  if (Math.abs(direction[0]) > 0.7) {
    const upper = from[1] < to[1] ? from : to;
    return {
      at: [upper[0] - (direction[0] * height) / 2, upper[1] - 9],
      align: direction[0] > 0 ? 'right' : 'middle',
    };
  }
  const middle = along(from, to, 0.5);
  return {
    at: [middle[0] - direction[0] * (height + 10), middle[1] - direction[1] * (height + 10)],
    align: 'middle',
  };
}
