import type { Point } from '../recipe/geometry/vector.js';

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

/** Parts of a drawing that can be shown or hidden, from the lowest to the uppermost. */
export const layerNames = [
  'axes',
  'loads',
  'diagram',
  'members',
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
 * A stroke: 21 numbers, and three that fill its last quadruple. Its ends A and B in m, each with a displacement that a scale multiplies; offsets in px of both ends; width in
 * px; colour; opacity; mode; scale. Mode 0: offsets are right and down on the sheet from A and from B. Mode 1: both from A, along and
 * across the direction from A to B as it is seen.
 */
export const strokeSize = 24;
/** A corner of a triangle: 15 numbers. P and its displacement, a second point Q, offset in px, colour, opacity, mode, scale. */
export const cornerSize = 15;

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

interface StrokeStyle {
  readonly colour: Colour;
  readonly width?: number;
  readonly alpha?: number;
  readonly scale?: Scale;
}

const zero: Point = [0, 0, 0];
const noOffset = [0, 0] as const;
const noOffsets = [0, 0, 0, 0] as const;

/** Numbers that grow in place. */
class Floats {
  private values = new Float32Array(256);
  length = 0;

  /** Room for more numbers: where to write, and from which index. */
  room(count: number): { values: Float32Array; from: number } {
    const from = this.length;
    this.length += count;
    if (this.length > this.values.length) {
      const wider = new Float32Array(Math.max(2 * this.values.length, this.length));
      wider.set(this.values);
      this.values = wider;
    }
    return { values: this.values, from };
  }

  get filled(): Float32Array {
    return this.values.subarray(0, this.length);
  }
}

const layerIndex = new Map(layerNames.map((name, i) => [name, i]));
const colourIndex = new Map(colourNames.map((name, i) => [name, i]));
const scaleIndex = new Map(scaleNames.map((name, i) => [name, i]));

/** Collects strokes, areas and texts of a drawing, each on a layer. */
export class Draughtsman {
  private readonly strokes = layerNames.map(() => new Floats());
  private readonly corners = layerNames.map(() => new Floats());
  private readonly texts: DrawingText[] = [];

  /** A line between two places, whose displacements `da` and `db` a scale multiplies. */
  line(layer: Layer, a: Point, b: Point, style: StrokeStyle, da: Point = zero, db: Point = zero): void {
    this.stroke(layer, a, da, b, db, noOffsets, style, 0);
  }

  /** A polyline. */
  path(layer: Layer, points: readonly Point[], style: StrokeStyle, shifts?: readonly Point[]): void {
    for (let i = 0; i + 1 < points.length; i++)
      this.line(layer, points[i]!, points[i + 1]!, style, shifts?.[i], shifts?.[i + 1]);
  }

  /** A line of px about a place: from and to are right and down on the sheet. */
  mark(
    layer: Layer,
    at: Point,
    from: readonly [number, number],
    to: readonly [number, number],
    style: StrokeStyle,
  ): void {
    this.stroke(layer, at, zero, at, zero, [...from, ...to], style, 0);
  }

  /** A line of px along and across the direction from `at` to `towards`, as it is seen. */
  aligned(
    layer: Layer,
    at: Point,
    towards: Point,
    from: readonly [number, number],
    to: readonly [number, number],
    style: StrokeStyle,
  ): void {
    this.stroke(layer, at, zero, towards, zero, [...from, ...to], style, 1);
  }

  /** An arrow of px with its tip `gap` before `at`, pointing along the direction from `at` to `towards`. */
  arrow(
    layer: Layer,
    at: Point,
    towards: Point,
    gap: number,
    length: number,
    style: StrokeStyle,
    head = 9,
  ): void {
    this.aligned(layer, at, towards, [-gap - length, 0], [-gap - head, 0], style);
    this.corner3(
      layer,
      at,
      towards,
      [
        [-gap, 0],
        [-gap - head, 0.36 * head],
        [-gap - head, -0.36 * head],
      ],
      style,
    );
  }

  /** A filled head at `tip`, pointing from `from` to it. */
  head(layer: Layer, tip: Point, from: Point, style: StrokeStyle, size = 6, dTip: Point = zero): void {
    // Along the direction from the tip back to its foot
    this.corner3(
      layer,
      tip,
      from,
      [
        [0, 0],
        [size, 0.36 * size],
        [size, -0.36 * size],
      ],
      style,
      dTip,
    );
  }

  /** A convex area. */
  area(layer: Layer, points: readonly Point[], style: StrokeStyle, shifts?: readonly Point[]): void {
    for (let i = 1; i + 1 < points.length; i++)
      for (const k of [0, i, i + 1])
        this.corner(layer, points[k]!, shifts?.[k] ?? zero, points[k]!, noOffset, style, 0);
  }

  /** The area between two places and where `da` and `db` take them. */
  band(layer: Layer, a: Point, b: Point, style: StrokeStyle, da: Point, db: Point): void {
    this.corner(layer, a, zero, a, noOffset, style, 0);
    this.corner(layer, b, zero, b, noOffset, style, 0);
    this.corner(layer, b, db, b, noOffset, style, 0);
    this.corner(layer, a, zero, a, noOffset, style, 0);
    this.corner(layer, b, db, b, noOffset, style, 0);
    this.corner(layer, a, da, a, noOffset, style, 0);
  }

  /** A disc of px about a place. */
  disc(layer: Layer, at: Point, radius: number, style: StrokeStyle): void {
    const n = 16;
    const rim = (i: number): readonly [number, number] => [
      radius * Math.cos((2 * Math.PI * i) / n),
      radius * Math.sin((2 * Math.PI * i) / n),
    ];
    for (let i = 0; i < n; i++)
      for (const off of [[0, 0] as const, rim(i), rim(i + 1)])
        this.corner(layer, at, zero, at, off, style, 0);
  }

  /** A ring of px at an offset along the direction from `at` to `towards`, filled. */
  ring(
    layer: Layer,
    at: Point,
    towards: Point,
    along: number,
    radius: number,
    fill: Colour,
    style: StrokeStyle,
  ): void {
    const n = 14;
    const rim = (i: number): readonly [number, number] => [
      along + radius * Math.cos((2 * Math.PI * i) / n),
      radius * Math.sin((2 * Math.PI * i) / n),
    ];
    for (let i = 0; i < n; i++)
      for (const off of [[along, 0] as const, rim(i), rim(i + 1)])
        this.corner(layer, at, zero, towards, off, { colour: fill }, 1);
    for (let i = 0; i < n; i++) this.aligned(layer, at, towards, rim(i), rim(i + 1), style);
  }

  text(text: Omit<DrawingText, 'shift' | 'scale' | 'from' | 'beyond'> & Partial<DrawingText>): void {
    this.texts.push({ shift: zero, scale: 'none', from: text.at, beyond: 10, ...text });
  }

  private corner3(
    layer: Layer,
    at: Point,
    towards: Point,
    offsets: readonly (readonly [number, number])[],
    style: StrokeStyle,
    shift: Point = zero,
  ): void {
    for (const off of offsets) this.corner(layer, at, shift, towards, off, style, 1);
  }

  private stroke(
    layer: Layer,
    a: Point,
    da: Point,
    b: Point,
    db: Point,
    offsets: readonly number[],
    style: StrokeStyle,
    mode: 0 | 1,
  ): void {
    const { colour, width = 1, alpha = 1, scale = 'none' } = style;
    const { values, from } = this.strokes[layerIndex.get(layer)!]!.room(strokeSize);
    put(values, from, a);
    put(values, from + 3, da);
    put(values, from + 6, b);
    put(values, from + 9, db);
    for (let k = 0; k < 4; k++) values[from + 12 + k] = offsets[k]!;
    values[from + 16] = width;
    values[from + 17] = colourIndex.get(colour)!;
    values[from + 18] = alpha;
    values[from + 19] = mode;
    values[from + 20] = scaleIndex.get(scale)!;
  }

  private corner(
    layer: Layer,
    p: Point,
    dp: Point,
    q: Point,
    offset: readonly [number, number],
    style: StrokeStyle,
    mode: 0 | 1,
  ): void {
    const { colour, alpha = 1, scale = 'none' } = style;
    const { values, from } = this.corners[layerIndex.get(layer)!]!.room(cornerSize);
    put(values, from, p);
    put(values, from + 3, dp);
    put(values, from + 6, q);
    values[from + 9] = offset[0];
    values[from + 10] = offset[1];
    values[from + 11] = colourIndex.get(colour)!;
    values[from + 12] = alpha;
    values[from + 13] = mode;
    values[from + 14] = scaleIndex.get(scale)!;
  }

  finish(): Drawing {
    return {
      strokes: joined(this.strokes),
      corners: joined(this.corners),
      strokeRanges: rangesOf(this.strokes, strokeSize),
      cornerRanges: rangesOf(this.corners, cornerSize),
      texts: this.texts,
    };
  }
}

function put(values: Float32Array, at: number, [x, y, z]: Point): void {
  values[at] = x;
  values[at + 1] = y;
  values[at + 2] = z;
}

function joined(layers: readonly Floats[]): Float32Array {
  const all = new Float32Array(layers.reduce((sum, { length }) => sum + length, 0));
  let at = 0;
  for (const { filled } of layers) {
    all.set(filled, at);
    at += filled.length;
  }
  return all;
}

function rangesOf(layers: readonly Floats[], size: number): [number, number][] {
  let at = 0;
  return layers.map((list) => {
    const from = at;
    at += list.length / size;
    return [from, at];
  });
}
