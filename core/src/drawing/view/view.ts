import type { Point } from '../../geometry/vector.js';
import type { Layer } from '../drawing.js';

/** How a frame is looked at: turned about Z and tilted, its centre and size on the sheet. Orthographic. */
export interface View {
  /** Turn of the observer about Z from the front, and height above the horizon, rad. */
  readonly turn: number;
  readonly tilt: number;
  /** Point in the middle of the sheet, m. */
  readonly centre: Point;
  /** px per m. */
  readonly scale: number;
}

export type ViewName = 'front' | 'side' | 'plan' | 'oblique';

/** The four views: from the front (X to the right), from the right side, from above, and obliquely. */
export const standardViews: Readonly<Record<ViewName, Pick<View, 'turn' | 'tilt'>>> = {
  front: { turn: 0, tilt: 0 },
  side: { turn: Math.PI / 2, tilt: 0 },
  plan: { turn: 0, tilt: Math.PI / 2 },
  oblique: { turn: -0.55, tilt: 0.42 },
};

/** Unit vectors to the right and upwards on the sheet, global. */
export function viewAxes({ turn, tilt }: Pick<View, 'turn' | 'tilt'>): { right: Point; up: Point } {
  const [c, s] = [Math.cos(turn), Math.sin(turn)];
  const [ct, st] = [Math.cos(tilt), Math.sin(tilt)];
  // Looking along (−s, c) in plan, raised by tilt
  return { right: [c, s, 0], up: [-s * st, c * st, ct] };
}

/** What tells where points are on a sheet of that size, px from its top left corner. */
export function projection(
  view: View,
  size: { width: number; height: number },
): (p: Point) => readonly [number, number] {
  const { right, up } = viewAxes(view);
  const { centre, scale } = view;
  return (p) => {
    const [x, y, z] = [p[0] - centre[0], p[1] - centre[1], p[2] - centre[2]];
    return [
      size.width / 2 + (right[0] * x + right[1] * y + right[2] * z) * scale,
      size.height / 2 - (up[0] * x + up[1] * y + up[2] * z) * scale,
    ];
  };
}

/** Where a point is on a sheet of that size, px from its top left corner. */
export const projected = (
  view: View,
  size: { width: number; height: number },
  p: Point,
): readonly [number, number] => projection(view, size)(p);

/** How far parts of a drawing are from the reader: a unit vector to them, and where along it the nearest and the farthest are, m. */
export interface Depth {
  readonly towards: Point;
  readonly near: number;
  readonly far: number;
}

/** How far points are from the reader in a view. */
export function depthOf(points: ArrayLike<number>, view: Pick<View, 'turn' | 'tilt'>): Depth {
  const { right: r, up: u } = viewAxes(view);
  const towards: Point = [r[1] * u[2] - r[2] * u[1], r[2] * u[0] - r[0] * u[2], r[0] * u[1] - r[1] * u[0]];
  let [near, far] = [-Infinity, Infinity];
  for (let i = 0; i + 2 < points.length; i += 3) {
    const place = towards[0] * points[i]! + towards[1] * points[i + 1]! + towards[2] * points[i + 2]!;
    near = Math.max(near, place);
    far = Math.min(far, place);
  }
  return near >= far ? { towards, near, far } : { towards, near: 0, far: 0 };
}

/** Layers of which far parts are fainter and thinner. */
export const fadingLayers: ReadonlySet<Layer> = new Set([
  'members',
  'whole',
  'sections',
  'supports',
  'hinges',
]);
/** What is left of the opacity and of the width of what is farthest, and how much wider is what is nearest. */
export const fading = { alpha: 0.3, thin: 0.7, wide: 1.25 } as const;

/** Space kept free around what is drawn, px. */
export interface Margins {
  readonly left: number;
  readonly right: number;
  readonly top: number;
  readonly bottom: number;
}

/** The box round points as a view has it: from left to right and from below to above, m. */
export interface Extent {
  readonly x: readonly [least: number, most: number];
  readonly y: readonly [least: number, most: number];
}

/** The box round points as they are seen from a direction; 1 m by 1 m where there are none. */
export function extentOf(points: ArrayLike<number>, direction: Pick<View, 'turn' | 'tilt'>): Extent {
  const { right, up } = viewAxes(direction);
  let [x0, x1, y0, y1] = [Infinity, -Infinity, Infinity, -Infinity];
  for (let i = 0; i + 2 < points.length; i += 3) {
    const x = right[0] * points[i]! + right[1] * points[i + 1]! + right[2] * points[i + 2]!;
    const y = up[0] * points[i]! + up[1] * points[i + 1]! + up[2] * points[i + 2]!;
    x0 = Math.min(x0, x);
    x1 = Math.max(x1, x);
    y0 = Math.min(y0, y);
    y1 = Math.max(y1, y);
  }
  return x1 >= x0 ? { x: [x0, x1], y: [y0, y1] } : { x: [0, 1], y: [0, 1] };
}

/** The view that shows points as large as the margins allow. */
export function fitView(
  points: ArrayLike<number>,
  direction: Pick<View, 'turn' | 'tilt'>,
  size: { width: number; height: number },
  margins: Margins,
): View {
  const { right, up } = viewAxes(direction);
  const { x, y } = extentOf(points, direction);
  const width = Math.max(20, size.width - margins.left - margins.right);
  const height = Math.max(20, size.height - margins.top - margins.bottom);
  const scale = Math.max(
    1e-3,
    Math.min(width / Math.max(x[1] - x[0], 0.1), height / Math.max(y[1] - y[0], 0.1)),
  );
  const cx = (x[0] + x[1]) / 2 + (margins.right - margins.left) / 2 / scale;
  const cy = (y[0] + y[1]) / 2 + (margins.top - margins.bottom) / 2 / scale;
  // A point with these coordinates on the sheet; how far away does not matter
  return {
    ...direction,
    scale,
    centre: [right[0] * cx + up[0] * cy, right[1] * cx + up[1] * cy, right[2] * cx + up[2] * cy],
  };
}
