import { displacementExtremes, formatWithUnit, globalDisplacementAt, formatExact } from '@hashira/core';
import { project } from './camera';
import { displacedPoint, fieldOf, stationsAlong } from './member-lines';
import type { Pen, Point } from './pen';
import type { StageLabel, StageScene } from './scene';

/** Draws the displaced members with the common factor, and names the largest displacement. */
export function drawDeformed(pen: Pen, scene: StageScene, labels: StageLabel[]): void {
  const { calculated, layers } = scene;
  if (!calculated || !layers.deformed) return;
  const { frame } = calculated;
  const factor = scene.scales.deformation * scene.phase;
  let largest: { size: number; at: Point } | undefined;
  frame.memberIds.forEach((_, m) => {
    const field = fieldOf(scene, calculated, m);
    if (!field) return;
    const points = stationsAlong(scene, field).map((x) => displacedPoint(scene, frame, field, m, x, factor));
    pen.line(points, 'ink', scene.thumbnail ? 1.6 : 2.6);
    const { min, max } = displacementExtremes(field, 'w');
    for (const x of [0, frame.length[m]!, min.x, max.x]) {
      const size = Math.hypot(...globalDisplacementAt(frame, field, m, x));
      if (!largest || size > largest.size)
        largest = { size, at: displacedPoint(scene, frame, field, m, x, factor) };
    }
  });
  if (!largest || scene.thumbnail) return;
  pen.disc(largest.at, 3, 'indigo');
  labels.push({
    key: 'displacement',
    text: formatWithUnit(largest.size, 'deflection'),
    at: [largest.at[0], largest.at[1] - 14],
    align: 'middle',
    tone: 'ink',
    priority: 10,
    title: `largest displacement ${formatExact(largest.size, 'deflection')}`,
  });
}

/** Draws the shape that a mechanism lets the frame take, its largest movement a tenth of the frame's width. */
export function drawMechanism(pen: Pen, scene: StageScene): void {
  const { mechanism, model } = scene;
  if (!mechanism) return;
  const xs = model.nodes.map((node) => node.x);
  const reach = 0.1 * Math.max(1, Math.max(...xs) - Math.min(...xs)) * scene.phase;
  const moved = new Map<string, Point>();
  for (const node of model.nodes) {
    const u = mechanism[node.id] ?? [0, 0, 0];
    moved.set(node.id, project(scene.camera, scene.size, node.x + reach * u[0]!, node.z + reach * u[2]!));
  }
  for (const member of model.members)
    pen.dashed(
      moved.get(member.start)!,
      moved.get(member.end)!,
      'vermilion',
      scene.thumbnail ? 1.4 : 2.4,
      9,
      5,
    );
}
