import { projected, type DrawnScene, type View } from '@hashira/core';
import type { Point, SheetSize } from '../types';

/** A rectangle dragged over the sheet, px. */
export interface Box {
  readonly from: Point;
  readonly to: Point;
}

/** The node nearest to a point of the sheet within reach, px. */
export function nodeNear(
  { points, nodes }: Pick<DrawnScene, 'points' | 'nodes'>,
  view: View,
  size: SheetSize,
  [x, y]: Point,
  reach = 9,
): string | undefined {
  let best: string | undefined;
  let least = reach;
  nodes.forEach((id, n) => {
    const [px, py] = projected(view, size, [points[3 * n]!, points[3 * n + 1]!, points[3 * n + 2]!]);
    const off = Math.hypot(px - x, py - y);
    if (off > least) return;
    least = off;
    best = id;
  });
  return best;
}

/** Members that lie inside a box of the sheet; with `touching` also those that it cuts. */
export function membersInBox(
  { members }: Pick<DrawnScene, 'members'>,
  view: View,
  size: SheetSize,
  box: Box,
  touching: boolean,
): string[] {
  const [left, right] = [Math.min(box.from[0], box.to[0]), Math.max(box.from[0], box.to[0])];
  const [top, bottom] = [Math.min(box.from[1], box.to[1]), Math.max(box.from[1], box.to[1])];
  const inside = ([x, y]: readonly [number, number]) => x >= left && x <= right && y >= top && y <= bottom;
  return members.ids.filter((_, m) => {
    const e = members.ends.subarray(6 * m, 6 * m + 6);
    const a = projected(view, size, [e[0]!, e[1]!, e[2]!]);
    const b = projected(view, size, [e[3]!, e[4]!, e[5]!]);
    if (inside(a) && inside(b)) return true;
    return touching && cuts(a, b, { left, right, top, bottom });
  });
}

/** Whether a line from a to b has a part within a rectangle: what is left of it after cutting at each side. */
function cuts(
  a: readonly [number, number],
  b: readonly [number, number],
  { left, right, top, bottom }: Record<'left' | 'right' | 'top' | 'bottom', number>,
): boolean {
  let [from, to] = [0, 1];
  const keep = (start: number, change: number, low: number, high: number): void => {
    if (change === 0) {
      if (start < low || start > high) to = -1;
      return;
    }
    const [first, last] = [(low - start) / change, (high - start) / change].sort((p, q) => p - q);
    from = Math.max(from, first!);
    to = Math.min(to, last!);
  };
  keep(a[0], b[0] - a[0], left, right);
  keep(a[1], b[1] - a[1], top, bottom);
  return from <= to;
}

/** Whether an event comes from something on the sheet that takes it itself. */
export function isIn(event: Event, selector: string): boolean {
  return (event.target as Element).closest(selector) !== null;
}

/** Where a box that is being drawn stands on the sheet, px. */
export function placeOfBox(box: Box | undefined) {
  if (!box) return undefined;
  const [x0, x1] = [box.from[0], box.to[0]].sort((a, b) => a - b) as [number, number];
  const [y0, y1] = [box.from[1], box.to[1]].sort((a, b) => a - b) as [number, number];
  return { left: x0, top: y0, width: x1 - x0, height: y1 - y0 };
}
