import { projected, type DrawnScene, type View, type Units } from '@hashira/core';
import { boxOf, type Box, type Line } from '../labels/labels';
import { estimated, type Lettering } from '../labels/lettering';
import type { Point, SheetSize } from '../types';

type Dimension = DrawnScene['dimensions'][number];

/** A dimension on the sheet: its lines, and where its number stands. */
export interface PlacedDimension {
  readonly dimension: Dimension;
  readonly at: Point;
  /** Lines as an SVG path: the dimension line with its ticks, and the thin ones that lead to it. */
  readonly line: string;
  readonly leaders: string;
  /** The same, for labels to keep off them. */
  readonly lines: readonly Line[];
  /** Change of the value for each px that the number is dragged to the right and down, SI. */
  readonly perPixel: Point;
  readonly box: Box;
}

/** Distance of dimension lines from what they measure where there is room, px. */
const farthest = 86;
/** Sheets of this size and larger have all the room that lines and values ask for, px. */
const roomy = { width: 560, height: 400 };

/** Share of the room round a frame that a sheet can give. */
export const roomOn = ({ width, height }: SheetSize): number =>
  Math.max(0.4, Math.min(1, width / roomy.width, height / roomy.height));
/** Where the thin lines begin that lead to them, px. */
const leaderFrom = 26;
/** Lines shorter than this say nothing, px. */
const shortest = 24;

/** The sheet on which dimensions are written, and how. */
export interface DimensionSheet {
  readonly view: View;
  readonly size: SheetSize;
  readonly units: Units;
  readonly lettering?: Lettering;
}

/**
 * Places dimension lines beside what they measure; those that would be too short, or lie on another or under what the screen lays
 * over the sheet, are left out, but never the one that is being dragged.
 */
export function placeDimensions(
  scene: DrawnScene,
  on: DimensionSheet,
  { taken = [], dragged }: { readonly taken?: readonly Box[]; readonly dragged?: string | undefined } = {},
): PlacedDimension[] {
  const out: PlacedDimension[] = [];
  for (const dimension of scene.dimensions) {
    const placed = dimension.kind === 'angle' ? angle(dimension, on) : length(dimension, on);
    if (!placed) continue;
    const { left, top, width, height } = placed.box;
    const covered = [...taken, ...out.map(({ box }) => box)].some(
      (box) =>
        left < box.left + box.width &&
        box.left < left + width &&
        top < box.top + box.height &&
        box.top < top + height,
    );
    if (!covered || dimension.id === dragged) out.push(placed);
  }
  return out;
}

function length(dimension: Dimension, on: DimensionSheet): PlacedDimension | undefined {
  const { view, size } = on;
  const from = projected(view, size, dimension.from);
  const to = projected(view, size, dimension.to);
  const long = Math.hypot(to[0] - from[0], to[1] - from[1]);
  if (long < shortest) return undefined;
  const t: Point = [(to[0] - from[0]) / long, (to[1] - from[1]) / long];
  const away = awayOnSheet(dimension, view, size, from, t);
  const distance = farthest * roomOn(size);
  const shift = (p: Point, d: number): Point => [p[0] + away[0] * d, p[1] + away[1] * d];
  const [a, b] = [shift(from, distance), shift(to, distance)];
  const tick = (p: Point) =>
    `M${at([p[0] - 5 * t[0] - 5 * away[0], p[1] - 5 * t[1] - 5 * away[1]])}L${at([p[0] + 5 * t[0] + 5 * away[0], p[1] + 5 * t[1] + 5 * away[1]])}`;
  const middle: Point = [(a[0] + b[0]) / 2, (a[1] + b[1]) / 2];
  const leaders = [from, to].map((p): Line => [shift(p, leaderFrom), shift(p, distance + 6)]);
  const perMetre = dimension.value === 0 ? 0 : dimension.value / long;
  return {
    dimension,
    at: middle,
    line: `M${at(a)}L${at(b)}${tick(a)}${tick(b)}`,
    leaders: leaders.map(([p, q]) => `M${at(p)}L${at(q)}`).join(''),
    lines: [...leaders, [a, b]],
    perPixel: [t[0] * perMetre, t[1] * perMetre],
    box: numberBox(dimension, middle, on),
  };
}

/** Square to the line, on the side where the dimension wants to stand. */
function awayOnSheet(dimension: Dimension, view: View, size: SheetSize, from: Point, t: Point): Point {
  const { away } = dimension;
  const p = projected(view, size, [
    dimension.from[0] + away[0],
    dimension.from[1] + away[1],
    dimension.from[2] + away[2],
  ]);
  const wanted = (p[0] - from[0]) * -t[1] + (p[1] - from[1]) * t[0];
  const side = wanted < 0 ? -1 : 1;
  return [-t[1] * side, t[0] * side];
}

/** The angle between the horizontal and a slope, at its foot. */
function angle(dimension: Dimension, on: DimensionSheet): PlacedDimension | undefined {
  const { view, size } = on;
  if (Math.abs(view.tilt) > 0.01 || Math.abs(Math.sin(view.turn)) > 0.01) return undefined;
  const from = projected(view, size, dimension.from);
  const to = projected(view, size, dimension.to);
  const radius = Math.min(86, 0.4 * Math.hypot(to[0] - from[0], to[1] - from[1]));
  if (radius < 40) return undefined;
  const end: Point = [
    from[0] + radius * Math.cos(dimension.value),
    from[1] - radius * Math.sin(dimension.value),
  ];
  const middle: Point = [from[0] + radius + 34, from[1] + 12];
  return {
    dimension,
    at: middle,
    line: `M${at([from[0] + radius, from[1]])}A${radius} ${radius} 0 0 0 ${at(end)}`,
    leaders: `M${at(from)}L${at([from[0] + radius + 12, from[1]])}`,
    lines: [[from, [from[0] + radius + 12, from[1]]]],
    perPixel: [0, -1 / 300],
    box: numberBox(dimension, middle, on),
  };
}

/** Room of a dimension's number with its frame. */
function numberBox(
  dimension: Dimension,
  middle: Point,
  { lettering = estimated, units }: DimensionSheet,
): Box {
  return boxOf(lettering.dimension(textOf(dimension, units)) + 10, lettering.line * 1.45, middle, 'middle');
}

const at = ([x, y]: Point): string => `${x.toFixed(1)} ${y.toFixed(1)}`;

/** A dimension's value for reading. */
export const textOf = ({ value, kind }: Dimension, units: Units): string =>
  units.plain(value, kind === 'angle' ? 'angle' : 'length');
