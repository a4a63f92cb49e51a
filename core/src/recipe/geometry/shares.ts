import type { Geometry } from './geometry.js';
import { sidesOf, type PanelFace, type PanelSideLine } from './panels.js';
import { cross, distance, dot, minus, unit, type Point } from './vector.js';

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

/**
 * Shares a panel's load out to the members around it.
 *
 * @returns the loads, or why the panel cannot be shared that way
 */
export function sharePanel(geometry: Geometry, face: PanelFace, sharing: Sharing): SharedLoad[] | string {
  const sides = sidesOf(geometry, face);
  if (sides.length < 3) return 'its sides lie in one line';
  const polygon = polygonOf(sides, face.normal);
  if (sharing === 'two-way')
    return onMembers(geometry, sides, isConvex(polygon) ? twoWay(polygon) : nearestSide(polygon, face.area));
  const direction = stripDirection(polygon, sharing);
  if (!direction) return `direction ${sharing} is square to it`;
  return onMembers(geometry, sides, oneWay(polygon, direction));
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
function sideLine({ points }: Polygon, i: number): { a: Plane2; d: Plane2; length: number } {
  const a = points[i]!;
  const v = minus2(points[(i + 1) % points.length]!, a);
  const length = Math.hypot(v[0], v[1]);
  return { a, d: [v[0] / length, v[1] / length], length };
}

/** Distance of a point from a side's line, positive inside. */
const inside = (line: { a: Plane2; d: Plane2 }, p: Plane2) => cross2(line.d, minus2(p, line.a));

/**
 * By the lines of equal distance from the sides: what is nearer to a side than to all others is carried by it. In a convex panel
 * that is the polygon cut by the bisectors; its depth over the side is linear between its corners.
 */
function twoWay(polygon: Polygon): SidePiece[] {
  const n = polygon.points.length;
  const lines = polygon.points.map((_, i) => sideLine(polygon, i));
  return lines.flatMap((line, i) => {
    let region: Plane2[] = [...polygon.points];
    for (let j = 0; j < n; j++)
      if (j !== i) region = clip(region, (p) => inside(lines[j]!, p) - inside(line, p));
    return depths(region, line, i);
  });
}

/** The part of a polygon where a linear function is not below zero. */
function clip(region: readonly Plane2[], value: (p: Plane2) => number): Plane2[] {
  const out: Plane2[] = [];
  region.forEach((p, i) => {
    const q = region[(i + 1) % region.length]!;
    const [a, b] = [value(p), value(q)];
    if (a >= 0) out.push(p);
    if ((a > 0 && b < 0) || (a < 0 && b > 0)) {
      const s = a / (a - b);
      out.push([p[0] + s * (q[0] - p[0]), p[1] + s * (q[1] - p[1])]);
    }
  });
  return out;
}

/** Depth of a convex region that stands on a side, linear between its corners. */
function depths(
  region: readonly Plane2[],
  line: { a: Plane2; d: Plane2; length: number },
  side: number,
): SidePiece[] {
  const corners = region
    .map((p) => ({
      s: line.d[0] * (p[0] - line.a[0]) + line.d[1] * (p[1] - line.a[1]),
      depth: inside(line, p),
    }))
    .sort((p, q) => p.s - q.s || q.depth - p.depth);
  const upper: { s: number; depth: number }[] = [];
  for (const c of corners) {
    const last = upper.at(-1);
    if (last && Math.abs(last.s - c.s) < 1e-9 * line.length) last.depth = Math.max(last.depth, c.depth);
    else if (
      c.depth > 1e-9 * line.length ||
      Math.abs(c.s) < 1e-9 * line.length ||
      Math.abs(c.s - line.length) < 1e-9 * line.length
    )
      upper.push({ ...c });
  }
  return upper.slice(1).map((to, k) => ({
    side,
    from: Math.max(0, upper[k]!.s),
    to: Math.min(line.length, to.s),
    depth: [Math.max(0, upper[k]!.depth), Math.max(0, to.depth)],
  }));
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
function onMembers(
  geometry: Geometry,
  sides: readonly PanelSideLine[],
  pieces: readonly SidePiece[],
): SharedLoad[] {
  const out: SharedLoad[] = [];
  for (const { side, from, to, depth } of pieces) {
    if (to - from < 1e-9 || (depth[0] === 0 && depth[1] === 0)) continue;
    let x = 0;
    for (const edge of sides[side]!.edges) {
      const member = geometry.members.get(edge.member)!;
      const [a, b] = [geometry.nodes.get(edge.from)!.at, geometry.nodes.get(edge.to)!.at];
      const length = distance(a, b);
      const [low, high] = [Math.max(from, x), Math.min(to, x + length)];
      if (high - low > 1e-9) {
        const value = (at: number) => depth[0] + ((depth[1] - depth[0]) * (at - from)) / (to - from);
        const share = (at: number) => Math.min(1, Math.max(0, (at - x) / length));
        const forward = member.start === edge.from;
        out.push(
          forward
            ? { member: edge.member, from: share(low), to: share(high), depth: [value(low), value(high)] }
            : {
                member: edge.member,
                from: 1 - share(high),
                to: 1 - share(low),
                depth: [value(high), value(low)],
              },
        );
      }
      x += length;
    }
  }
  return out;
}
