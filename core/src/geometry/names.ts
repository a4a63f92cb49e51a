import { ownValue } from '../base/own-value.js';
import type { Tags } from '../language/types.js';
import type { Geometry, Line } from './geometry.js';

const roleWords: Readonly<Record<string, string>> = {
  'beam-x': 'beam along x',
  'beam-y': 'beam along y',
  'top-chord': 'top chord',
  'bottom-chord': 'bottom chord',
  cross: 'cross member',
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

  constructor(private readonly geometry: Geometry) {
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
    this.lines ??= numbered(
      lines.values(),
      (one) => memberWords(members.get(one.members[0]!)!.tags, this.several),
      (one) => this.rising(one),
    );
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

  node(id: string): string {
    this.nodes ??= numbered(this.geometry.nodes.values(), ({ tags }) => nodeWords(tags, this.several));
    return this.nodes(id) ?? id;
  }
}

/**
 * Words by id; those that stand more than once have more words behind where these tell all of them apart, else a number after the first
 * part: "rib 3", "purlin 2, row 1".
 */
function numbered<T extends { readonly id: string }>(
  things: Iterable<T>,
  wordsOf: (thing: T) => string,
  moreOf: (thing: T) => string = () => '',
): (id: string) => string | undefined {
  const known = new Map<string, { readonly words: string; readonly number: number; readonly more: string }>();
  const counts = new Map<string, number>();
  const mores = new Map<string, Set<string>>();
  for (const thing of things) {
    const words = wordsOf(thing);
    const number = (counts.get(words) ?? 0) + 1;
    counts.set(words, number);
    const more = moreOf(thing);
    known.set(thing.id, { words, number, more });
    if (more !== '') mores.set(words, (mores.get(words) ?? new Set()).add(more));
  }
  return (id) => {
    const one = known.get(id);
    const count = one && counts.get(one.words);
    if (!one || count === 1) return one?.words;
    if (mores.get(one.words)?.size === count) return `${one.words}, ${one.more}`;
    const [first, ...rest] = one.words.split(', ');
    return [`${first!} ${one.number}`, ...rest].join(', ');
  };
}
