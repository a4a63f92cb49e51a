import { sidesOf, type PanelFace, type PanelSideLine } from './panels.js';
import { cross, dot, minus, unit, type Point } from '../vector.js';

/** A linear load along a stretch of a panel's side, per unit of pressure: depth of the strip that it carries, m. */
interface SidePiece {
  readonly side: number;
  /** Distances from the side's start, m, and depths there. */
  readonly from: number;
  readonly to: number;
  readonly depth: readonly [number, number];
}

/** A linear load along a member per unit of pressure: from and to as shares of its length. */
export interface SharedLoad {
  readonly member: string;
  readonly from: number;
  readonly to: number;
  readonly depth: readonly [number, number];
  /** Length of the loaded part, m. */
  readonly stretch: number;
}

export type Sharing = 'two-way' | 'x' | 'y' | 'long' | 'short';

/** A panel in its own plane: corners against the clock. */
interface Polygon {
  readonly points: readonly (readonly [number, number])[];
  readonly axes: readonly [Point, Point];
  readonly origin: Point;
}

type Plane2 = readonly [number, number];
const cross2 = (a: Plane2, b: Plane2) => a[0] * b[1] - a[1] * b[0];
const minus2 = (a: Plane2, b: Plane2): Plane2 => [a[0] - b[0], a[1] - b[1]];

/** Room for the corners of panels that are shared out one after the other: x and y by turns, with room to cut them, and what stands on a side. */
export class CornerRoom {
  region = new Float64Array(0);
  spare = new Float64Array(0);
  places = new Float64Array(0);
  heights = new Float64Array(0);

  /** Makes room for a number of corners. */
  hold(corners: number): void {
    if (this.places.length >= corners) return;
    this.region = new Float64Array(2 * corners);
    this.spare = new Float64Array(2 * corners);
    this.places = new Float64Array(corners);
    this.heights = new Float64Array(corners);
  }
}

/**
 * Shares a panel's load out to the members around it.
 *
 * @param room used while it works
 * @returns the loads, or why the panel cannot be shared that way
 */
export function sharePanel(
  face: PanelFace,
  sharing: Sharing,
  room = new CornerRoom(),
): SharedLoad[] | string {
  const sides = sidesOf(face);
  if (sides.length < 3) return 'its sides lie in one line';
  const polygon = polygonOf(sides, face.normal);
  if (sharing === 'two-way')
    return onMembers(sides, isConvex(polygon) ? twoWay(polygon, room) : nearestSide(polygon, face.area));
  const direction = stripDirection(polygon, sharing);
  if (!direction) return `direction ${sharing} is square to it`;
  return onMembers(sides, oneWay(polygon, direction));
}

function polygonOf(sides: readonly PanelSideLine[], normal: Point): Polygon {
  const origin = sides[0]!.from;
  const e = unit(minus(sides[0]!.to, origin));
  const f = cross(normal, e);
  const points = sides.map(({ from }): Plane2 => [dot(minus(from, origin), e), dot(minus(from, origin), f)]);
  return { points, axes: [e, f], origin };
}

function isConvex({ points }: Polygon): boolean {
  const n = points.length;
  return points.every((p, i) => {
    const q = points[(i + 1) % n]!;
    const r = points[(i + 2) % n]!;
    return cross2(minus2(q, p), minus2(r, q)) > 0;
  });
}

/** A side as a line: start, unit direction along it, length. */
interface SideLine {
  readonly a: Plane2;
  readonly d: Plane2;
  readonly length: number;
}

function sideLine({ points }: Polygon, i: number): SideLine {
  const a = points[i]!;
  const v = minus2(points[(i + 1) % points.length]!, a);
  const length = Math.hypot(v[0], v[1]);
  return { a, d: [v[0] / length, v[1] / length], length };
}

/**
 * By the lines of equal distance from the sides: what is nearer to a side than to all others is carried by it. In a convex panel
 * that is the polygon cut by the bisectors; its depth over the side is linear between its corners.
 */
function twoWay(polygon: Polygon, room: CornerRoom): SidePiece[] {
  const lines = polygon.points.map((_, i) => sideLine(polygon, i));
  // Every cut adds a corner at most
  room.hold(2 * lines.length);
  const { places, heights } = room;
  let { region, spare } = room;
  const pieces: SidePiece[] = [];
  for (let i = 0; i < lines.length; i++) {
    let corners = 0;
    for (const [x, y] of polygon.points) {
      region[2 * corners] = x;
      region[2 * corners + 1] = y;
      corners++;
    }
    for (let j = 0; j < lines.length; j++) {
      if (j === i) continue;
      corners = cutByBisector(region, corners, lines[j]!, lines[i]!, spare);
      [region, spare] = [spare, region];
    }
    standOn(region, corners, lines[i]!, places, heights);
    addDepths({ corners, places, heights }, lines[i]!, i, pieces);
  }
  return pieces;
}

/**
 * The part of a convex region that is at least as far inside side `a` as inside side `b`, written to `out`.
 *
 * @param region x and y of its corners by turns
 * @returns how many corners are left
 */
function cutByBisector(
  region: Float64Array,
  corners: number,
  a: SideLine,
  b: SideLine,
  out: Float64Array,
): number {
  if (corners === 0) return 0;
  // Difference of the distances at (x, y): u x + v y + w
  const u = b.d[1] - a.d[1];
  const v = a.d[0] - b.d[0];
  const w = a.d[1] * a.a[0] - a.d[0] * a.a[1] - (b.d[1] * b.a[0] - b.d[0] * b.a[1]);
  let left = 0;
  let x = region[2 * corners - 2]!;
  let y = region[2 * corners - 1]!;
  let value = u * x + v * y + w;
  for (let i = 0; i < corners; i++) {
    const nextX = region[2 * i]!;
    const nextY = region[2 * i + 1]!;
    const next = u * nextX + v * nextY + w;
    if ((value > 0 && next < 0) || (value < 0 && next > 0)) {
      const s = value / (value - next);
      out[2 * left] = x + s * (nextX - x);
      out[2 * left + 1] = y + s * (nextY - y);
      left++;
    }
    if (next >= 0) {
      out[2 * left] = nextX;
      out[2 * left + 1] = nextY;
      left++;
    }
    x = nextX;
    y = nextY;
    value = next;
  }
  return left;
}

/** Corners of a region by their distance along a side, m, the farther ones after, with their distance from it; the higher of two first. */
function standOn(
  region: Float64Array,
  corners: number,
  { a, d }: SideLine,
  places: Float64Array,
  heights: Float64Array,
): void {
  for (let i = 0; i < corners; i++) {
    const x = region[2 * i]! - a[0];
    const y = region[2 * i + 1]! - a[1];
    const place = d[0] * x + d[1] * y;
    const height = d[0] * y - d[1] * x;
    let k = i;
    for (; k > 0; k--) {
      const before = places[k - 1]!;
      if (before < place || (before === place && heights[k - 1]! >= height)) break;
      places[k] = before;
      heights[k] = heights[k - 1]!;
    }
    places[k] = place;
    heights[k] = height;
  }
}

/** Corners of a region that stands on a side, by their places along it. */
interface StandingCorners {
  readonly corners: number;
  readonly places: Float64Array;
  readonly heights: Float64Array;
}

/** Adds the depth of a convex region that stands on a side, linear between its corners. */
function addDepths(
  { corners, places, heights }: StandingCorners,
  { length }: SideLine,
  side: number,
  pieces: SidePiece[],
): void {
  const small = 1e-9 * length;
  let last = -1;
  for (let i = 0; i < corners; i++) {
    const place = places[i]!;
    if (last >= 0 && place - places[last]! < small) continue;
    if (heights[i]! <= small && Math.abs(place) >= small && Math.abs(place - length) >= small) continue;
    if (last >= 0)
      pieces.push({
        side,
        from: Math.max(0, places[last]!),
        to: Math.min(length, place),
        depth: [Math.max(0, heights[last]!), Math.max(0, heights[i]!)],
      });
    last = i;
  }
}

/** Steps of the raster by which panels with corners that point inwards are shared. */
const raster = 240;

/** Share of every side by the nearest one, on a raster; each gets its total and first moment as one linear load. */
function nearestSide(polygon: Polygon, area: number): SidePiece[] {
  const { points } = polygon;
  const lines = points.map((_, i) => sideLine(polygon, i));
  const xs = points.map((p) => p[0]);
  const ys = points.map((p) => p[1]);
  const [x0, x1, y0, y1] = [Math.min(...xs), Math.max(...xs), Math.min(...ys), Math.max(...ys)];
  const sums = lines.map(() => ({ total: 0, moment: 0 }));
  let hits = 0;
  for (let i = 0; i < raster; i++)
    for (let j = 0; j < raster; j++) {
      const p: Plane2 = [x0 + ((i + 0.5) / raster) * (x1 - x0), y0 + ((j + 0.5) / raster) * (y1 - y0)];
      if (!contains(points, p)) continue;
      hits++;
      const nearest = lines
        .map((line, k) => {
          const s = Math.min(
            line.length,
            Math.max(0, line.d[0] * (p[0] - line.a[0]) + line.d[1] * (p[1] - line.a[1])),
          );
          return {
            k,
            s,
            off: Math.hypot(p[0] - line.a[0] - s * line.d[0], p[1] - line.a[1] - s * line.d[1]),
          };
        })
        .reduce((a, b) => (b.off < a.off ? b : a));
      sums[nearest.k]!.total++;
      sums[nearest.k]!.moment += nearest.s;
    }
  return sums.flatMap(({ total, moment }, side): SidePiece[] => {
    if (total === 0) return [];
    const { length: L } = lines[side]!;
    const W = (total * area) / hits;
    const M = (moment * area) / hits;
    // q0·L/2 + q1·L/2 = W and q0·L²/6 + q1·L²/3 = M
    const q1 = (6 * M) / (L * L) - (2 * W) / L;
    return [{ side, from: 0, to: L, depth: [(2 * W) / L - q1, q1] }];
  });
}

function contains(points: readonly Plane2[], p: Plane2): boolean {
  let odd = false;
  points.forEach((a, i) => {
    const b = points[(i + 1) % points.length]!;
    if (a[1] > p[1] !== b[1] > p[1] && p[0] < a[0] + ((p[1] - a[1]) / (b[1] - a[1])) * (b[0] - a[0]))
      odd = !odd;
  });
  return odd;
}

/** Direction of the strips in the panel's own axes; undefined where it is square to the panel. */
function stripDirection({ points, axes }: Polygon, sharing: Exclude<Sharing, 'two-way'>): Plane2 | undefined {
  if (sharing === 'x' || sharing === 'y') {
    const global: Point = sharing === 'x' ? [1, 0, 0] : [0, 1, 0];
    const d: Plane2 = [dot(global, axes[0]), dot(global, axes[1])];
    const length = Math.hypot(d[0], d[1]);
    return length < 1e-3 ? undefined : [d[0] / length, d[1] / length];
  }
  // The longest side's direction is the long one
  let best: Plane2 = [1, 0];
  let most = 0;
  points.forEach((p, i) => {
    const v = minus2(points[(i + 1) % points.length]!, p);
    const length = Math.hypot(v[0], v[1]);
    if (length > most * (1 + 1e-9)) {
      most = length;
      best = [v[0] / length, v[1] / length];
    }
  });
  return sharing === 'long' ? best : [-best[1], best[0]];
}

/** Strips along a direction rest half on the sides at either end. */
function oneWay(polygon: Polygon, d: Plane2): SidePiece[] {
  const { points } = polygon;
  const across = (p: Plane2) => cross2(d, p);
  const alongStrip = (p: Plane2) => d[0] * p[0] + d[1] * p[1];
  const cuts = [...new Set(points.map((p) => Number(across(p).toPrecision(12))))].sort((a, b) => a - b);
  const out: SidePiece[] = [];
  for (let k = 0; k + 1 < cuts.length; k++) {
    const [t0, t1] = [cuts[k]!, cuts[k + 1]!];
    if (t1 - t0 < 1e-9) continue;
    const middle = (t0 + t1) / 2;
    const crossed = points
      .map((a, side) => {
        const b = points[(side + 1) % points.length]!;
        const [ta, tb] = [across(a), across(b)];
        if (ta > middle === tb > middle) return undefined;
        const at = (t: number) => {
          const s = (t - ta) / (tb - ta);
          return { s, u: alongStrip([a[0] + s * (b[0] - a[0]), a[1] + s * (b[1] - a[1])]) };
        };
        return { side, at, length: Math.hypot(b[0] - a[0], b[1] - a[1]), slope: Math.abs(tb - ta) };
      })
      .filter((hit) => hit !== undefined)
      .sort((p, q) => p.at(middle).u - q.at(middle).u);
    for (let i = 0; i + 1 < crossed.length; i += 2) {
      const [low, high] = [crossed[i]!, crossed[i + 1]!];
      const width = (t: number) => high.at(t).u - low.at(t).u;
      for (const edge of [low, high]) {
        const ends = [
          { s: edge.at(t0).s * edge.length, w: width(t0) },
          { s: edge.at(t1).s * edge.length, w: width(t1) },
        ].sort((p, q) => p.s - q.s);
        // Load per length along the side: half the strip's length, times its width per length of side
        const factor = edge.slope / edge.length / 2;
        out.push({
          side: edge.side,
          from: Math.max(0, ends[0]!.s),
          to: Math.min(edge.length, ends[1]!.s),
          depth: [ends[0]!.w * factor, ends[1]!.w * factor],
        });
      }
    }
  }
  return out;
}

/** Loads along sides as loads along their members. */
function onMembers(sides: readonly PanelSideLine[], pieces: readonly SidePiece[]): SharedLoad[] {
  const out: SharedLoad[] = [];
  for (const { side, from, to, depth } of pieces) {
    if (to - from < 1e-9 || (depth[0] === 0 && depth[1] === 0)) continue;
    let x = 0;
    const slope = (depth[1] - depth[0]) / (to - from);
    for (const { member, length, forward } of sides[side]!.edges) {
      const [low, high] = [Math.max(from, x), Math.min(to, x + length)];
      if (high - low > 1e-9) {
        const ends = [depth[0] + slope * (low - from), depth[0] + slope * (high - from)] as const;
        const [a, b] = [Math.max(0, (low - x) / length), Math.min(1, (high - x) / length)];
        const stretch = high - low;
        out.push(
          forward
            ? { member, from: a, to: b, depth: ends, stretch }
            : { member, from: 1 - b, to: 1 - a, depth: [ends[1], ends[0]], stretch },
        );
      }
      x += length;
    }
  }
  return out;
}
