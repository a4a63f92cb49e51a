import type { Condition } from '../language/evaluate.js';
import type { Tags } from '../language/types.js';
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

/** Tags that follow from where a thing lies; they are worked out only where something reads them. */
const placed = ['length', 'slope', 'direction', 'x', 'y', 'z'];

/** A member or node with its tags. */
export class TaggedThing<T extends { readonly tags: Tags }> {
  private all: Tags | undefined;

  constructor(
    readonly thing: T,
    private readonly make: (thing: T) => Tags,
  ) {}

  get tags(): Tags {
    return (this.all ??= this.make(this.thing));
  }
}

/** The members and nodes of a geometry with their tags, each worked out once. */
export class Tagged {
  readonly members: readonly TaggedThing<GeometryMember>[];
  readonly nodes: readonly TaggedThing<GeometryNode>[];

  private constructor(geometry: Geometry) {
    const ofMember = (member: GeometryMember) => memberTags(geometry, member);
    this.members = Array.from(geometry.members.values(), (member) => new TaggedThing(member, ofMember));
    this.nodes = Array.from(geometry.nodes.values(), (node) => new TaggedThing(node, nodeTags));
  }

  private static readonly kept = new WeakMap<Geometry, Tagged>();

  static of(geometry: Geometry): Tagged {
    let tagged = Tagged.kept.get(geometry);
    if (!tagged) Tagged.kept.set(geometry, (tagged = new Tagged(geometry)));
    return tagged;
  }

  selectMembers(matches: Condition): GeometryMember[] {
    return matching(this.members, matches).map(({ thing }) => thing);
  }

  selectNodes(matches: Condition): GeometryNode[] {
    return matching(this.nodes, matches).map(({ thing }) => thing);
  }
}

/** Things for which a condition holds. */
export function matching<T extends { readonly tags: Tags }>(
  things: readonly TaggedThing<T>[],
  matches: Condition,
): TaggedThing<T>[] {
  const ownOnly = placed.every((name) => !matches.reads.has(name));
  return things.filter((one) => matches(ownOnly ? one.thing.tags : one.tags));
}
