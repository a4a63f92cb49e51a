import { ownValue } from '../base/own-value.js';
import type { Tags } from '../language/types.js';
import type { Geometry, Line } from './geometry.js';

const roleWords: Readonly<Record<string, string>> = {
  'beam-x': 'beam along x',
  'beam-y': 'beam along y',
  'top-chord': 'top chord',
  'bottom-chord': 'bottom chord',
  cross: 'cross member',
  drawn: 'drawn member',
};

/** A role or place as it is said: `beam along x`. */
export const roleName = (role: string): string => ownValue(roleWords, role) ?? role.replaceAll('-', ' ');

/** Tags that tell things of one kind apart by their numbers. */
const counted = ['bay', 'row', 'storey'] as const;

/** What a member is, in words: `left column`, `rafter of bay 2, left`, `brace, storey 2, bay 1`. */
export function memberWords(tags: Tags, several: Readonly<Record<string, boolean>> = {}): string {
  return withNumbers(roleName(String(tags['role'] ?? 'member')), tags, several);
}

/** What a node is, in words: `left eaves`, `base, bay 2`. */
export function nodeWords(tags: Tags, several: Readonly<Record<string, boolean>> = {}): string {
  return withNumbers(String(tags['place'] ?? 'node').replaceAll('-', ' '), tags, several);
}

/** @param several which tags have more than one value in the frame; of the others nothing is said */
function withNumbers(name: string, tags: Tags, several: Readonly<Record<string, boolean>>): string {
  const side = tags['side'];
  let words = side === undefined || side === 'middle' ? name : `${String(side)} ${name}`;
  for (const tag of counted) {
    const value = tags[tag];
    if (typeof value === 'number' && several[tag] !== false) words += `, ${tag} ${value}`;
  }
  return words;
}

/**
 * Names in words for all members and nodes of a geometry: of a tag that has one value only nothing is said, and what would be called
 * alike is numbered in the order in which it was made.
 */
export class Namer {
  private readonly several: Record<string, boolean> = {};
  private lines: ((id: string) => string | undefined) | undefined;
  private nodes: ((id: string) => string | undefined) | undefined;
  private within: ReadonlyMap<string, Line> | undefined;

  constructor(
    private readonly geometry: Geometry,
    private readonly makers: MakerNames = new Map(),
  ) {
    for (const tag of counted) {
      const values = new Set<unknown>();
      for (const { tags } of geometry.members.values()) if (tags[tag] !== undefined) values.add(tags[tag]);
      this.several[tag] = values.size > 1;
    }
  }

  /** A member, a piece of one, or a physical member by its line; the id where there is none. */
  member(id: string): string {
    const { members, lines } = this.geometry;
    const line = lines.get(id);
    const member = members.get(line?.members[0] ?? id);
    if (!member) return id;
    this.lines ??= numbered(lines.values(), {
      wordsOf: (one) => {
        const words = memberWords(members.get(one.members[0]!)!.tags, this.several);
        const ends = this.betweenEnds(one);
        return ends === '' ? words : `${words}, ${ends}`;
      },
      makerOf: (one) => this.makers.get(String(members.get(one.members[0]!)!.tags['step']))?.title,
      moreOf: (one) => this.rising(one),
    });
    const words = this.lines(member.line) ?? memberWords(member.tags, this.several);
    const pieces = lines.get(member.line)!.members;
    return !line && pieces.length > 1 ? `${words}, piece ${pieces.indexOf(id) + 1}` : words;
  }

  /** To where a brace rises, so that those that cross are told apart: "rising right"; nothing of other members. */
  private rising({ members }: Line): string {
    const first = this.geometry.members.get(members[0]!)!;
    const last = this.geometry.members.get(members.at(-1)!)!;
    if (first.tags['role'] !== 'brace') return '';
    const [a, b] = [this.geometry.nodes.get(first.start)!.at, this.geometry.nodes.get(last.end)!.at];
    const up = Math.sign(b[2] - a[2]);
    const [x, y] = [(b[0] - a[0]) * up, (b[1] - a[1]) * up];
    if (Math.abs(x) > Math.abs(y)) return x > 0 ? 'rising right' : 'rising left';
    return y === 0 ? '' : y > 0 ? 'rising to the back' : 'rising to the front';
  }

  /** Of a member that was drawn from place to place: "left base to apex"; nothing of others, or where an end has no name. */
  private betweenEnds({ members }: Line): string {
    const first = this.geometry.members.get(members[0]!)!;
    const last = this.geometry.members.get(members.at(-1)!)!;
    if (!this.makers.get(String(first.tags['step']))?.isDrawn) return '';
    const [from, to] = [this.placeOf(first.start), this.placeOf(last.end)];
    return from === undefined || to === undefined ? '' : `${from} to ${to}`;
  }

  /** What a node is called where it has a place of its own, or on which member it lies. */
  private placeOf(id: string): string | undefined {
    const { members, nodes } = this.geometry;
    if (!unnamedPlaces.has(String(nodes.get(id)!.tags['place']))) return this.node(id);
    this.within ??= new Map(
      [...this.geometry.lines.values()].flatMap((line) =>
        line.members.slice(1).map((piece) => [members.get(piece)!.start, line] as const),
      ),
    );
    const line = this.within.get(id);
    return line && memberWords(members.get(line.members[0]!)!.tags, this.several);
  }

  node(id: string): string {
    this.nodes ??= numbered(this.geometry.nodes.values(), {
      wordsOf: ({ tags }) => nodeWords(tags, this.several),
      makerOf: ({ tags }) => this.makers.get(String(tags['step']))?.title,
    });
    return this.nodes(id) ?? id;
  }
}

/** What the generators of a design are called, by the ids of their steps, and whether their members were drawn from place to place. */
export type MakerNames = ReadonlyMap<string, { readonly title: string; readonly isDrawn: boolean }>;

/** Places of nodes that say nothing about where they are. */
const unnamedPlaces = new Set(['point', 'division', 'undefined']);

/** What things are called: of whom they are where several made things of one name, and what tells those of one maker apart. */
interface Naming<T> {
  readonly wordsOf: (thing: T) => string;
  readonly makerOf: (thing: T) => string | undefined;
  readonly moreOf?: (thing: T) => string;
}

/**
 * Words by id; those that several steps made say of which they are, those that then stand more than once have more words behind where these
 * tell all of them apart, else a number after the first part: "top chord of Girder", "rib 3", "purlin 2, row 1".
 */
function numbered<T extends { readonly id: string }>(
  things: Iterable<T>,
  { wordsOf, makerOf, moreOf = () => '' }: Naming<T>,
): (id: string) => string | undefined {
  const list = [...things].map((thing) => ({ thing, words: wordsOf(thing), maker: makerOf(thing) }));
  const makers = new Map<string, Set<string>>();
  for (const { words, maker } of list)
    if (maker !== undefined) makers.set(words, (makers.get(words) ?? new Set()).add(maker));
  const known = new Map<string, { words: string; maker: string; number: number; more: string }>();
  const counts = new Map<string, number>();
  const mores = new Map<string, Set<string>>();
  for (const { thing, words, maker } of list) {
    const of = maker !== undefined && makers.get(words)!.size > 1 ? ` of ${maker}` : '';
    const key = words + of;
    const number = (counts.get(key) ?? 0) + 1;
    counts.set(key, number);
    const more = moreOf(thing);
    known.set(thing.id, { words, maker: of, number, more });
    if (more !== '') mores.set(key, (mores.get(key) ?? new Set()).add(more));
  }
  return (id) => {
    const one = known.get(id);
    if (!one) return undefined;
    const { words, maker, number, more } = one;
    const count = counts.get(words + maker);
    if (count === 1) return afterFirst(words, maker);
    if (mores.get(words + maker)?.size === count) return `${afterFirst(words, maker)}, ${more}`;
    return afterFirst(words, ` ${number}${maker}`);
  };
}

/** Words with more behind the first of their parts. */
function afterFirst(words: string, more: string): string {
  const [first, ...rest] = words.split(', ');
  return [`${first!}${more}`, ...rest].join(', ');
}
