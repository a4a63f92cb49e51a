import {
  colourNames,
  cornerAt,
  cornerSize,
  layerNames,
  scaleNames,
  strokeAt,
  strokeSize,
  type Colour,
  type DrawnLines,
  type Layer,
  type Scale,
} from '../drawing.js';
import { clearance, gapsBehind, laidLineSize, leastBefore, type Gaps } from './behind.js';
import { fading, fadingLayers, viewAxes, type Depth, type View } from './view.js';

export interface FlatOptions {
  readonly view: View;
  readonly size: { readonly width: number; readonly height: number };
  readonly layers?: readonly Layer[];
  readonly scales?: Partial<Record<Scale, number>>;
  /** How far parts are from the reader; without it all are inked alike. */
  readonly depth?: Depth;
  /** Members are interrupted where nearer ones pass before them; asks for a depth. */
  readonly interrupted?: boolean;
  /** Factors on the px of symbols and on the width of lines. */
  readonly marks?: number;
  readonly thin?: number;
}

/** How a line or an area is inked. */
export interface Ink {
  readonly colour: Colour;
  readonly alpha: number;
  /** px; 0 for areas. */
  readonly width: number;
}

/** What takes lines and triangles on the sheet, px from its top left corner, from the lowest to the uppermost. */
export interface FlatPen {
  line(x0: number, y0: number, x1: number, y1: number, ink: Ink): void;
  /** @param corners x and y of three places; they are used up with the call */
  triangle(corners: ArrayLike<number>, ink: Ink): void;
}

/** Lays a drawing in metres flat on a sheet, as the shaders do, for what paints without them. */
export function layFlat(drawing: DrawnLines, options: FlatOptions, pen: FlatPen): void {
  const flat = new Flat(options);
  for (const layer of options.layers ?? layerNames) {
    const k = layerNames.indexOf(layer);
    flat.fades = fadingLayers.has(layer);
    const [c0, c1] = drawing.cornerRanges[k]!;
    for (let c = c0; c + 2 < c1; c += 3) flat.triangle(drawing.corners, c * cornerSize, pen);
    const [s0, s1] = drawing.strokeRanges[k]!;
    for (let s = s0; s < s1; s++) flat.fill(drawing.strokes, s * strokeSize, pen);
    const gaps = layer === 'members' ? flat.gaps(drawing.strokes, s0, s1) : [];
    for (let s = s0; s < s1; s++) flat.stroke(drawing.strokes, s * strokeSize, pen, gaps[s - s0]);
  }
}

/** How near a place is to the reader, m. */
const towardsReader = ({ towards }: Depth, data: Float32Array, at: number): number =>
  towards[0] * data[at]! + towards[1] * data[at + 1]! + towards[2] * data[at + 2]!;

class Flat {
  /** Far parts of the layer are fainter. */
  fades = false;
  private readonly depth: Depth | undefined;
  private readonly interrupted: boolean;
  private readonly across: Float64Array;
  private readonly factors: readonly number[];
  private readonly marks: number;
  private readonly thin: number;
  /** Two points, then the direction from the first to the second, px. */
  private readonly p = new Float64Array(2);
  private readonly q = new Float64Array(2);
  private readonly ends = new Float64Array(6);

  constructor({ view, size, scales = {}, marks = 1, thin = 1, depth, interrupted = false }: FlatOptions) {
    this.interrupted = interrupted;
    this.depth = depth && depth.near - depth.far > 1e-6 ? depth : undefined;
    const { right, up } = viewAxes(view);
    const { centre, scale } = view;
    const along = (axis: readonly number[]) =>
      axis[0]! * centre[0] + axis[1]! * centre[1] + axis[2]! * centre[2];
    this.across = Float64Array.of(
      ...right.map((c) => c * scale),
      size.width / 2 - along(right) * scale,
      ...up.map((c) => -c * scale),
      size.height / 2 + along(up) * scale,
    );
    this.factors = scaleNames.map((name, i) => (i === 0 ? 0 : (scales[name] ?? 1)));
    this.marks = marks;
    this.thin = thin;
  }

  /** Where three numbers from `i` on, moved by the three after them, are on the sheet. */
  private place(data: Float32Array, i: number, factor: number, out: Float64Array): void {
    const x = data[i]! + (factor === 0 ? 0 : factor * data[i + 3]!);
    const y = data[i + 1]! + (factor === 0 ? 0 : factor * data[i + 4]!);
    const z = data[i + 2]! + (factor === 0 ? 0 : factor * data[i + 5]!);
    const m = this.across;
    out[0] = m[0]! * x + m[1]! * y + m[2]! * z + m[3]!;
    out[1] = m[4]! * x + m[5]! * y + m[6]! * z + m[7]!;
  }

  /** An offset in px, right and down, or along and across the direction from p to q. */
  private shift(mode: number, along: number, across: number, at: number, from: Float64Array): void {
    const [p, q] = [this.p, this.q];
    let [x, y] = [along * this.marks, across * this.marks];
    if (mode > 0.5) {
      const length = Math.hypot(q[0]! - p[0]!, q[1]! - p[1]!);
      const dx = length < 1e-6 ? 1 : (q[0]! - p[0]!) / length;
      const dy = length < 1e-6 ? 0 : (q[1]! - p[1]!) / length;
      [x, y] = [dx * x - dy * y, dy * x + dx * y];
    }
    this.ends[at] = from[0]! + x;
    this.ends[at + 1] = from[1]! + y;
  }

  /** @param gaps parts of it that are left out */
  stroke(data: Float32Array, i: number, pen: FlatPen, gaps: Gaps = []): void {
    this.lay(data, i);
    const [x, y, u, v] = this.ends as unknown as [number, number, number, number];
    const nearness = this.nearness(data, i);
    const ink = {
      colour: colourNames[data[i + strokeAt.colour]!]!,
      alpha: data[i + strokeAt.alpha]! * (fading.alpha + (1 - fading.alpha) * nearness),
      width: this.widthOf(data, i, nearness),
    };
    let from = 0;
    for (let k = 0; k <= gaps.length; k += 2) {
      const to = gaps[k] ?? 1;
      if (to > from || gaps.length === 0)
        pen.line(x + from * (u - x), y + from * (v - y), x + to * (u - x), y + to * (v - y), ink);
      from = gaps[k + 1] ?? 1;
    }
  }

  private widthOf(data: Float32Array, i: number, nearness: number): number {
    const thinned = this.depth && this.fades ? fading.thin + (fading.wide - fading.thin) * nearness : 1;
    return data[i + strokeAt.width]! * this.thin * thinned;
  }

  /** What strokes pass behind of one another; nothing where that is not asked for. */
  gaps(data: Float32Array, first: number, end: number): Gaps[] {
    const { depth } = this;
    if (!depth || !this.interrupted) return [];
    const lines = new Float64Array(laidLineSize * (end - first));
    for (let s = first; s < end; s++) {
      const [i, at] = [s * strokeSize, laidLineSize * (s - first)];
      this.lay(data, i);
      lines.set(this.ends.subarray(0, 4), at);
      lines[at + 4] = towardsReader(depth, data, i + strokeAt.a);
      lines[at + 5] = towardsReader(depth, data, i + strokeAt.b);
      lines[at + 6] = this.widthOf(data, i, this.nearness(data, i)) / 2;
    }
    return gapsBehind(lines, leastBefore * (depth.near - depth.far), clearance * this.thin);
  }

  /** The ends of a stroke on the sheet. */
  private lay(data: Float32Array, i: number): void {
    const mode = data[i + strokeAt.mode]!;
    const factor = this.factors[data[i + strokeAt.scale]!]!;
    const [a, b] = [i + strokeAt.offsetA, i + strokeAt.offsetB];
    this.place(data, i + strokeAt.a, factor, this.p);
    this.place(data, i + strokeAt.b, factor, this.q);
    this.shift(mode, data[a]!, data[a + 1]!, 0, this.p);
    this.shift(mode, data[b]!, data[b + 1]!, 2, mode > 0.5 ? this.p : this.q);
  }

  /** From 0 of what is farthest to 1 of what is nearest, at the middle of a stroke. */
  private nearness(data: Float32Array, i: number): number {
    const { depth } = this;
    if (!depth || !this.fades) return 1;
    const place =
      (towardsReader(depth, data, i + strokeAt.a) + towardsReader(depth, data, i + strokeAt.b)) / 2;
    return Math.min(1, Math.max(0, (place - depth.far) / (depth.near - depth.far)));
  }

  /** The area between a stroke and where it would be without its displacements. */
  fill(data: Float32Array, i: number, pen: FlatPen): void {
    const alpha = data[i + strokeAt.fill]!;
    if (alpha === 0) return;
    const factor = this.factors[data[i + strokeAt.scale]!]!;
    const { p, q, ends } = this;
    const ink = { colour: colourNames[data[i + strokeAt.colour]!]!, alpha, width: 0 };
    // Two triangles share the edge from A to where B is displaced to
    this.place(data, i + strokeAt.a, 0, p);
    this.place(data, i + strokeAt.b, factor, q);
    ends.set(p);
    ends.set(q, 4);
    this.place(data, i + strokeAt.b, 0, q);
    ends.set(q, 2);
    pen.triangle(ends, ink);
    this.place(data, i + strokeAt.a, factor, p);
    ends.set(p, 2);
    pen.triangle(ends, ink);
  }

  triangle(data: Float32Array, i: number, pen: FlatPen): void {
    for (let k = 0; k < 3; k++) {
      const c = i + k * cornerSize;
      this.place(data, c + cornerAt.p, this.factors[data[c + cornerAt.scale]!]!, this.p);
      // The second point has no displacement of its own
      this.place(data, c + cornerAt.q, 0, this.q);
      const offset = c + cornerAt.offset;
      this.shift(data[c + cornerAt.mode]!, data[offset]!, data[offset + 1]!, 2 * k, this.p);
    }
    const { ends } = this;
    pen.triangle(ends, {
      colour: colourNames[data[i + cornerAt.colour]!]!,
      alpha: data[i + cornerAt.alpha]!,
      width: 0,
    });
  }
}
