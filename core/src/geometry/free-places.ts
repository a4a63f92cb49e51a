import type { Point } from './vector.js';

/** A grid line, as the design gives it. */
interface GridLine {
  readonly along: 'x' | 'y' | 'z';
  readonly name: string;
  /** m */
  readonly at: number;
}

/** A place of the sheet that is no place of the frame: its coordinates as a step's point has them, and in words. */
export interface FreePlace {
  readonly coordinates: readonly string[];
  /** "on A and 2", "on A, z 3 m", "4.5 m, 3 m". */
  readonly title: string;
  /** m, global. */
  readonly at: Point;
}

export interface FreePlaceOptions {
  readonly space: 'plane' | 'solid';
  readonly axes: readonly GridLine[];
  /** Coordinates are multiples of this where no grid line is near, m. */
  readonly spacing: number;
  /** How near a grid line attracts, m. */
  readonly reach: number;
}

const names = ['x', 'y', 'z'] as const;

/** The place that is meant by a point: each coordinate on the grid line that is near, else on a multiple of the spacing. */
export function freePlace(point: Point, { space, axes, spacing, reach }: FreePlaceOptions): FreePlace {
  const used = space === 'plane' ? ([0, 2] as const) : ([0, 1, 2] as const);
  const at: [number, number, number] = [0, 0, 0];
  const on: string[] = [];
  const off: string[] = [];
  for (const k of used) {
    const near = axes
      .filter(({ along }) => along === names[k])
      .reduce<GridLine | undefined>(
        (best, one) =>
          Math.abs(one.at - point[k]) < Math.abs((best?.at ?? Infinity) - point[k]) ? one : best,
        undefined,
      );
    const isOn = near !== undefined && Math.abs(near.at - point[k]) <= reach;
    // Multiples are written without the digits that floating numbers add; −0 is 0
    at[k] = isOn ? near.at : Number((Math.round(point[k] / spacing) * spacing).toFixed(6)) + 0;
    if (isOn) on.push(near.name);
    else off.push(`${names[k]} ${at[k]} m`);
  }
  return {
    at,
    coordinates: used.map((k) => `${Number(at[k].toFixed(6))} m`),
    title: [...(on.length > 0 ? [`on ${on.join(' and ')}`] : []), ...off].join(', '),
  };
}
