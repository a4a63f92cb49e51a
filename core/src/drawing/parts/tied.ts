import { hullOf, type PlanPoint } from '../../geometry/plan.js';
import type { Point } from '../../geometry/vector.js';
import type { Colour, Draughtsman } from '../drawing.js';

/** m */
const sameLevel = 1e-3;
/** px: half the side of the square at a node that is linked rigidly. */
const half = 3;

/** Nodes that are tied: those of one level as the outline of a floor, others by rigid links from the first of them. */
export function drawTied(
  pen: Draughtsman,
  nodes: readonly string[],
  at: (node: string) => Point | undefined,
  colour: Colour = 'inkSoft',
): void {
  const points = nodes.map(at).filter((point) => point !== undefined);
  const levels = points.map(([, , z]) => z);
  const corners = hullOf(points.map(([x, y]) => [x, y] as const));
  const isLevel = Math.max(...levels) - Math.min(...levels) < sameLevel;
  if (isLevel && corners.length > 2) drawFloor(pen, corners, levels[0]!, colour);
  else drawLinks(pen, points, colour);
}

/** A floor in plan: the smallest convex area that holds its nodes. */
function drawFloor(pen: Draughtsman, corners: readonly PlanPoint[], level: number, colour: Colour): void {
  const outline = corners.map(([x, y]): Point => [x, y, level]);
  pen.on('axes').area(outline, { colour, alpha: 0.07 });
  pen.on('axes').path([...outline, outline[0]!], { colour, width: 0.8 });
}

/** Double lines between nodes that move as one body, and a square at each. */
function drawLinks(pen: Draughtsman, points: readonly Point[], colour: Colour): void {
  const [first, ...others] = points;
  if (!first) return;
  for (const other of others) {
    pen.on('members').line(first, other, { colour, width: 4 });
    pen.on('members').line(first, other, { colour: 'sheet', width: 2 });
  }
  for (const point of points)
    for (const [from, to] of sides) pen.on('hinges').mark(point, from, to, { colour, width: 1.4 });
}

const sides = [
  [
    [-half, -half],
    [half, -half],
  ],
  [
    [half, -half],
    [half, half],
  ],
  [
    [half, half],
    [-half, half],
  ],
  [
    [-half, half],
    [-half, -half],
  ],
] as const;
