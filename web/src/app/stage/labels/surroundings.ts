import { layerNames, projected, projection, strokeAt, strokeSize, type Layer } from '@hashira/core';
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
const mostInk = 8000;

/** Lines of layers as they lie on the sheet, px; none where they are more than `most`. */
function linesOn(sheet: Sheet, wanted: readonly Layer[], most: number): Line[] {
  const { strokes, strokeRanges } = sheet.scene.drawing;
  const ranges = wanted
    .filter((layer) => sheet.layers.includes(layer))
    .map((layer) => strokeRanges[layerNames.indexOf(layer)] ?? ([0, 0] as const));
  if (ranges.reduce((sum, [from, to]) => sum + to - from, 0) > most) return [];
  const lineOf = lineReader(sheet);
  const lines: Line[] = [];
  for (const [from, to] of ranges)
    for (let k = from; k < to; k++) {
      const line = lineOf(strokes, k * strokeSize);
      lines.push(line, ...edgesOf(line, strokes[k * strokeSize + strokeAt.width]!));
    }
  return lines;
}

/** Strokes of this width and more cover a label beside their middle, px. */
const wide = 6;

/** The edges of a wide stroke. */
function edgesOf([a, b]: Line, width: number): Line[] {
  if (width < wide) return [];
  const length = Math.hypot(b[0] - a[0], b[1] - a[1]) || 1;
  const [x, y] = [(-(b[1] - a[1]) / length) * (width / 2), ((b[0] - a[0]) / length) * (width / 2)];
  return [1, -1].map((side): Line => [
    [a[0] + side * x, a[1] + side * y],
    [b[0] + side * x, b[1] + side * y],
  ]);
}

/** What reads a stroke as it lies on the sheet: its ends with their displacements, and offsets of px from them, or along and across it. */
function lineReader({ view, size, scales, phase }: Sheet): (strokes: Float32Array, from: number) => Line {
  const place = projection(view, size);
  const factors = [0, scales.diagram, scales.deformation * phase, scales.load];
  return (s, from) => {
    const f = factors[s[from + strokeAt.scale]!]!;
    const at = (i: number): Point =>
      place([s[i]! + f * s[i + 3]!, s[i + 1]! + f * s[i + 4]!, s[i + 2]! + f * s[i + 5]!]);
    const [a, b] = [at(from + strokeAt.a), at(from + strokeAt.b)];
    const [p, q] = [from + strokeAt.offsetA, from + strokeAt.offsetB];
    if (s[from + strokeAt.mode]! < 0.5)
      return [
        [a[0] + s[p]!, a[1] + s[p + 1]!],
        [b[0] + s[q]!, b[1] + s[q + 1]!],
      ];
    const length = Math.hypot(b[0] - a[0], b[1] - a[1]) || 1;
    const [dx, dy] = [(b[0] - a[0]) / length, (b[1] - a[1]) / length];
    const along = (i: number): Point => [
      a[0] + dx * s[i]! - dy * s[i + 1]!,
      a[1] + dy * s[i]! + dx * s[i + 1]!,
    ];
    return [along(p), along(q)];
  };
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
