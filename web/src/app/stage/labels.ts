import type { SheetSize, StageLabel } from './types';

/** A box on the sheet, px. */
export interface Box {
  readonly left: number;
  readonly top: number;
  readonly width: number;
  readonly height: number;
}

/** A label with the box that it takes, px. */
export interface PlacedLabel extends StageLabel {
  readonly left: number;
  readonly top: number;
}

const characterWidth = 6.1;
const lineHeight = 15;
const padding = 2;
/** A sheet with more labels than one for each such area cannot be read: the less important ones wait until it is zoomed, px². */
const areaOfEach = 14_000;
/** The same text twice within this distance is said once, px. */
const sameWithin = 64;

/** Box of a text of one line, px. */
export function boxOf(text: string, at: readonly [number, number], align: StageLabel['align']): Box {
  const width = text.length * characterWidth + 2 * padding;
  return {
    left: at[0] + { middle: -width / 2, left: 0, right: -width }[align],
    top: at[1] - lineHeight / 2,
    width,
    height: lineHeight,
  };
}

/**
 * Places labels so that none covers another, an obstacle, or leaves the sheet: in order of priority each takes its place, a near one,
 * or is left out.
 */
export function placeLabels(
  labels: readonly StageLabel[],
  size: SheetSize,
  obstacles: readonly Box[] = [],
): PlacedLabel[] {
  const placed: (PlacedLabel & Box)[] = [];
  const taken: Box[] = [...obstacles];
  const shifts = [
    [0, 0],
    [0, -lineHeight],
    [0, lineHeight],
    [0, -2 * lineHeight],
    [0, 2 * lineHeight],
    [-34, 0],
    [34, 0],
  ] as const;
  const most = Math.max(24, (size.width * size.height) / areaOfEach);
  for (const label of [...labels].sort((a, b) => b.priority - a.priority)) {
    if (placed.length >= most) break;
    const told = placed.some(
      (other) =>
        other.text === label.text &&
        Math.hypot(other.at[0] - label.at[0], other.at[1] - label.at[1]) < sameWithin,
    );
    if (told) continue;
    const box = boxOf(label.text, label.at, label.align);
    if (
      box.left + box.width < 0 ||
      box.left > size.width ||
      box.top + box.height < 0 ||
      box.top > size.height
    )
      continue;
    for (const [dx, dy] of shifts) {
      const left = Math.min(Math.max(2, box.left + dx), size.width - box.width - 2);
      const top = box.top + dy;
      if (top < 2 || top + lineHeight > size.height - 2) continue;
      if (!taken.every((other) => apart({ ...box, left, top }, other))) continue;
      const found = { ...label, ...box, left, top };
      placed.push(found);
      taken.push(found);
      break;
    }
  }
  return placed;
}

const apart = (a: Box, b: Box): boolean =>
  a.left + a.width <= b.left ||
  b.left + b.width <= a.left ||
  a.top + a.height <= b.top ||
  b.top + b.height <= a.top;
