import type { Geometry, GeometryMember } from '../geometry.js';
import type { PanelEdge, PanelSideLine } from './panels.js';
import { cross, dot, minus, size, unit, type Point } from '../vector.js';

/** A panel of four sides that do not lie in one plane. */
export interface WarpedPanel {
  readonly edges: readonly PanelEdge[];
  readonly sides: readonly PanelSideLine[];
}

/** Sine between directions up to which members are one line. */
const straight = 1e-4;
/** Least height of one corner over the plane of the others, of the panel's size, from which it is warped. */
const warped = 1e-6;

/**
 * Panels between floors whose four sides do not lie in one plane, as a twisted frame has them: two uprights side by side whose feet and
 * whose heads are joined by straight lines of members. Flat ones are left to the search by planes.
 *
 * @param members that bound panels, lines on the ground among them
 */
export function warpedPanels(
  geometry: Geometry,
  members: readonly GeometryMember[],
  isUpright: (member: GeometryMember) => boolean,
): WarpedPanel[] {
  const at = (node: string): Point => geometry.nodes.get(node)!.at;
  const uprightFrom = new Map<string, GeometryMember>();
  const level = new Map<string, GeometryMember[]>();
  for (const member of members) {
    if (isUpright(member)) uprightFrom.set(member.start, member);
    else for (const node of [member.start, member.end]) level.set(node, [...(level.get(node) ?? []), member]);
  }
  const panels: WarpedPanel[] = [];
  for (const [foot, left] of uprightFrom)
    for (const first of level.get(foot) ?? []) {
      const below = lineFrom(foot, first, level, at, (node) => uprightFrom.has(node));
      const right = below && uprightFrom.get(below.to);
      // Each panel is met from both of its uprights
      if (!below || !right || foot > below.to) continue;
      const above = (level.get(left.end) ?? [])
        .map((one) => lineFrom(left.end, one, level, at, (node) => node === right.end))
        .find((line) => line?.to === right.end);
      if (!above || !isWarped([at(foot), at(right.start), at(right.end), at(left.end)])) continue;
      const sides = [
        sideOf(foot, below.members, at),
        sideOf(right.start, [right], at),
        sideOf(right.end, [...above.members].reverse(), at),
        sideOf(left.end, [left], at),
      ];
      panels.push({ edges: sides.flatMap(({ edges }) => edges), sides });
    }
  return panels;
}

/** Members in a straight line from a node to the first one that counts; undefined where there is none. */
function lineFrom(
  from: string,
  first: GeometryMember,
  level: ReadonlyMap<string, readonly GeometryMember[]>,
  at: (node: string) => Point,
  counts: (node: string) => boolean,
): { to: string; members: GeometryMember[] } | undefined {
  const other = (member: GeometryMember, node: string) => (member.start === node ? member.end : member.start);
  const along = unit(minus(at(other(first, from)), at(from)));
  const members: GeometryMember[] = [];
  for (let node = from, next: GeometryMember | undefined = first; next;) {
    members.push(next);
    const reached: string = other(next, node);
    if (counts(reached)) return { to: reached, members };
    const passed: GeometryMember = next;
    node = reached;
    next = level
      .get(node)
      ?.find((m) => m !== passed && size(minus(unit(minus(at(other(m, node)), at(node))), along)) < straight);
  }
  return undefined;
}

function isWarped([a, b, c, d]: readonly [Point, Point, Point, Point]): boolean {
  const [p, q, r] = [minus(b, a), minus(c, a), minus(d, a)];
  const volume = Math.abs(dot(p, cross(q, r)));
  return volume > warped * size(p) * size(q) * size(r);
}

/** The side that members in a line make from a node on. */
function sideOf(
  start: string,
  members: readonly GeometryMember[],
  at: (node: string) => Point,
): PanelSideLine {
  let node = start;
  const edges = members.map(({ id, start: first, end }): PanelEdge => {
    const forward = first === node;
    const from = node;
    node = forward ? end : first;
    return { member: id, from, to: node, length: size(minus(at(node), at(from))), forward };
  });
  return { from: at(start), to: at(node), edges };
}
