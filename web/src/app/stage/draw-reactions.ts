import { formatExact, formatWithUnit, superpose } from '@hashira/core';
import { project } from './camera';
import type { Pen, Point } from './pen';
import type { StageLabel, StageScene } from './scene';

const shortest = 16;

/** Draws reactions as the arrows that the ground pushes with; their values are magnitudes, the arrow is the sign. */
export function drawReactions(pen: Pen, scene: StageScene, labels: StageLabel[]): void {
  const { calculated, selection, model } = scene;
  if (!calculated || !selection || !scene.layers.reactions || scene.thumbnail) return;
  const reactions = superpose(calculated.results.reactions, selection.factors);
  const supports = (model.supports ?? []).map(({ node }) => {
    const n = calculated.frame.nodeIndex.get(node)!;
    const value = (k: number) => reactions[6 * n + k]!;
    const position = [calculated.frame.xyz[3 * n]!, calculated.frame.xyz[3 * n + 2]!] as const;
    return { node, position, H: value(0), V: value(2), M: value(4) };
  });
  const longest = Math.min(46, Math.max(24, 3 * scene.camera.scale));
  const largest = Math.max(1, ...supports.map(({ H, V }) => Math.max(Math.abs(H), Math.abs(V))));
  const middle = supports.reduce((sum, s) => sum + s.position[0], 0) / Math.max(1, supports.length);
  for (const { node, position, H, V, M } of supports) {
    const at = project(scene.camera, scene.size, position[0], position[1]);
    const outside = position[0] <= middle ? -1 : 1;
    const reach = (value: number) => shortest + (longest - shortest) * (Math.abs(value) / largest);
    const title = (value: number, quantity: 'force' | 'moment', name: string) =>
      `${name} at ${node} = ${formatExact(value, quantity)}`;
    if (Math.abs(V) > 1e-6 * largest) {
      const foot: Point = [at[0], at[1] + 22 + reach(V)];
      const tip: Point = [at[0], at[1] + 22];
      if (V > 0) pen.arrow(foot, tip, 'moss', 2, 9);
      else pen.arrow(tip, foot, 'moss', 2, 9);
      labels.push({
        key: `V ${node}`,
        text: formatWithUnit(Math.abs(V), 'force'),
        at: [foot[0] + 6 * outside, foot[1] - 6],
        align: outside < 0 ? 'right' : 'left',
        tone: 'moss',
        priority: 8,
        title: title(V, 'force', 'vertical reaction'),
      });
    }
    if (Math.abs(H) > 1e-6 * largest) {
      const near: Point = [at[0] + 18 * outside, at[1] + 8];
      const far: Point = [at[0] + (18 + reach(H)) * outside, at[1] + 8];
      const towardsFrame = Math.sign(H) === -outside;
      if (towardsFrame) pen.arrow(far, near, 'moss', 2, 9);
      else pen.arrow(near, far, 'moss', 2, 9);
      labels.push({
        key: `H ${node}`,
        text: formatWithUnit(Math.abs(H), 'force'),
        at: [far[0] - 6 * outside, far[1] + 14],
        align: outside < 0 ? 'right' : 'left',
        tone: 'moss',
        priority: 8,
        title: title(H, 'force', 'horizontal reaction'),
      });
    }
    if (Math.abs(M) > 1e-3) {
      // A moment about +Y turns Z towards X: clockwise as the elevation is seen, with X to the right
      const from = M > 0 ? -2.6 : -0.5;
      pen.turningArrow(at, 19, from, M > 0 ? -0.5 : -2.6, 'moss');
      labels.push({
        key: `M ${node}`,
        text: formatWithUnit(Math.abs(M), 'moment'),
        at: [at[0] + 24 * outside, at[1] - 18],
        align: outside < 0 ? 'right' : 'left',
        tone: 'moss',
        priority: 7,
        title: title(M, 'moment', 'moment reaction'),
      });
    }
  }
}
