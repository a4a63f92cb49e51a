import { fail } from '../base/problem.js';
import type { Tags } from '../language/types.js';
import {
  mostMembers,
  type Dimension,
  type Floor,
  type Geometry,
  type GeometryMember,
  type GeometryNode,
  type Line,
  type Note,
  type Taper,
} from './geometry.js';
import { between, distance, type Point } from './vector.js';

/** Places along a physical member: nodes with their distance from its start, m. */
export interface Station {
  readonly node: string;
  readonly x: number;
}

/**
 * A geometry in the hands of a step: what came before, changed without touching it. `finish` gives the new one.
 */
export class Draft {
  readonly nodes: Map<string, GeometryNode>;
  readonly members: Map<string, GeometryMember>;
  readonly lines: Map<string, Line>;
  private readonly aliases: Map<string, string>;
  floors: Floor[];
  dimensions: Dimension[];
  readonly notes: Note[];
  private meeting: Map<string, Set<string>> | undefined;

  constructor(
    before: Geometry,
    readonly step: string,
  ) {
    this.nodes = new Map(before.nodes);
    this.members = new Map(before.members);
    this.lines = new Map(before.lines);
    this.aliases = new Map(before.aliases);
    this.floors = [...before.floors];
    this.dimensions = [...before.dimensions];
    this.notes = [...before.notes];
  }

  finish(): Geometry {
    const { nodes, members, lines, aliases, floors, dimensions, notes } = this;
    return { nodes, members, lines, aliases, floors, dimensions, notes };
  }

  note(code: string, message: string): void {
    this.notes.push({ code, message, where: { step: this.step } });
  }

  addNode(id: string, at: Point, tags: Tags): string {
    if (this.nodes.has(id))
      fail('geometry', `Step "${this.step}" makes two nodes called "${id}".`, { step: this.step });
    this.nodes.set(id, { id, at, tags });
    this.limit(this.nodes.size, 'nodes');
    return id;
  }

  private limit(count: number, what: string): void {
    if (count > mostMembers)
      fail(
        'too-many',
        `With step "${this.step}" the frame has more than ${mostMembers} ${what}; use fewer bays, storeys, parts or copies.`,
        { step: this.step },
      );
  }

  /** Adds a physical member through nodes; its pieces get the line's name with a number each where there are several. */
  addLine(
    id: string,
    through: readonly string[],
    tagsOf: (piece: number) => Tags,
    more?: (piece: number) => Partial<GeometryMember>,
  ): void {
    const members: string[] = [];
    for (let k = 0; k + 1 < through.length; k++) {
      const name = through.length === 2 ? id : `${id}.${k + 1}`;
      const member = { id: name, start: through[k]!, end: through[k + 1]!, tags: tagsOf(k), line: id };
      this.setMember(more ? { ...more(k), ...member } : member);
      members.push(name);
    }
    this.lines.set(id, { id, members });
  }

  setMember(member: GeometryMember): void {
    const known = this.members.get(member.id);
    if (known && known.line !== member.line)
      fail('geometry', `Step "${this.step}" makes two members called "${member.id}".`, { step: this.step });
    this.members.set(member.id, member);
    this.limit(this.members.size, 'members');
    if (this.meeting)
      for (const node of [member.start, member.end]) {
        const set = this.meeting.get(node);
        if (set) set.add(member.id);
        else this.meeting.set(node, new Set([member.id]));
      }
  }

  /** Ids of the members that meet at a node. */
  meetingAt(node: string): ReadonlySet<string> {
    if (!this.meeting) {
      this.meeting = new Map();
      for (const { id, start, end } of this.members.values())
        for (const n of [start, end]) {
          const set = this.meeting.get(n);
          if (set) set.add(id);
          else this.meeting.set(n, new Set([id]));
        }
    }
    return this.meeting.get(node) ?? none;
  }

  at(node: string): Point {
    return this.nodes.get(node)!.at;
  }

  lengthOf(member: GeometryMember): number {
    return distance(this.at(member.start), this.at(member.end));
  }

  /** The nodes of a physical member with their distances from its start. */
  stations(line: string): Station[] {
    const pieces = this.lines.get(line)!.members.map((id) => this.members.get(id)!);
    const out: Station[] = [{ node: pieces[0]!.start, x: 0 }];
    let x = 0;
    for (const piece of pieces) {
      x += this.lengthOf(piece);
      out.push({ node: piece.end, x });
    }
    return out;
  }

  /** Puts a node on a piece, which it divides in two; the pieces stay one physical member unless `split`. */
  dividePiece(id: string, node: string): void {
    const piece = this.members.get(id)!;
    const [a, b] = [this.at(piece.start), this.at(piece.end)];
    const fraction = distance(a, this.at(node)) / distance(a, b);
    const line = this.lines.get(piece.line)!;
    const cut = <T>(from: T, to: T, middle: T): readonly [readonly [T, T], readonly [T, T]] => [
      [from, middle],
      [middle, to],
    ];
    const { taper, cuts, ...rest } = piece;
    const fractions =
      taper &&
      cut(
        taper.fractions[0],
        taper.fractions[1],
        taper.fractions[0] + fraction * (taper.fractions[1] - taper.fractions[0]),
      );
    const ends = cut(piece.start, piece.end, node);
    this.removeMember(id, true);
    const made = [0, 1].map((k) => {
      const name = `${id}.${k + 1}`;
      const end = k === 0 ? cuts?.start && { start: cuts.start } : cuts?.end && { end: cuts.end };
      this.setMember({
        ...rest,
        id: name,
        start: ends[k as 0 | 1][0],
        end: ends[k as 0 | 1][1],
        ...(taper && fractions
          ? { taper: { ...taper, fractions: fractions[k as 0 | 1] } satisfies Taper }
          : {}),
        ...(end ? { cuts: end } : {}),
      });
      return name;
    });
    const at = line.members.indexOf(id);
    this.lines.set(line.id, {
      ...line,
      members: [...line.members.slice(0, at), ...made, ...line.members.slice(at + 1)],
    });
  }

  /**
   * The node at a distance from a physical member's start, made where there is none yet (nearer than 1e-4 m).
   *
   * @param make gives a new node's name and tags
   */
  nodeOn(line: string, x: number, make: (at: Point) => { id: string; tags: Tags }): string {
    const stations = this.stations(line);
    const near = stations.find((station) => Math.abs(station.x - x) < joined);
    if (near) return near.node;
    const k = stations.findIndex((station) => station.x > x);
    const [before, after] = [stations[k - 1]!, stations[k]!];
    const place = between(this.at(before.node), this.at(after.node), (x - before.x) / (after.x - before.x));
    const { id, tags } = make(place);
    this.addNode(id, place, tags);
    this.dividePiece(this.lines.get(line)!.members[k - 1]!, id);
    return id;
  }

  /** Removes a member; its line loses the piece, and falls into two where that was in the middle. */
  removeMember(id: string, keepLine = false): void {
    const { start, end, line } = this.members.get(id)!;
    this.members.delete(id);
    this.meeting?.get(start)?.delete(id);
    this.meeting?.get(end)?.delete(id);
    if (keepLine) return;
    const { members } = this.lines.get(line)!;
    const at = members.indexOf(id);
    const [left, right] = [members.slice(0, at), members.slice(at + 1)];
    this.setPieces(line, left.length > 0 ? left : right);
    if (left.length > 0 && right.length > 0) {
      let name = `${right[0]!}.line`;
      while (this.lines.has(name)) name += '.line';
      this.setPieces(name, right);
    }
  }

  /** Makes pieces, in order, one physical member of that name; without pieces the line goes. */
  setPieces(line: string, pieces: readonly string[]): void {
    if (pieces.length === 0) {
      this.lines.delete(line);
      return;
    }
    this.lines.set(line, { id: line, members: pieces });
    for (const id of pieces) {
      const piece = this.members.get(id)!;
      if (piece.line !== line) this.members.set(id, { ...piece, line });
    }
  }

  removeNode(id: string): void {
    for (const member of [...this.meetingAt(id)]) this.removeMember(member);
    this.nodes.delete(id);
    this.meeting?.delete(id);
    this.floors = this.floors.map((floor) => ({
      ...floor,
      nodes: floor.nodes.filter((node) => node !== id),
    }));
  }

  /** Members and floors go to `kept` where they went to `gone`; members that shrink to nothing go. */
  mergeNodes(gone: string, kept: string): void {
    const moved = [...this.meetingAt(gone)];
    for (const id of moved) {
      const member = this.members.get(id)!;
      const start = member.start === gone ? kept : member.start;
      const end = member.end === gone ? kept : member.end;
      if (start === end) {
        this.removeMember(id);
        continue;
      }
      this.meeting?.get(gone)?.delete(id);
      this.setMember({ ...member, start, end });
    }
    this.nodes.delete(gone);
    this.aliases.set(gone, kept);
    this.meeting?.delete(gone);
    this.floors = this.floors.map((floor) =>
      floor.nodes.includes(gone)
        ? { ...floor, nodes: [...new Set(floor.nodes.map((node) => (node === gone ? kept : node)))] }
        : floor,
    );
  }

  /** Turns a physical member round: start and end change places, and so do tapers and cuts. */
  reverse(line: string): void {
    const { members } = this.lines.get(line)!;
    for (const id of members) {
      const { taper, cuts, ...member } = this.members.get(id)!;
      this.members.set(id, {
        ...member,
        start: member.end,
        end: member.start,
        ...(taper ? { taper: { ...taper, fractions: [taper.fractions[1], taper.fractions[0]] } } : {}),
        ...(cuts
          ? { cuts: { ...(cuts.end ? { start: cuts.end } : {}), ...(cuts.start ? { end: cuts.start } : {}) } }
          : {}),
      });
    }
    this.lines.set(line, { id: line, members: [...members].reverse() });
  }
}

const none: ReadonlySet<string> = new Set();

/** Nodes nearer than this become one, m. */
export const joined = 1e-4;
