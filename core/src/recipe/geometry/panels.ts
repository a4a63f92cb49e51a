import type { Geometry, GeometryMember } from './geometry.js';
import { add, cross, dot, minus, size, times, unit, type Point } from './vector.js';

/** A stretch of a panel's boundary: a member, passed from its start or from its end. */
export interface PanelEdge {
  readonly member: string;
  readonly from: string;
  readonly to: string;
}

/** A closed face of members in one plane. */
export interface PanelFace {
  /** Against the clock seen along −normal. */
  readonly edges: readonly PanelEdge[];
  readonly nodes: readonly string[];
  /** Unit normal, global. */
  readonly normal: Point;
  /** m² */
  readonly area: number;
}

/** Sine of the angle up to which directions count as in a plane, or in line. */
const flat = 1e-5;

interface HalfEdge {
  readonly edge: PanelEdge;
  readonly direction: Point;
}

/**
 * Panels that members bound: at each corner of two members their plane is followed round by always turning as far to the left as
 * possible; what closes with a positive area is a panel. Members that end inside a panel do not divide it.
 */
export function panelsOf(geometry: Geometry, members: readonly GeometryMember[]): PanelFace[] {
  const outgoing = new Map<string, HalfEdge[]>();
  const place = (node: string) => geometry.nodes.get(node)!.at;
  const out = (from: string, to: string, member: string) => {
    const half = { edge: { member, from, to }, direction: unit(minus(place(to), place(from))) };
    const list = outgoing.get(from);
    if (list) list.push(half);
    else outgoing.set(from, [half]);
  };
  for (const { id, start, end } of members) {
    out(start, end, id);
    out(end, start, id);
  }
  const faces: PanelFace[] = [];
  const seen = new Set<string>();
  const limit = members.length * 2 + 2;
  for (const halves of outgoing.values())
    for (const second of halves)
      for (const first of halves) {
        // Arrive along the reverse of `first`, leave along `second`
        const arriving = times(first.direction, -1);
        const n = cross(arriving, second.direction);
        const sine = size(n);
        if (first === second || sine < 1e-3) continue;
        const normal = times(n, 1 / sine);
        const start: HalfEdge = {
          edge: { member: first.edge.member, from: first.edge.to, to: first.edge.from },
          direction: arriving,
        };
        if (leftmost(outgoing, start, normal)?.edge !== second.edge) continue;
        const key = `${start.edge.from}>${start.edge.to}|${normal.map((v) => Math.round(v * 1e4) + 0).join(',')}`;
        if (seen.has(key)) continue;
        const face = follow(outgoing, start, normal, limit, seen, place);
        if (face) faces.push(face);
      }
  return distinct(faces);
}

/** The next half edge in the plane that turns farthest to the left; going back only where nothing else is. */
function leftmost(
  outgoing: ReadonlyMap<string, readonly HalfEdge[]>,
  at: HalfEdge,
  normal: Point,
): HalfEdge | undefined {
  let best: HalfEdge | undefined;
  let most = -Infinity;
  for (const half of outgoing.get(at.edge.to) ?? []) {
    if (Math.abs(dot(half.direction, normal)) > flat) continue;
    const back = half.edge.member === at.edge.member && half.edge.to === at.edge.from;
    const angle = back
      ? -Math.PI
      : Math.atan2(dot(cross(at.direction, half.direction), normal), dot(at.direction, half.direction));
    if (angle > most) {
      most = angle;
      best = half;
    }
  }
  return best;
}

function follow(
  outgoing: ReadonlyMap<string, readonly HalfEdge[]>,
  start: HalfEdge,
  normal: Point,
  limit: number,
  seen: Set<string>,
  place: (node: string) => Point,
): PanelFace | undefined {
  const path: HalfEdge[] = [];
  const sign = normal.map((v) => Math.round(v * 1e4) + 0).join(',');
  let half: HalfEdge | undefined = start;
  do {
    path.push(half);
    seen.add(`${half.edge.from}>${half.edge.to}|${sign}`);
    half = leftmost(outgoing, half, normal);
    if (!half || path.length > limit) return undefined;
  } while (half.edge.from !== start.edge.from || half.edge.to !== start.edge.to);
  // Members passed both ways end inside and bound nothing
  const ways = new Map<string, number>();
  for (const { edge } of path) ways.set(edge.member, (ways.get(edge.member) ?? 0) + 1);
  const edges = path.map(({ edge }) => edge).filter(({ member }) => ways.get(member) === 1);
  if (edges.length < 3 || edges.some((edge, i) => edges[(i + 1) % edges.length]!.from !== edge.to))
    return undefined;
  const nodes = edges.map(({ from }) => from);
  const origin = place(nodes[0]!);
  let sum: Point = [0, 0, 0];
  for (let i = 1; i + 1 < nodes.length; i++)
    sum = add(sum, cross(minus(place(nodes[i]!), origin), minus(place(nodes[i + 1]!), origin)));
  const area = dot(sum, normal) / 2;
  return area > 1e-6 ? { edges, nodes, normal, area } : undefined;
}

/** Each panel once: it is found from both of its sides. */
function distinct(faces: readonly PanelFace[]): PanelFace[] {
  const seen = new Set<string>();
  return faces.filter(({ edges }) => {
    const key = edges
      .map(({ member }) => member)
      .sort()
      .join('|');
    if (seen.has(key)) return false;
    seen.add(key);
    return true;
  });
}

/** A side of a panel: edges in one line. */
export interface PanelSideLine {
  readonly from: Point;
  readonly to: Point;
  readonly edges: readonly PanelEdge[];
}

/** A panel's straight sides in order, edges in line joined. */
export function sidesOf(geometry: Geometry, face: PanelFace): PanelSideLine[] {
  const place = (node: string) => geometry.nodes.get(node)!.at;
  const direction = ({ from, to }: PanelEdge) => unit(minus(place(to), place(from)));
  const { edges } = face;
  const turns = edges.map(
    (edge, i) =>
      size(cross(direction(edges[(i + edges.length - 1) % edges.length]!), direction(edge))) > 1e-4,
  );
  const first = turns.indexOf(true);
  if (first < 0) return [];
  const sides: PanelEdge[][] = [];
  for (let k = 0; k < edges.length; k++) {
    const i = (first + k) % edges.length;
    if (turns[i]) sides.push([]);
    sides.at(-1)!.push(edges[i]!);
  }
  return sides.map((list) => ({ from: place(list[0]!.from), to: place(list.at(-1)!.to), edges: list }));
}
