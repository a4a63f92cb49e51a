import { tints, type Colour } from './colours';

/** A point on the sheet, px from its top left corner. */
export type Point = readonly [x: number, y: number];

/** Numbers a vertex: x, y, distance from the line's middle, half width, red, green, blue, alpha. */
export const vertexSize = 8;

/**
 * Draws lines and areas into one triangle list, in pixels. Every drawing on a sheet goes through a pen, so that a sheet is
 * one draw call whatever it shows.
 */
export class Pen {
  private data = new Float32Array(vertexSize * 3 * 2048);
  private used = 0;

  /** The triangles drawn so far. */
  get vertices(): Float32Array {
    return this.data.subarray(0, this.used);
  }

  /** A line through points; corners are closed by running each piece half the width over. */
  line(points: readonly Point[], colour: Colour, width = 1, alpha = 1): void {
    for (let i = 0; i + 1 < points.length; i++)
      this.piece(points[i]!, points[i + 1]!, colour, width, alpha, width > 2 ? width / 2 : 0);
  }

  /** A dashed line from a to b. */
  dashed(a: Point, b: Point, colour: Colour, width = 1, dash = 5, gap = 4): void {
    const length = Math.hypot(b[0] - a[0], b[1] - a[1]);
    for (let from = 0; from < length; from += dash + gap)
      this.piece(
        along(a, b, from / length),
        along(a, b, Math.min(1, (from + dash) / length)),
        colour,
        width,
        1,
        0,
      );
  }

  /** A convex area. */
  area(corners: readonly Point[], colour: Colour, alpha = 1): void {
    for (let i = 1; i + 1 < corners.length; i++)
      for (const corner of [corners[0]!, corners[i]!, corners[i + 1]!])
        this.vertex(corner, 0, 1, colour, alpha);
  }

  circle(centre: Point, radius: number, colour: Colour, width = 1.2): void {
    this.line(arc(centre, radius, 0, 2 * Math.PI), colour, width);
  }

  disc(centre: Point, radius: number, colour: Colour, alpha = 1): void {
    this.area(arc(centre, radius, 0, 2 * Math.PI), colour, alpha);
  }

  /** A line with a filled head at its end. */
  arrow(from: Point, to: Point, colour: Colour, width = 1.4, head = 7): void {
    const length = Math.hypot(to[0] - from[0], to[1] - from[1]);
    if (length < 1e-6) return;
    const size = Math.min(head, length);
    const neck = along(to, from, size / length);
    this.line([from, neck], colour, width);
    this.head(neck, to, colour, size * 0.36);
  }

  /** An arc with a head at its end; angles clockwise from the x axis. */
  turningArrow(centre: Point, radius: number, from: number, to: number, colour: Colour): void {
    const points = arc(centre, radius, from, to);
    this.line(points, colour, 1.4);
    const direction = Math.sign(to - from);
    const tip: Point = points[points.length - 1]!;
    const heading: Point = [-Math.sin(to) * direction * 7, Math.cos(to) * direction * 7];
    this.head(tip, [tip[0] + heading[0], tip[1] + heading[1]], colour, 3);
  }

  private head(neck: Point, tip: Point, colour: Colour, half: number): void {
    const length = Math.hypot(tip[0] - neck[0], tip[1] - neck[1]);
    const nx = (-(tip[1] - neck[1]) / length) * half;
    const ny = ((tip[0] - neck[0]) / length) * half;
    this.area([tip, [neck[0] + nx, neck[1] + ny], [neck[0] - nx, neck[1] - ny]], colour);
  }

  private piece(a: Point, b: Point, colour: Colour, width: number, alpha: number, over: number): void {
    const length = Math.hypot(b[0] - a[0], b[1] - a[1]);
    if (!(length > 1e-6)) return;
    const ux = (b[0] - a[0]) / length;
    const uy = (b[1] - a[1]) / length;
    const half = width / 2;
    // One pixel more on each side carries the smooth edge
    const reach = half + 1;
    const nx = -uy * reach;
    const ny = ux * reach;
    const ax = a[0] - ux * over;
    const ay = a[1] - uy * over;
    const bx = b[0] + ux * over;
    const by = b[1] + uy * over;
    const corner = (x: number, y: number, distance: number) =>
      this.vertex([x, y], distance, half, colour, alpha);
    corner(ax + nx, ay + ny, reach);
    corner(ax - nx, ay - ny, -reach);
    corner(bx + nx, by + ny, reach);
    corner(bx + nx, by + ny, reach);
    corner(ax - nx, ay - ny, -reach);
    corner(bx - nx, by - ny, -reach);
  }

  private vertex(at: Point, distance: number, half: number, colour: Colour, alpha: number): void {
    if (this.used + vertexSize > this.data.length) {
      const larger = new Float32Array(this.data.length * 2);
      larger.set(this.data);
      this.data = larger;
    }
    const { data, used } = this;
    const tint = tints[colour];
    data[used] = at[0];
    data[used + 1] = at[1];
    data[used + 2] = distance;
    data[used + 3] = half;
    data[used + 4] = tint[0];
    data[used + 5] = tint[1];
    data[used + 6] = tint[2];
    data[used + 7] = alpha;
    this.used = used + vertexSize;
  }
}

/** The point at a fraction of the way from a to b. */
export function along(a: Point, b: Point, fraction: number): Point {
  return [a[0] + (b[0] - a[0]) * fraction, a[1] + (b[1] - a[1]) * fraction];
}

/** Points of an arc; angles clockwise from the x axis as y points down. */
export function arc(centre: Point, radius: number, from: number, to: number): Point[] {
  const count = Math.max(8, Math.ceil((Math.abs(to - from) * Math.max(radius, 4)) / 4));
  return Array.from({ length: count + 1 }, (_, i): Point => {
    const angle = from + ((to - from) * i) / count;
    return [centre[0] + radius * Math.cos(angle), centre[1] + radius * Math.sin(angle)];
  });
}
