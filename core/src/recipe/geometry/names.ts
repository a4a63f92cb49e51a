import type { Tags } from '../expressions/types.js';
import type { Geometry } from './geometry.js';

const roleWords: Readonly<Record<string, string>> = {
  'beam-x': 'beam along x',
  'beam-y': 'beam along y',
  'top-chord': 'top chord',
  'bottom-chord': 'bottom chord',
  cross: 'cross member',
};

/** What a member is, in words: `left column`, `rafter of bay 2, left`, `brace, storey 2, bay 1`. */
export function memberWords(tags: Tags, several: Readonly<Record<string, boolean>> = {}): string {
  const role = String(tags['role'] ?? 'member');
  const name = roleWords[role] ?? role.replaceAll('-', ' ');
  const side = tags['side'] === undefined || tags['side'] === 'middle' ? '' : `${String(tags['side'])} `;
  const parts = ['bay', 'row', 'storey'].flatMap((tag) =>
    typeof tags[tag] === 'number' && several[tag] !== false ? [`${tag} ${tags[tag]}`] : [],
  );
  return [`${side}${name}`, ...parts].join(', ');
}

/** What a node is, in words: `left eaves`, `base, bay 2`. */
export function nodeWords(tags: Tags, several: Readonly<Record<string, boolean>> = {}): string {
  const place = String(tags['place'] ?? 'node').replaceAll('-', ' ');
  const side = tags['side'] === undefined || tags['side'] === 'middle' ? '' : `${String(tags['side'])} `;
  const parts = ['bay', 'row', 'storey'].flatMap((tag) =>
    typeof tags[tag] === 'number' && several[tag] !== false ? [`${tag} ${tags[tag]}`] : [],
  );
  return [`${side}${place}`, ...parts].join(', ');
}

/**
 * Names in words for all members and nodes of a geometry: of a tag that has one value only nothing is said, and what would be called
 * alike is numbered in the order in which it was made.
 */
export class Namer {
  private readonly several: Record<string, boolean> = {};
  private lines: ReadonlyMap<string, string> | undefined;
  private nodes: ReadonlyMap<string, string> | undefined;

  constructor(private readonly geometry: Geometry) {
    for (const tag of ['bay', 'row', 'storey']) {
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
      [...lines.values()].map((one) => [
        one.id,
        memberWords(members.get(one.members[0]!)!.tags, this.several),
      ]),
    );
    const words = this.lines.get(member.line) ?? memberWords(member.tags, this.several);
    const pieces = lines.get(member.line)!.members;
    return !line && pieces.length > 1 ? `${words}, piece ${pieces.indexOf(id) + 1}` : words;
  }

  node(id: string): string {
    this.nodes ??= numbered(
      [...this.geometry.nodes.values()].map((node) => [node.id, nodeWords(node.tags, this.several)]),
    );
    return this.nodes.get(id) ?? id;
  }
}

/** Words by id; those that stand more than once have a number after the first part: "rib 3", "purlin 2, row 1". */
function numbered(named: readonly (readonly [id: string, words: string])[]): Map<string, string> {
  const count = new Map<string, number>();
  for (const [, words] of named) count.set(words, (count.get(words) ?? 0) + 1);
  const used = new Map<string, number>();
  return new Map(
    named.map(([id, words]) => {
      if (count.get(words) === 1) return [id, words];
      const number = (used.get(words) ?? 0) + 1;
      used.set(words, number);
      const [first, ...rest] = words.split(', ');
      return [id, [`${first!} ${number}`, ...rest].join(', ')];
    }),
  );
}
