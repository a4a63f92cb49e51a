import type { Support } from '@hashira/core';
import type { Pen, Point } from './pen';
import type { StageScene } from './scene';
import { nodePoints } from './draw-frame';

/**
 * Draws supports as the trade does, in the ground's colour: a clamp is a bar on hatched ground, a pin a triangle on it, a
 * roller a triangle over a free line, a spring that turns a coil beside the pin.
 */
export function drawSupports(pen: Pen, scene: StageScene): void {
  const points = nodePoints(scene);
  const size = scene.thumbnail ? 5 : Math.min(12, Math.max(7, 0.7 * scene.camera.scale));
  for (const support of scene.model.supports ?? []) {
    const at = points.get(support.node);
    if (at) drawSupport(pen, support, at, size);
  }
}

function drawSupport(pen: Pen, support: Support, at: Point, size: number): void {
  const turning = support.ry;
  const sliding = support.ux === undefined;
  if (turning === 'fixed') {
    pen.line(
      [
        [at[0] - size, at[1]],
        [at[0] + size, at[1]],
      ],
      'moss',
      size / 4,
    );
    ground(pen, at[0], at[1], size);
    return;
  }
  const base = at[1] + size;
  pen.line([at, [at[0] - size * 0.75, base], [at[0] + size * 0.75, base], at], 'moss', size > 8 ? 1.6 : 1);
  if (sliding) {
    pen.line(
      [
        [at[0] - size, base + size / 3],
        [at[0] + size, base + size / 3],
      ],
      'moss',
      1.2,
    );
  } else ground(pen, at[0], base, size);
  if (typeof turning === 'number') coil(pen, at, size);
}

function ground(pen: Pen, x: number, y: number, size: number): void {
  pen.line(
    [
      [x - size, y],
      [x + size, y],
    ],
    'moss',
    1.4,
  );
  const step = size / 2;
  for (let k = -2; k <= 2; k++) {
    const from = x + k * step;
    pen.line(
      [
        [from, y],
        [from - step * 0.8, y + step],
      ],
      'moss',
      1,
    );
  }
}

/** A spring against turning. */
function coil(pen: Pen, at: Point, size: number): void {
  const points: Point[] = [];
  for (let i = 0; i <= 40; i++) {
    const angle = (i / 40) * 3 * Math.PI;
    const radius = size * (0.25 + 0.55 * (i / 40));
    points.push([at[0] + radius * Math.cos(angle), at[1] + radius * Math.sin(angle)]);
  }
  pen.line(points, 'moss', 1.2);
}
