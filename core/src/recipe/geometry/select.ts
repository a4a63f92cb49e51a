import { conditionProgram, type Written } from '../expressions/evaluate.js';
import type { Names } from '../expressions/compile.js';
import type { Place } from '../expressions/tree.js';
import type { Tags } from '../expressions/types.js';
import type { Geometry, GeometryMember, GeometryNode } from './geometry.js';
import { distance, type Point } from './vector.js';

/** Shares of direction below this count as nothing. */
const straight = 1e-6;

/** Tags of a member with those that follow from where it lies: length, slope, direction, x, y, z. SI. */
export function memberTags(geometry: Geometry, member: GeometryMember): Tags {
  const a = geometry.nodes.get(member.start)!.at;
  const b = geometry.nodes.get(member.end)!.at;
  const line = geometry.lines.get(member.line)!;
  return {
    ...member.tags,
    ...placeTags(a, b),
    length: line.members.length === 1 ? distance(a, b) : lengthOfLine(geometry, line.members),
  };
}

function placeTags(a: Point, b: Point): Tags {
  const [dx, dy, dz] = [b[0] - a[0], b[1] - a[1], b[2] - a[2]];
  const run = Math.hypot(dx, dy);
  const L = Math.hypot(run, dz);
  const along = (d: number) => Math.abs(d) > L * (1 - straight);
  return {
    slope: Math.atan2(Math.abs(dz), run),
    direction: along(dx) ? 'x' : along(dy) ? 'y' : along(dz) ? 'z' : 'inclined',
    x: (a[0] + b[0]) / 2,
    y: (a[1] + b[1]) / 2,
    z: (a[2] + b[2]) / 2,
  };
}

/** Length of a physical member, m. */
export function lengthOfLine(geometry: Geometry, members: readonly string[]): number {
  let length = 0;
  for (const id of members) {
    const { start, end } = geometry.members.get(id)!;
    length += distance(geometry.nodes.get(start)!.at, geometry.nodes.get(end)!.at);
  }
  return length;
}

/** Tags of a node with its coordinates. */
export function nodeTags(node: GeometryNode): Tags {
  return { ...node.tags, x: node.at[0], y: node.at[1], z: node.at[2] };
}

/** The tags of all members and nodes of a geometry, made once. */
export class Tagged {
  readonly members: readonly { readonly member: GeometryMember; readonly tags: Tags }[];
  readonly nodes: readonly { readonly node: GeometryNode; readonly tags: Tags }[];

  private constructor(geometry: Geometry) {
    this.members = [...geometry.members.values()].map((member) => ({
      member,
      tags: memberTags(geometry, member),
    }));
    this.nodes = [...geometry.nodes.values()].map((node) => ({ node, tags: nodeTags(node) }));
  }

  private static readonly kept = new WeakMap<Geometry, Tagged>();

  static of(geometry: Geometry): Tagged {
    let tagged = Tagged.kept.get(geometry);
    if (!tagged) Tagged.kept.set(geometry, (tagged = new Tagged(geometry)));
    return tagged;
  }

  selectMembers(matches: (tags: Tags) => boolean): GeometryMember[] {
    return this.members.filter(({ tags }) => matches(tags)).map(({ member }) => member);
  }

  selectNodes(matches: (tags: Tags) => boolean): GeometryNode[] {
    return this.nodes.filter(({ tags }) => matches(tags)).map(({ node }) => node);
  }
}

/** A condition of the document: all where it is left out. */
export function conditionOf(
  written: Written | undefined,
  names: Names,
  place: Place,
): (tags: Tags) => boolean {
  return written === undefined ? () => true : conditionProgram(String(written), names, place);
}
