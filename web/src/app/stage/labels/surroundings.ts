import { layerNames, projected, strokeAt, strokeSize, type Layer } from '@hashira/core';
import type { Box, Line, Surroundings } from './labels';
import type { PlacedDimension } from '../view/dimension-lines';
import type { Point, Sheet } from '../types';

/** Members beyond which a drawing is too dense for labels to keep off them all. */
const manyMembers = 400;

/** What labels find on a sheet: dimensions, members, the signs of supports, and what the screen lays over it. */
export function surroundingsOf(
  sheet: Sheet,
  dimensions: readonly PlacedDimension[],
  over: readonly Box[] = [],
): Surroundings {
  return {
    obstacles: [...dimensions.map(({ box }) => box), ...over],
    signs: sheet.layers.includes('supports') ? supportBoxes(sheet) : [],
    lines: [...dimensions.flatMap(({ lines }) => lines), ...memberLines(sheet)],
    thinLines: linesOn(sheet, thinLayers, mostThin),
    ink: linesOn(sheet, layerNames, mostInk),
  };
}

function memberLines({ scene, view, size }: Sheet): Line[] {
  const { ids, ends } = scene.members;
  if (ids.length > manyMembers) return [];
  const at = (i: number): Point => projected(view, size, [ends[i]!, ends[i + 1]!, ends[i + 2]!]);
  return ids.map((_, m): Line => [at(6 * m), at(6 * m + 3)]);
}

/** Layers of thin lines, and how many strokes of them labels keep off. */
const thinLayers: readonly Layer[] = ['diagram', 'loads', 'deformed'];
const mostThin = 1500;
/** How many strokes a drawing may have so that what lies under labels is looked for. */
const mostInk = 6000;

/** Lines of layers as they lie on the sheet, px; none where they are more than `most`. */
function linesOn(sheet: Sheet, wanted: readonly Layer[], most: number): Line[] {
  const { strokes, strokeRanges } = sheet.scene.drawing;
  const ranges = wanted
    .filter((layer) => sheet.layers.includes(layer))
    .map((layer) => strokeRanges[layerNames.indexOf(layer)] ?? ([0, 0] as const));
  if (ranges.reduce((sum, [from, to]) => sum + to - from, 0) > most) return [];
  return ranges.flatMap(([from, to]) =>
    Array.from({ length: to - from }, (_, k) =>
      lineOf(sheet, strokes.subarray((from + k) * strokeSize, (from + k + 1) * strokeSize)),
    ),
  );
}

/** A stroke on the sheet: its ends with their displacements, and offsets of px from them, or along and across it. */
function lineOf({ view, size, scales, phase }: Sheet, s: Float32Array): Line {
  const f = [0, scales.diagram, scales.deformation * phase, scales.load][s[strokeAt.scale]!]!;
  const at = (i: number): Point =>
    projected(view, size, [s[i]! + f * s[i + 3]!, s[i + 1]! + f * s[i + 4]!, s[i + 2]! + f * s[i + 5]!]);
  const [a, b] = [at(strokeAt.a), at(strokeAt.b)];
  const moved = (p: Point, i: number): Point => [p[0] + s[i]!, p[1] + s[i + 1]!];
  if (s[strokeAt.mode]! < 0.5) return [moved(a, strokeAt.offsetA), moved(b, strokeAt.offsetB)];
  const length = Math.hypot(b[0] - a[0], b[1] - a[1]) || 1;
  const [dx, dy] = [(b[0] - a[0]) / length, (b[1] - a[1]) / length];
  const along = (i: number): Point => [
    a[0] + dx * s[i]! - dy * s[i + 1]!,
    a[1] + dy * s[i]! + dx * s[i + 1]!,
  ];
  return [along(strokeAt.offsetA), along(strokeAt.offsetB)];
}

/** Boxes round the signs of supports: their strokes are marks of px about a node. */
function supportBoxes({ scene, view, size }: Sheet): Box[] {
  const { strokes, strokeRanges } = scene.drawing;
  const [from, to] = strokeRanges[layerNames.indexOf('supports')] ?? [0, 0];
  const boxes = new Map<string, { low: [number, number]; high: [number, number] }>();
  for (let k = from; k < to; k++) {
    const s = strokes.subarray(k * strokeSize, (k + 1) * strokeSize);
    const key = `${s[0]!} ${s[1]!} ${s[2]!}`;
    const [x, y] = projected(view, size, [s[0]!, s[1]!, s[2]!]);
    let box = boxes.get(key);
    if (!box) boxes.set(key, (box = { low: [x, y], high: [x, y] }));
    for (const i of [strokeAt.offsetA, strokeAt.offsetB]) {
      box.low = [Math.min(box.low[0], x + s[i]!), Math.min(box.low[1], y + s[i + 1]!)];
      box.high = [Math.max(box.high[0], x + s[i]!), Math.max(box.high[1], y + s[i + 1]!)];
    }
  }
  return [...boxes.values()].map(({ low, high }) => ({
    left: low[0],
    top: low[1],
    width: high[0] - low[0],
    height: high[1] - low[1],
  }));
}
