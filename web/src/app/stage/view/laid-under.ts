import { projected, type DrawnScene, type Layer, type View } from '@hashira/core';
import type { Point, Sheet, SheetSize, StageBand, StageContent } from '../types';

/** A sheet under another one, and which part of the frame it has. */
export interface UnderSheet {
  readonly part: 'lines' | 'diagram';
  readonly sheet: Sheet;
}

/** What is drawn of a frame under another one beside its diagram: loads and reactions of both would cover one another. */
const lineLayers: readonly Layer[] = ['members', 'supports', 'hinges', 'moving', 'deformed'];

/** The sheets of a frame that lies under another one: in the same view, at the same moment of the moving picture. */
export function underSheets(over: Sheet, { scene, layers, scales }: StageContent): UnderSheet[] {
  const part = (name: UnderSheet['part'], shown: readonly Layer[]): UnderSheet[] => {
    const own = layers.filter((layer) => shown.includes(layer));
    return own.length === 0
      ? []
      : [{ part: name, sheet: { ...over, scene, scales, layers: own, dimensions: false } }];
  };
  return [...part('lines', lineLayers), ...part('diagram', ['diagram'])];
}

/** A band on the sheet. */
export interface BandLine extends StageBand {
  /** Path of the member's line. */
  readonly d: string;
  /** Where its text stands. */
  readonly at: Point;
}

/** Room that a text of a band takes, px. */
const textRoom = { width: 44, height: 16 };

/** Bands along members, the widest last so that none hides it; of texts that would stand over one another the widest band's is kept. */
export function bandLines(
  bands: readonly StageBand[],
  { members: { ends } }: DrawnScene,
  view: View,
  size: SheetSize,
): BandLine[] {
  const taken: Point[] = [];
  const lines = [...bands]
    .sort((a, b) => b.width - a.width)
    .map((band): BandLine => {
      const end = (k: number) => {
        const at = 6 * band.member + k;
        return projected(view, size, [ends[at]!, ends[at + 1]!, ends[at + 2]!]);
      };
      const [a, b] = [end(0), end(3)];
      const at: Point = [(a[0] + b[0]) / 2, (a[1] + b[1]) / 2 + 4];
      const d = `M${a[0].toFixed(1)} ${a[1].toFixed(1)}L${b[0].toFixed(1)} ${b[1].toFixed(1)}`;
      const { text, ...rest } = band;
      const free = taken.every(
        (other) =>
          Math.abs(other[0] - at[0]) > textRoom.width || Math.abs(other[1] - at[1]) > textRoom.height,
      );
      if (text === undefined || !free) return { ...rest, d, at };
      taken.push(at);
      return { ...rest, text, d, at };
    });
  return lines.reverse();
}
