import type { Geometry, GeometryMember } from '../geometry.js';
import { HalfEdges, type PanelEdge } from './half-edges.js';
import type { Point } from '../vector.js';

/** A closed face of members in one plane. */
export interface PanelFace {
  /** Against the clock seen along −normal. */
  readonly edges: readonly PanelEdge[];
  /** Where each edge begins. */
  readonly corners: readonly Point[];
  /** Unit direction of each edge. */
  readonly directions: readonly Point[];
  /** Unit normal, global. */
  readonly normal: Point;
  /** m² */
  readonly area: number;
}

export type { PanelEdge };

/** Least sine between two members that give a plane. */
const leastSine = 1e-3;

/**
 * Panels that members bound: at each corner of two members their plane is followed round by always turning as far to the left as
 * possible; what closes with a positive area is a panel. Members that end inside a panel do not divide it.
 */
export function panelsOf(geometry: Geometry, members: readonly GeometryMember[]): PanelFace[] {
  const halves = new HalfEdges(members, (node) => geometry.nodes.get(node)!.at);
  const { first, leaving, direction } = halves;
  const faces: PanelFace[] = [];
  const found = new Set<string>();
  for (let node = 0; node + 1 < first.length; node++)
    for (let s = first[node]!; s < first[node + 1]!; s++)
      for (let f = first[node]!; f < first[node + 1]!; f++) {
        if (f === s) continue;
        // Arrive at the node by the first member, leave by the second
        const [arriving, second] = [leaving[f]! ^ 1, leaving[s]!];
        const [a, b] = [3 * arriving, 3 * second];
        const nx = direction[a + 1]! * direction[b + 2]! - direction[a + 2]! * direction[b + 1]!;
        const ny = direction[a + 2]! * direction[b]! - direction[a]! * direction[b + 2]!;
        const nz = direction[a]! * direction[b + 1]! - direction[a + 1]! * direction[b]!;
        const sine = Math.sqrt(nx * nx + ny * ny + nz * nz);
        if (!(sine >= leastSine)) continue;
        const normal: Point = [nx / sine, ny / sine, nz / sine];
        if (halves.isPassed(arriving, normal) || halves.leftmost(arriving, normal) !== second) continue;
        const path = halves.follow(arriving, normal);
        const face = path && faceOf(halves, path, normal, found);
        if (face) faces.push(face);
      }
  return faces;
}

/**
 * The face inside a closed path; undefined where the path goes round its outside, or does not bound one face, or where a face of the
 * same members was found before, from a corner whose plane differs a little.
 */
function faceOf(
  halves: HalfEdges,
  path: readonly number[],
  normal: Point,
  found: Set<string>,
): PanelFace | undefined {
  // Members passed both ways end inside and bound nothing
  const both = new Set(path);
  const kept = path.filter((half) => !both.has(half ^ 1));
  const n = kept.length;
  if (n < 3) return undefined;
  for (let i = 0; i < n; i++)
    if (halves.from[kept[(i + 1) % n]!] !== halves.from[kept[i]! ^ 1]) return undefined;
  const corners = kept.map((half) => halves.place(half));
  const area = areaOf(corners, normal);
  if (!(area > 1e-6)) return undefined;
  const key = Int32Array.from(kept, (half) => half >> 1)
    .sort()
    .join();
  if (found.has(key)) return undefined;
  found.add(key);
  return {
    edges: kept.map((half) => halves.edge(half)),
    corners,
    directions: kept.map((half) => halves.directionOf(half)),
    normal,
    area,
  };
}

/** Area inside a closed polygon, positive against the clock about the normal, m². */
function areaOf(corners: readonly Point[], [nx, ny, nz]: Point): number {
  const [ox, oy, oz] = corners[0]!;
  let sum = 0;
  for (let i = 1; i + 1 < corners.length; i++) {
    const [p, q] = [corners[i]!, corners[i + 1]!];
    const [ax, ay, az] = [p[0] - ox, p[1] - oy, p[2] - oz];
    const [bx, by, bz] = [q[0] - ox, q[1] - oy, q[2] - oz];
    sum += nx * (ay * bz - az * by) + ny * (az * bx - ax * bz) + nz * (ax * by - ay * bx);
  }
  return sum / 2;
}

/** A side of a panel: edges in one line. */
export interface PanelSideLine {
  readonly from: Point;
  readonly to: Point;
  readonly edges: readonly PanelEdge[];
}

/** Greatest sine between edges in one line. */
const straight = 1e-4;

/** A panel's straight sides in order, edges in line joined. */
export function sidesOf({ edges, corners, directions }: PanelFace): PanelSideLine[] {
  const n = edges.length;
  const starts: number[] = [];
  for (let i = 0; i < n; i++)
    if (sine(directions[(i + n - 1) % n]!, directions[i]!) > straight) starts.push(i);
  return starts.map((from, k) => {
    const to = starts[k + 1] ?? starts[0]! + n;
    const own = to <= n ? edges.slice(from, to) : [...edges.slice(from), ...edges.slice(0, to - n)];
    return { from: corners[from]!, to: corners[to % n]!, edges: own };
  });
}

function sine(a: Point, b: Point): number {
  const x = a[1] * b[2] - a[2] * b[1];
  const y = a[2] * b[0] - a[0] * b[2];
  const z = a[0] * b[1] - a[1] * b[0];
  return Math.sqrt(x * x + y * y + z * z);
}
