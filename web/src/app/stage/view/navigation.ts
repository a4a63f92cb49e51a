import { projected, viewAxes, type View } from '@hashira/core';
import type { OnSheet, Point, SheetSize } from '../types';

/** The view moved so that what is under the pointer goes with it by px. */
export function panned(view: View, dx: number, dy: number): View {
  const { right, up } = viewAxes(view);
  const [x, y] = [-dx / view.scale, dy / view.scale];
  const { centre } = view;
  return {
    ...view,
    centre: [0, 1, 2].map((k) => centre[k]! + x * right[k]! + y * up[k]!) as unknown as View['centre'],
  };
}

/** Zooms about a point of the sheet, which stays where it is. */
export function zoomedAt(view: View, size: SheetSize, at: Point, factor: number): View {
  const scale = Math.min(4000, Math.max(0.2, view.scale * factor));
  const [dx, dy] = [at[0] - size.width / 2, at[1] - size.height / 2];
  const kept = panned(view, -dx, -dy);
  return { ...panned({ ...kept, scale }, dx, dy), scale };
}

/** Turns the observer about the vertical axis and raises it, rad. */
export function turnedBy(view: View, turn: number, tilt: number): View {
  return {
    ...view,
    turn: view.turn + turn,
    tilt: Math.min(Math.PI / 2, Math.max(-Math.PI / 2, view.tilt + tilt)),
  };
}

/**
 * How far along two global axes a movement on the sheet leads, m; undefined where they are seen edge on.
 *
 * @param axes their numbers, 0 is x
 */
export function draggedAlong(
  view: View,
  dx: number,
  dy: number,
  [a, b]: readonly [number, number],
): readonly [number, number, number] | undefined {
  const { right, up } = viewAxes(view);
  const determinant = right[a]! * up[b]! - right[b]! * up[a]!;
  if (Math.abs(determinant) < 0.05) return undefined;
  const [x, y] = [dx / view.scale, -dy / view.scale];
  const by: [number, number, number] = [0, 0, 0];
  by[a] = (x * up[b]! - y * right[b]!) / determinant;
  by[b] = (y * right[a]! - x * up[a]!) / determinant;
  return by;
}

/** The two global axes along which a sheet is drawn on best: those that are seen the least edge on; in the plane x and z. */
export function drawnAxes(view: View): readonly [number, number] {
  const { right, up } = viewAxes(view);
  const seen = ([a, b]: readonly [number, number]) => Math.abs(right[a]! * up[b]! - right[b]! * up[a]!);
  return (
    [
      [0, 2],
      [1, 2],
      [0, 1],
    ] as const
  ).reduce((best, one) => (seen(one) > seen(best) + 1e-9 ? one : best));
}

/** Where a point of the sheet lies in space, m: in the plane through `through` along the two axes that are seen best. */
export function spaceAt({ at, view, size }: OnSheet, through: View['centre']): View['centre'] {
  const [x, y] = projected(view, size, through);
  const by = draggedAlong(view, at[0] - x, at[1] - y, drawnAxes(view));
  return by ? [through[0] + by[0], through[1] + by[1], through[2] + by[2]] : through;
}

/** A member near a point of the sheet, and the fraction of its length there. */
export interface Picked {
  readonly member: number;
  readonly fraction: number;
  readonly at: Point;
}

/** Width of a cell, px. */
const cell = 48;

/** Members on the sheet by the cells that they cross, made once for each view. */
export class PickIndex {
  private readonly cells = new Map<number, number[]>();
  private readonly ends: Float32Array;

  constructor(ends: Float32Array, view: View, size: SheetSize) {
    this.ends = new Float32Array((ends.length / 3) * 2);
    for (let i = 0; i < ends.length / 3; i++) {
      const p = projected(view, size, [ends[3 * i]!, ends[3 * i + 1]!, ends[3 * i + 2]!]);
      this.ends.set(p, 2 * i);
    }
    const count = ends.length / 6;
    for (let m = 0; m < count; m++) this.enter(m, size);
  }

  private enter(m: number, size: SheetSize): void {
    const [x0, y0, x1, y1] = this.ends.subarray(4 * m, 4 * m + 4) as unknown as [
      number,
      number,
      number,
      number,
    ];
    const steps = Math.max(1, Math.ceil(Math.hypot(x1 - x0, y1 - y0) / (cell / 2)));
    // Members far larger than the sheet are entered where they cross it
    if (steps > 4000) return;
    let last = NaN;
    for (let i = 0; i <= steps; i++) {
      const [x, y] = [x0 + ((x1 - x0) * i) / steps, y0 + ((y1 - y0) * i) / steps];
      if (x < -cell || y < -cell || x > size.width + cell || y > size.height + cell) continue;
      const key = keyOf(x, y);
      if (key === last) continue;
      last = key;
      const list = this.cells.get(key);
      if (!list) this.cells.set(key, [m]);
      else if (list.at(-1) !== m) list.push(m);
    }
  }

  /** The nearest member within reach, px. */
  nearest([x, y]: Point, reach = 14): Picked | undefined {
    let best: (Picked & { off: number }) | undefined;
    for (const dx of [-cell, 0, cell])
      for (const dy of [-cell, 0, cell])
        for (const m of this.cells.get(keyOf(x + dx, y + dy)) ?? []) {
          const [x0, y0, x1, y1] = this.ends.subarray(4 * m, 4 * m + 4) as unknown as [
            number,
            number,
            number,
            number,
          ];
          const square = (x1 - x0) ** 2 + (y1 - y0) ** 2;
          const fraction =
            square < 1e-9
              ? 0
              : Math.min(1, Math.max(0, ((x - x0) * (x1 - x0) + (y - y0) * (y1 - y0)) / square));
          const at: Point = [x0 + fraction * (x1 - x0), y0 + fraction * (y1 - y0)];
          const off = Math.hypot(x - at[0], y - at[1]);
          if (off <= reach && (!best || off < best.off)) best = { member: m, fraction, at, off };
        }
    return best;
  }
}

const keyOf = (x: number, y: number): number => Math.floor(x / cell) * 100_003 + Math.floor(y / cell);
