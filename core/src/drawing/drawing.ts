import type { Point } from '../geometry/vector.js';
import { Records } from './records.js';

/** The sheet's colours; each means one thing. */
export const colourNames = [
  'paper',
  'sheet',
  'ink',
  'inkSoft',
  'inkFaint',
  'indigo',
  'vermilion',
  'moss',
  'plum',
  'teal',
  'ochre',
] as const;
export type Colour = (typeof colourNames)[number];

/**
 * Parts of a drawing that can be shown or hidden, from the lowest to the uppermost. `whole` has all members in ink where a slice is looked
 * at, for miniatures.
 */
export const layerNames = [
  'axes',
  'loads',
  'diagram',
  'sections',
  'members',
  'whole',
  'deformed',
  'supports',
  'hinges',
  'reactions',
  'moving',
] as const;
export type Layer = (typeof layerNames)[number];

/** What a displacement of a vertex is multiplied by: nothing, or the scale of diagrams, of the deformed shape, of loads. */
export const scaleNames = ['none', 'diagram', 'deformation', 'load'] as const;
export type Scale = (typeof scaleNames)[number];

/**
 * A stroke: 22 numbers, and two that fill its last quadruple. Its ends A and B in m, each with a displacement that a scale multiplies;
 * offsets in px of both ends; width in px; colour; opacity; mode; scale; opacity of the area between the line and where it would be
 * without its displacements. Mode 0: offsets are right and down on the sheet from A and from B. Mode 1: both from A, along and across
 * the direction from A to B as it is seen.
 */
export const strokeSize = 24;
/** Where the parts of a stroke's record begin. */
export const strokeAt = {
  a: 0,
  shiftA: 3,
  b: 6,
  shiftB: 9,
  offsetA: 12,
  offsetB: 14,
  width: 16,
  colour: 17,
  alpha: 18,
  mode: 19,
  scale: 20,
  fill: 21,
} as const;

/** A corner of a triangle: 15 numbers. P and its displacement, a second point Q, offset in px, colour, opacity, mode, scale. */
export const cornerSize = 15;
/** Where the parts of a corner's record begin. */
export const cornerAt = {
  p: 0,
  shift: 3,
  q: 6,
  offset: 9,
  colour: 11,
  alpha: 12,
  mode: 13,
  scale: 14,
} as const;

/** Text at a place of a drawing. */
export interface DrawingText {
  /** Says which text it is while the drawing changes. */
  readonly key: string;
  readonly text: string;
  /** m, with a displacement that a scale multiplies. */
  readonly at: Point;
  readonly shift: Point;
  readonly scale: Scale;
  /** A second point: the text stands beyond `at` as seen from there. */
  readonly from: Point;
  /** px beyond. */
  readonly beyond: number;
  readonly tone: Colour;
  readonly layer: Layer;
  /** Higher ones stay where texts would overlap. */
  readonly priority: number;
  /** It is told wherever there is a place for it, however many texts there are. */
  readonly governs?: boolean;
  /** The exact value, shown on hover. */
  readonly title: string;
}

/** A drawing in m, as plain data: typed arrays that move between threads. */
export interface Drawing {
  /** Strokes, layer by layer. */
  readonly strokes: Float32Array;
  readonly corners: Float32Array;
  /** First stroke and first corner of each layer, and their ends, in the order of `layerNames`. */
  readonly strokeRanges: readonly (readonly [number, number])[];
  readonly cornerRanges: readonly (readonly [number, number])[];
  readonly texts: readonly DrawingText[];
}

/** A drawing without its texts. */
export type DrawnLines = Omit<Drawing, 'texts'>;

interface StrokeStyle {
  readonly colour: Colour;
  readonly width?: number;
  readonly alpha?: number;
  readonly scale?: Scale;
  /** Opacity of the area between a line and where it would be without its displacements. */
  readonly fill?: number;
}

/** A straight axis with ordinates square to it: where it begins, m, and unit vectors, 3 numbers each. */
export interface OrdinateAxis {
  readonly origin: Float64Array;
  readonly direction: Float64Array;
  readonly up: Float64Array;
}

const zero: Point = [0, 0, 0];
const middle = [0, 0] as const;

/** px, right and down on the sheet, or along and across a direction. */
type Offset = readonly [number, number];

const colourIndex = new Map(colourNames.map((name, i) => [name, i]));
const scaleIndex = new Map(scaleNames.map((name, i) => [name, i]));

/** A style in the numbers of corners. */
interface Nib {
  readonly colour: number;
  readonly alpha: number;
  readonly scale: number;
}

function nibOf({ colour, alpha = 1, scale = 'none' }: StrokeStyle): Nib {
  return { colour: colourIndex.get(colour)!, alpha, scale: scaleIndex.get(scale)! };
}

/** Collects strokes and areas of one layer of a drawing. */
export class LayerPen {
  readonly strokes: Records;
  readonly corners: Records;

  /** @param parts of the frame that are drawn on it, about */
  constructor(parts: number) {
    this.strokes = new Records(strokeSize, parts);
    this.corners = new Records(cornerSize, parts);
  }

  /** A line between two places, whose displacements `da` and `db` a scale multiplies. */
  line(a: Point, b: Point, style: StrokeStyle, da: Point = zero, db: Point = zero): void {
    const from = this.stroke(style, 0);
    const { values } = this.strokes;
    put(values, from + strokeAt.a, a);
    put(values, from + strokeAt.shiftA, da);
    put(values, from + strokeAt.b, b);
    put(values, from + strokeAt.shiftB, db);
  }

  /**
   * A line between two ordinates on a straight axis.
   *
   * @param pairs from `at` on the place of the first, m along the axis, and its value, then those of the second: values times `up` are
   *   their displacements, which the scale of the style multiplies
   */
  ordinates(axis: OrdinateAxis, pairs: Float64Array, at: number, style: StrokeStyle): void {
    const from = this.stroke(style, 0);
    this.ordinateEnd(from + strokeAt.a, axis, pairs[at]!, pairs[at + 1]!);
    this.ordinateEnd(from + strokeAt.b, axis, pairs[at + 2]!, pairs[at + 3]!);
  }

  /** An ordinate: from a place of a straight axis, m along it, to its value there. */
  ordinate(axis: OrdinateAxis, x: number, value: number, style: StrokeStyle): void {
    const from = this.stroke(style, 0);
    this.ordinateEnd(from + strokeAt.a, axis, x, 0);
    this.ordinateEnd(from + strokeAt.b, axis, x, value);
  }

  private ordinateEnd(at: number, { origin, direction, up }: OrdinateAxis, x: number, value: number): void {
    const { values } = this.strokes;
    for (let k = 0; k < 3; k++) {
      values[at + k] = origin[k]! + direction[k]! * x;
      values[at + strokeAt.shiftA + k] = up[k]! * value;
    }
  }

  /** A polyline. */
  path(points: readonly Point[], style: StrokeStyle, shifts?: readonly Point[]): void {
    for (let i = 0; i + 1 < points.length; i++)
      this.line(points[i]!, points[i + 1]!, style, shifts?.[i], shifts?.[i + 1]);
  }

  /** A line of px about a place: from and to are right and down on the sheet. */
  mark(at: Point, from: Offset, to: Offset, style: StrokeStyle): void {
    this.offsets(this.stroke(style, 0), at, at, from, to);
  }

  /** A line of px along and across the direction from `at` to `towards`, as it is seen. */
  aligned(at: Point, towards: Point, from: Offset, to: Offset, style: StrokeStyle): void {
    this.offsets(this.stroke(style, 1), at, towards, from, to);
  }

  /** An arrow of px with its tip `gap` before `at`, pointing along the direction from `at` to `towards`. */
  arrow(
    at: Point,
    towards: Point,
    { gap, length }: { readonly gap: number; readonly length: number },
    style: StrokeStyle,
  ): void {
    const foot = -gap - arrowHead;
    const nib = nibOf(style);
    this.aligned(at, towards, [-gap - length, 0], [foot, 0], style);
    this.alignedCorner(at, towards, [-gap, 0], nib);
    this.alignedCorner(at, towards, [foot, 0.36 * arrowHead], nib);
    this.alignedCorner(at, towards, [foot, -0.36 * arrowHead], nib);
  }

  /** A filled head at `tip`, pointing from `from` to it, of some px. */
  head(
    tip: Point,
    from: Point,
    style: StrokeStyle,
    { size = 6, shift = zero }: { readonly size?: number; readonly shift?: Point } = {},
  ): void {
    // Along the direction from the tip back to its foot
    const nib = nibOf(style);
    this.alignedCorner(tip, from, middle, nib, shift);
    this.alignedCorner(tip, from, [size, 0.36 * size], nib, shift);
    this.alignedCorner(tip, from, [size, -0.36 * size], nib, shift);
  }

  /** A convex area. */
  area(points: readonly Point[], style: StrokeStyle, shifts?: readonly Point[]): void {
    const nib = nibOf(style);
    for (let i = 1; i + 1 < points.length; i++)
      for (const k of [0, i, i + 1]) this.corner(points[k]!, nib, shifts?.[k] ?? zero);
  }

  /** A disc of px about a place. */
  disc(at: Point, radius: number, style: StrokeStyle): void {
    const nib = nibOf(style);
    for (const offset of fan(0, radius, 16)) this.corner(at, nib, zero, offset);
  }

  /** A filled ring of px at an offset along the direction from `at` to `towards`. */
  ring(
    at: Point,
    towards: Point,
    { along, radius, fill }: { readonly along: number; readonly radius: number; readonly fill: Colour },
    style: StrokeStyle,
  ): void {
    const offsets = fan(along, radius, 14);
    const paper = nibOf({ colour: fill });
    for (const offset of offsets) this.alignedCorner(at, towards, offset, paper);
    for (let i = 0; i < offsets.length; i += 3)
      this.aligned(at, towards, offsets[i + 1]!, offsets[i + 2]!, style);
  }

  /** Begins a stroke. @returns where its numbers begin */
  private stroke(style: StrokeStyle, mode: 0 | 1): number {
    const from = this.strokes.room();
    const { values } = this.strokes;
    values[from + strokeAt.width] = style.width ?? 1;
    values[from + strokeAt.colour] = colourIndex.get(style.colour)!;
    values[from + strokeAt.alpha] = style.alpha ?? 1;
    values[from + strokeAt.mode] = mode;
    values[from + strokeAt.scale] = style.scale ? scaleIndex.get(style.scale)! : 0;
    values[from + strokeAt.fill] = style.fill ?? 0;
    return from;
  }

  private offsets(stroke: number, a: Point, b: Point, from: Offset, to: Offset): void {
    const { values } = this.strokes;
    put(values, stroke + strokeAt.a, a);
    put(values, stroke + strokeAt.b, b);
    values[stroke + strokeAt.offsetA] = from[0];
    values[stroke + strokeAt.offsetA + 1] = from[1];
    values[stroke + strokeAt.offsetB] = to[0];
    values[stroke + strokeAt.offsetB + 1] = to[1];
  }

  /** A corner at a place and its displacement, `offset` px right and down from there. */
  private corner(p: Point, nib: Nib, shift: Point, offset: Offset = middle): void {
    const from = this.beginCorner(nib, 0, offset);
    const { values } = this.corners;
    put(values, from + cornerAt.p, p);
    put(values, from + cornerAt.shift, shift);
    put(values, from + cornerAt.q, p);
  }

  /** A corner `offset` px along and across the direction from a place towards another. */
  private alignedCorner(p: Point, q: Point, offset: Offset, nib: Nib, shift: Point = zero): void {
    const from = this.beginCorner(nib, 1, offset);
    const { values } = this.corners;
    put(values, from + cornerAt.p, p);
    put(values, from + cornerAt.shift, shift);
    put(values, from + cornerAt.q, q);
  }

  private beginCorner({ colour, alpha, scale }: Nib, mode: 0 | 1, offset: Offset): number {
    const from = this.corners.room();
    const { values } = this.corners;
    values[from + cornerAt.offset] = offset[0];
    values[from + cornerAt.offset + 1] = offset[1];
    values[from + cornerAt.colour] = colour;
    values[from + cornerAt.alpha] = alpha;
    values[from + cornerAt.mode] = mode;
    values[from + cornerAt.scale] = scale;
    return from;
  }
}

/** Length of an arrow's head, px. */
const arrowHead = 9;

/** A disc about a point of the first axis as triangles: of each the middle and two places of the rim. */
function fan(along: number, radius: number, count: number): Offset[] {
  const rim = (i: number): Offset => [
    along + radius * Math.cos((2 * Math.PI * i) / count),
    radius * Math.sin((2 * Math.PI * i) / count),
  ];
  return Array.from({ length: count }, (_, i): Offset[] => [[along, 0], rim(i), rim(i + 1)]).flat();
}

/** Collects strokes, areas and texts of a drawing, each on a layer. */
export class Draughtsman {
  private readonly layers: ReadonlyMap<Layer, LayerPen>;
  private readonly texts: DrawingText[] = [];

  /** @param parts about how many the frame has */
  constructor(parts = 10) {
    this.layers = new Map(layerNames.map((name) => [name, new LayerPen(parts)]));
  }

  /** The pen of a layer. */
  on(layer: Layer): LayerPen {
    return this.layers.get(layer)!;
  }

  text(text: Omit<DrawingText, 'shift' | 'scale' | 'from' | 'beyond'> & Partial<DrawingText>): void {
    this.texts.push({ shift: zero, scale: 'none', from: text.at, beyond: 10, ...text });
  }

  finish(): Drawing {
    const strokes = layerNames.map((name) => this.on(name).strokes);
    const corners = layerNames.map((name) => this.on(name).corners);
    return {
      strokes: joined(strokes),
      corners: joined(corners),
      strokeRanges: rangesOf(strokes),
      cornerRanges: rangesOf(corners),
      texts: this.texts,
    };
  }
}

function put(values: Float32Array, at: number, p: Point): void {
  values[at] = p[0];
  values[at + 1] = p[1];
  values[at + 2] = p[2];
}

function joined(layers: readonly Records[]): Float32Array {
  const all = new Float32Array(layers.reduce((sum, { length }) => sum + length, 0));
  let at = 0;
  for (const records of layers) {
    records.copyTo(all, at);
    at += records.length;
  }
  return all;
}

function rangesOf(layers: readonly Records[]): [number, number][] {
  let at = 0;
  return layers.map(({ count }) => {
    const from = at;
    at += count;
    return [from, at];
  });
}
