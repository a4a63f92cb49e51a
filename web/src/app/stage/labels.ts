import type { SheetSize } from './camera';
import type { StageLabel } from './scene';

/** A label with the box that it takes, px. */
export interface PlacedLabel extends StageLabel {
  readonly left: number;
  readonly top: number;
}

const characterWidth = 6.1;
const lineHeight = 15;
const padding = 2;
/** The same text twice within this distance is said once, px. */
const sameWithin = 64;

/**
 * Places labels so that none covers another or leaves the sheet: in order of priority each takes its place, a near one up
 * or down, or is left out.
 */
export function placeLabels(labels: readonly StageLabel[], size: SheetSize): PlacedLabel[] {
  const placed: (PlacedLabel & { width: number })[] = [];
  const shifts = [0, -lineHeight, lineHeight, -2 * lineHeight, 2 * lineHeight];
  for (const label of [...labels].sort((a, b) => b.priority - a.priority)) {
    const width = label.text.length * characterWidth + 2 * padding;
    const told = placed.some(
      (other) =>
        other.text === label.text &&
        Math.hypot(other.at[0] - label.at[0], other.at[1] - label.at[1]) < sameWithin,
    );
    if (told) continue;
    const offset = { middle: -width / 2, left: 0, right: -width }[label.align];
    const left = Math.min(Math.max(2, label.at[0] + offset), size.width - width - 2);
    for (const shift of shifts) {
      const top = label.at[1] - lineHeight / 2 + shift;
      if (top < 2 || top + lineHeight > size.height - 2) continue;
      const free = placed.every(
        (other) =>
          left + width <= other.left ||
          other.left + other.width <= left ||
          top + lineHeight <= other.top ||
          other.top + lineHeight <= top,
      );
      if (!free) continue;
      placed.push({ ...label, left, top, width });
      break;
    }
  }
  return placed;
}
