import { estimated, type Lettering } from './lettering';
import type { Point, SheetSize, StageLabel } from '../types';

/** A box on the sheet, px. */
export interface Box {
  readonly left: number;
  readonly top: number;
  readonly width: number;
  readonly height: number;
}

/** A label with the box that it takes, px. */
export interface PlacedLabel extends StageLabel {
  /** Lines pass under it. */
  readonly covers: boolean;
  /** Where it stands away from its place: the nearest point of its box and the place, px. */
  readonly leader?: Line;
  readonly left: number;
  readonly top: number;
}

/** Room on either side of a text. */
const padding = 2;
/** A sheet with more labels than one for each such area is hard to read: those that govern nothing wait until it is zoomed, px². */
const areaOfEach = 14_000;
/** The same text twice within this distance is said once, px. */
const sameWithin = 64;

/** A straight line on the sheet. */
export type Line = readonly [from: Point, to: Point];

/** What is on the sheet beside labels. */
export interface Surroundings {
  /** Boxes that labels keep clear of. */
  readonly obstacles?: readonly Box[];
  /** Boxes and lines that they leave uncovered where there is room beside them. */
  readonly signs?: readonly Box[];
  readonly lines?: readonly Line[];
  /** Lines that they may cover at little cost: of diagrams and loads. */
  readonly thinLines?: readonly Line[];
  /** All lines that are drawn: none passes through a label. */
  readonly ink?: readonly Line[];
}

/** How bad it is to cover a sign, a line or a thin line, and to stand a line's height away from the place that was wanted. */
const costs = { sign: 6, line: 3, thinLine: 0.6, step: 1 };

/** Box of a text of one line, px. */
export function boxOf(width: number, height: number, at: Point, align: StageLabel['align']): Box {
  const whole = width + 2 * padding;
  return {
    left: at[0] + { middle: -whole / 2, left: 0, right: -whole }[align],
    top: at[1] - height / 2,
    width: whole,
    height,
  };
}

/**
 * Places labels so that none covers another, an obstacle, or leaves the sheet: in order of priority each takes the place near its own
 * that covers least, or is left out.
 */
export function placeLabels(
  labels: readonly StageLabel[],
  size: SheetSize,
  surroundings: Surroundings = {},
  lettering: Lettering = estimated,
): PlacedLabel[] {
  const placed: (PlacedLabel & Box)[] = [];
  const taken: Box[] = [...(surroundings.obstacles ?? [])];
  const most = Math.max(24, (size.width * size.height) / areaOfEach);
  for (const label of [...labels].sort((a, b) => b.priority - a.priority)) {
    if (placed.length >= most && !label.governs) continue;
    const told = placed.some(
      (other) =>
        other.text === label.text &&
        Math.hypot(other.at[0] - label.at[0], other.at[1] - label.at[1]) < sameWithin,
    );
    if (told) continue;
    const box = boxOf(lettering.label(label.text), lettering.line, label.at, label.align);
    if (
      box.left + box.width < 0 ||
      box.left > size.width ||
      box.top + box.height < 0 ||
      box.top > size.height
    )
      continue;
    const { width, height } = box;
    let best: Box | undefined;
    let least = Infinity;
    for (const [dx, dy] of shiftsOf(box)) {
      const cost = (costs.step * Math.hypot(dx, dy)) / height;
      if (cost >= least) continue;
      const left = Math.min(Math.max(2, box.left + dx), size.width - width - 2);
      const top = box.top + dy;
      if (top < 2 || top + height > size.height - 2) continue;
      const there = { left, top, width, height };
      if (!taken.every((other) => apart(there, other))) continue;
      const whole = cost + coverCost(there, surroundings);
      if (whole < least) [best, least] = [there, whole];
    }
    if (!best) continue;
    placed.push({ ...label, ...best, covers: covers(best, surroundings), ...leaderOf(label, best) });
    taken.push(best);
  }
  return placed;
}

/** Where a label may stand beside its place: up to two lines above or below it, and there to a side. */
function shiftsOf({ width, height }: Box): readonly (readonly [number, number])[] {
  const aside = width / 2 + 8;
  return [0, -1, 1, -2, 2].flatMap((line) =>
    [0, -aside, aside, -2 * aside, 2 * aside].map((dx) => [dx, line * height] as const),
  );
}

function coverCost(box: Box, { signs = [], lines = [], thinLines = [] }: Surroundings): number {
  let cost = 0;
  for (const sign of signs) if (!apart(box, sign)) cost += costs.sign;
  for (const line of lines) if (crosses(line, box)) cost += costs.line;
  for (const line of thinLines) if (crosses(line, box)) cost += costs.thinLine;
  return cost;
}

const covers = (box: Box, { lines = [], thinLines = [], ink = [] }: Surroundings): boolean =>
  [lines, thinLines, ink].some((some) => some.some((line) => crosses(line, box)));

/** A line from a label to where it is read, where that is more than a line of text away. */
function leaderOf({ of: at }: StageLabel, { left, top, width, height }: Box): { leader?: Line } {
  if (!at) return {};
  const near: Point = [
    Math.min(Math.max(at[0], left), left + width),
    Math.min(Math.max(at[1], top), top + height),
  ];
  return Math.hypot(at[0] - near[0], at[1] - near[1]) > 1.3 * height ? { leader: [near, at] } : {};
}

/** Whether a line passes through a box (Liang and Barsky 1984). */
function crosses([[x0, y0], [x1, y1]]: Line, { left, top, width, height }: Box): boolean {
  // Most lines lie wholly to one side
  if (Math.max(x0, x1) < left || Math.min(x0, x1) > left + width) return false;
  if (Math.max(y0, y1) < top || Math.min(y0, y1) > top + height) return false;
  let enter = 0;
  let leave = 1;
  for (const [start, change, low, high] of [
    [x0, x1 - x0, left, left + width],
    [y0, y1 - y0, top, top + height],
  ] as const) {
    if (change === 0) {
      if (start < low || start > high) return false;
      continue;
    }
    const [a, b] = [(low - start) / change, (high - start) / change];
    enter = Math.max(enter, Math.min(a, b));
    leave = Math.min(leave, Math.max(a, b));
    if (enter > leave) return false;
  }
  return true;
}

const apart = (a: Box, b: Box): boolean =>
  a.left + a.width <= b.left ||
  b.left + b.width <= a.left ||
  a.top + a.height <= b.top ||
  b.top + b.height <= a.top;
