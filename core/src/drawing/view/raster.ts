import { colourNames, type Colour } from '../drawing.js';
import type { FlatPen, Ink } from './flat.js';
import { colourValues } from './colours.js';

/** A colour as it lies in memory: red, green, blue and full opacity, a byte each. */
function packed(colour: Colour): number {
  const value = parseInt(colourValues[colour].slice(1), 16);
  const [red, green, blue] = [value >> 16, (value >> 8) & 255, value & 255];
  return (255 << 24) | (blue << 16) | (green << 8) | red;
}

const inks = new Map(colourNames.map((name) => [name, packed(name)]));
const inkOf = (colour: Colour): number => inks.get(colour)!;

/** Thinner lines would come and go as they move, px. */
const thinnest = 0.9;
/** Lines wider than this reach beyond their ends by half their width, so that corners close, px. */
const capped = 2;
/** What is inked fully. */
const full = 256;

const redAndBlue = 0x00ff00ff;
const green = 0x0000ff00;
const opaque = 255 << 24;

/** `under` with a share `part` of `full` of `over` laid on it. */
function mixed(under: number, over: number, part: number): number {
  const rest = full - part;
  const rb = Math.imul(over & redAndBlue, part) + Math.imul(under & redAndBlue, rest);
  const g = Math.imul(over & green, part) + Math.imul(under & green, rest);
  return opaque | ((rb >>> 8) & redAndBlue) | ((g >>> 8) & green);
}

/**
 * Inks lines and triangles into the pixels of a sheet, for machines without a graphics card. Lines have smooth edges: a pixel is inked by
 * how far its middle lies inside the edge, over one px. Triangles take the pixels whose middles they hold, so that neighbours share none.
 */
export class Raster implements FlatPen {
  /** The two axes that a line can follow. */
  private readonly across: Axis;
  private readonly down: Axis;
  /** Where a line begins and how far it goes: u along the axis that it follows, v across; px. */
  private readonly run = new Float64Array(4);

  /**
   * @param pixels row by row from the top left corner, each four bytes: red, green, blue, opacity
   * @param width of the sheet, px
   * @param height of the sheet, px
   */
  constructor(
    private readonly pixels: Int32Array,
    private readonly width: number,
    private readonly height: number,
  ) {
    this.across = { count: width, stride: 1, besideCount: height, besideStride: width };
    this.down = { count: height, stride: width, besideCount: width, besideStride: 1 };
  }

  /** Covers the whole sheet. */
  clear(colour: Colour): void {
    this.pixels.fill(inkOf(colour));
  }

  line(x0: number, y0: number, x1: number, y1: number, ink: Ink): void {
    const { run } = this;
    const [dx, dy] = [x1 - x0, y1 - y0];
    const steep = Math.abs(dy) > Math.abs(dx);
    run[0] = steep ? y0 : x0;
    run[1] = steep ? x0 : y0;
    run[2] = steep ? dy : dx;
    run[3] = steep ? dx : dy;
    this.along(steep ? this.down : this.across, run, ink);
  }

  /** Inks a line place by place along the axis that it follows most. */
  private along({ count, stride, besideCount, besideStride }: Axis, run: Float64Array, ink: Ink): void {
    const [u0, v0, du, dv] = [run[0]!, run[1]!, run[2]!, run[3]!];
    const length = Math.sqrt(du * du + dv * dv);
    if (!(length > 1e-6)) return;
    const { pixels } = this;
    const colour = inkOf(ink.colour);
    const strength = ink.alpha * full;
    const width = Math.max(thinnest, ink.width);
    const over = width > capped ? width / 2 : 0;
    const reach = width / 2 + 0.5;
    const [tu, tv] = [du / length, dv / length];
    const slope = dv / du;
    const cos = Math.abs(tu);
    const half = reach / cos;
    const beyond = over * cos + reach * Math.abs(tv);
    const first = Math.max(0, Math.ceil(Math.min(u0, u0 + du) - beyond - 0.5));
    const last = Math.min(count - 1, Math.floor(Math.max(u0, u0 + du) + beyond - 0.5));
    for (let i = first; i <= last; i++) {
      const u = i + 0.5 - u0;
      const v = v0 + u * slope;
      const from = Math.max(0, Math.ceil(v - half - 0.5));
      const to = Math.min(besideCount - 1, Math.floor(v + half - 0.5));
      for (let j = from; j <= to; j++) {
        const place = u * tu + (j + 0.5 - v0) * tv;
        if (place < -over || place > length + over) continue;
        const part = (strength * Math.min(1, reach - Math.abs(j + 0.5 - v) * cos) + 0.5) | 0;
        const at = i * stride + j * besideStride;
        pixels[at] = part >= full ? colour : mixed(pixels[at]!, colour, part);
      }
    }
  }

  triangle(corners: ArrayLike<number>, ink: Ink): void {
    // From the upper corner to the lower, so that triangles that share an edge agree on it
    let [x0, y0, x1, y1, x2, y2] = [
      corners[0]!,
      corners[1]!,
      corners[2]!,
      corners[3]!,
      corners[4]!,
      corners[5]!,
    ];
    if (y1 < y0) [x0, y0, x1, y1] = [x1, y1, x0, y0];
    if (y2 < y1) [x1, y1, x2, y2] = [x2, y2, x1, y1];
    if (y1 < y0) [x0, y0, x1, y1] = [x1, y1, x0, y0];
    const long = (x2 - x0) / (y2 - y0);
    const upper = (x1 - x0) / (y1 - y0);
    const lower = (x2 - x1) / (y2 - y1);
    const part = (ink.alpha * full + 0.5) | 0;
    const colour = inkOf(ink.colour);
    const first = Math.max(0, Math.ceil(y0 - 0.5));
    const last = Math.min(this.height, Math.ceil(y2 - 0.5));
    for (let row = first; row < last; row++) {
      const y = row + 0.5;
      const a = x0 + long * (y - y0);
      const b = y < y1 ? x0 + upper * (y - y0) : x1 + lower * (y - y1);
      this.span(row, a < b ? a : b, a < b ? b : a, colour, part);
    }
  }

  /** Inks the pixels of a row whose middles lie between two places. */
  private span(row: number, left: number, right: number, colour: number, part: number): void {
    const { pixels, width } = this;
    const from = row * width + Math.max(0, Math.ceil(left - 0.5));
    const to = row * width + Math.min(width, Math.ceil(right - 0.5));
    for (let at = from; at < to; at++) pixels[at] = part >= full ? colour : mixed(pixels[at]!, colour, part);
  }
}

/** An axis that a line follows: how many pixels lie along it and beside it, and how far apart neighbours are in memory. */
interface Axis {
  readonly count: number;
  readonly stride: number;
  readonly besideCount: number;
  readonly besideStride: number;
}
