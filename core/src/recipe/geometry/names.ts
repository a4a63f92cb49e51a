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

/** Names in words for all members and nodes of a geometry: of a tag that has one value only nothing is said. */
export class Namer {
  private readonly several: Record<string, boolean> = {};

  constructor(private readonly geometry: Geometry) {
    for (const tag of ['bay', 'row', 'storey']) {
      const values = new Set<unknown>();
      for (const { tags } of geometry.members.values()) if (tags[tag] !== undefined) values.add(tags[tag]);
      this.several[tag] = values.size > 1;
    }
  }

  /** A member, a piece of one, or a physical member by its line; the id where there is none. */
  member(id: string): string {
    const line = this.geometry.lines.get(id);
    const member = this.geometry.members.get(line?.members[0] ?? id);
    if (!member) return id;
    const one = this.geometry.lines.get(member.line)!.members;
    const words = memberWords(member.tags, this.several);
    return !line && one.length > 1 ? `${words}, piece ${one.indexOf(id) + 1}` : words;
  }

  node(id: string): string {
    const node = this.geometry.nodes.get(id);
    return node ? nodeWords(node.tags, this.several) : id;
  }
}
