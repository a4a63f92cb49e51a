import type { BuiltFrame } from '../../build/build.js';
import { namerOf } from '../../build/namer.js';
import type { FrameModel, FrameNode, Member } from '../../model/types.js';

/** A point, m. */
export type Place = readonly [number, number, number];

/** A physical member: its pieces from its start on, and its outer nodes. */
export interface Line {
  readonly id: string;
  readonly title: string;
  /** What it is for; of an imported member its direction. */
  readonly role: string;
  readonly pieces: readonly Member[];
  readonly ends: readonly [string, string];
  /** m. */
  readonly length: number;
}

export interface NodeOf {
  readonly id: string;
  readonly title: string;
  readonly role: string;
  readonly at: Place;
}

/** A frame as its changes are looked for: nodes and physical members with names and roles. */
export interface Framed {
  readonly model: FrameModel;
  readonly nodes: ReadonlyMap<string, NodeOf>;
  readonly lines: ReadonlyMap<string, Line>;
  /** Diagonal of its box, m. */
  readonly size: number;
}

const placeOf = ({ x, y = 0, z }: FrameNode): Place => [x, y, z];

/** A frame model with the names of the design that it was built of, or by its ids. */
export function framed(model: FrameModel, built?: BuiltFrame): Framed {
  const namer = built && namerOf(built);
  const tagsOf = (id: string) => built?.geometry.nodes.get(id)?.tags;
  const nodes = new Map(
    model.nodes.map((node): [string, NodeOf] => [
      node.id,
      {
        id: node.id,
        title: namer?.node(node.id) ?? node.id,
        role: [tagsOf(node.id)?.['place'], tagsOf(node.id)?.['side']]
          .map((tag) => String(tag ?? ''))
          .join(' '),
        at: placeOf(node),
      },
    ]),
  );
  const groups = new Map<string, Member[]>();
  for (const member of model.members) {
    const id = member.design?.group ?? member.id;
    groups.set(id, [...(groups.get(id) ?? []), member]);
  }
  const lines = new Map(
    [...groups].map(([id, pieces]): [string, Line] => {
      const ends = outerEnds(pieces);
      const [from, to] = [nodes.get(ends[0])!.at, nodes.get(ends[1])!.at];
      const role = built?.geometry.members.get(pieces[0]!.id)?.tags['role'];
      const length = pieces.reduce(
        (sum, { start, end }) => sum + distance(nodes.get(start)!.at, nodes.get(end)!.at),
        0,
      );
      return [
        id,
        {
          id,
          title: namer?.member(pieces.length > 1 ? id : pieces[0]!.id) ?? id,
          role: role === undefined ? directionOf(from, to) : String(role),
          pieces,
          ends,
          length,
        },
      ];
    }),
  );
  return { model, nodes, lines, size: diagonal([...nodes.values()].map(({ at }) => at)) };
}

/** Nodes at which a line begins and ends. */
function outerEnds(pieces: readonly Member[]): [string, string] {
  const starts = new Set(pieces.map(({ start }) => start));
  const ends = new Set(pieces.map(({ end }) => end));
  return [
    pieces.find(({ start }) => !ends.has(start))?.start ?? pieces[0]!.start,
    pieces.find(({ end }) => !starts.has(end))?.end ?? pieces[pieces.length - 1]!.end,
  ];
}

/** Upright, level or inclined: what an imported member is by its direction. */
function directionOf(from: Place, to: Place): string {
  const rise = Math.abs(to[2] - from[2]);
  const run = Math.hypot(to[0] - from[0], to[1] - from[1]);
  return rise < 0.1 * run ? 'level' : run < 0.1 * rise ? 'upright' : 'inclined';
}

export const distance = (a: Place, b: Place): number => Math.hypot(b[0] - a[0], b[1] - a[1], b[2] - a[2]);

function diagonal(places: readonly Place[]): number {
  const spans = [0, 1, 2].map((k) => {
    let [least, greatest] = [Infinity, -Infinity];
    for (const place of places) {
      least = Math.min(least, place[k]!);
      greatest = Math.max(greatest, place[k]!);
    }
    return places.length === 0 ? 0 : greatest - least;
  });
  return Math.hypot(...spans);
}
