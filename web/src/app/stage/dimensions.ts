import type { Dimension } from '@hashira/core';
import { project, type Camera, type SheetSize } from './camera';
import { arc, Pen, type Point } from './pen';

/** A dimension on the sheet: its lines, and where its number stands. */
export interface PlacedDimension {
  readonly dimension: Dimension;
  readonly at: Point;
  /** Turned by 90° along a vertical dimension line. */
  readonly vertical: boolean;
  /** Change of the value for each px that the number is dragged to the right and down. */
  readonly perPixel: Point;
}

const below = 96;
const beside = 112;

/** Draws the dimension lines and says where their numbers go. */
export function drawDimensions(
  pen: Pen,
  dimensions: readonly Dimension[],
  camera: Camera,
  size: SheetSize,
): PlacedDimension[] {
  return dimensions.map((dimension) => {
    const from = project(camera, size, dimension.from[0], dimension.from[1]);
    const to = project(camera, size, dimension.to[0], dimension.to[1]);
    switch (dimension.kind) {
      case 'span':
        return horizontal(pen, dimension, from, to, camera);
      case 'height':
        return vertical(pen, dimension, from, to, camera);
      case 'slope':
        return slope(pen, dimension, from);
    }
  });
}

function horizontal(pen: Pen, dimension: Dimension, from: Point, to: Point, camera: Camera): PlacedDimension {
  const y = from[1] + below;
  pen.line(
    [
      [from[0], from[1] + 30],
      [from[0], y + 6],
    ],
    'inkFaint',
    1,
  );
  pen.line(
    [
      [to[0], to[1] + 30],
      [to[0], y + 6],
    ],
    'inkFaint',
    1,
  );
  pen.line(
    [
      [from[0], y],
      [to[0], y],
    ],
    'inkSoft',
    1,
  );
  tick(pen, [from[0], y]);
  tick(pen, [to[0], y]);
  return { dimension, at: [(from[0] + to[0]) / 2, y], vertical: false, perPixel: [1 / camera.scale, 0] };
}

function vertical(pen: Pen, dimension: Dimension, from: Point, to: Point, camera: Camera): PlacedDimension {
  const x = from[0] - beside;
  pen.line(
    [
      [from[0] - 30, from[1]],
      [x - 6, from[1]],
    ],
    'inkFaint',
    1,
  );
  pen.line(
    [
      [to[0] - 10, to[1]],
      [x - 6, to[1]],
    ],
    'inkFaint',
    1,
  );
  pen.line(
    [
      [x, from[1]],
      [x, to[1]],
    ],
    'inkSoft',
    1,
  );
  tick(pen, [x, from[1]]);
  tick(pen, [x, to[1]]);
  return { dimension, at: [x, (from[1] + to[1]) / 2], vertical: true, perPixel: [0, -1 / camera.scale] };
}

/** The angle between the horizontal and the roof at the eaves, on the inside. */
function slope(pen: Pen, dimension: Dimension, from: Point): PlacedDimension {
  const radius = 86;
  pen.dashed(from, [from[0] + radius + 12, from[1]], 'inkFaint', 1);
  pen.line(arc(from, radius, -dimension.value, 0), 'inkSoft', 1);
  return {
    dimension,
    at: [from[0] + radius + 26, from[1] + 12],
    vertical: false,
    perPixel: [0, -1 / 300],
  };
}

/** The slanted stroke at the end of a dimension line. */
function tick(pen: Pen, [x, y]: Point): void {
  pen.line(
    [
      [x - 4, y + 4],
      [x + 4, y - 4],
    ],
    'ink',
    1.4,
  );
}
