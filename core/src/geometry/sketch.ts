import { fail } from '../base/problem.js';
import type { Tags } from '../language/types.js';
import { Draft, joined } from './draft.js';
import { mostMembers, type Dimension, type Geometry } from './geometry.js';
import { PointGrid } from './weld/nearby.js';
import { add, along, distance, runsBackwards, turned, type Point } from './vector.js';
import { weld } from './weld/weld.js';

/** A node of a sketch, numbered in the order in which they are drawn. `at` is where it is drawn, `plan` where it was before twist and setback moved it: that decides orientation. */
export interface SketchNode {
  readonly id: string;
  readonly number: number;
  readonly place: string;
  readonly at: Point;
  readonly plan: Point;
  readonly tags: Tags;
}

/** A physical member of a sketch, to which nodes can be added while others meet it. */
export class SketchLine {
  private extra: SketchNode[] | undefined;

  constructor(
    readonly id: string,
    readonly nodes: readonly SketchNode[],
    readonly tagsOf: (piece: number) => Tags,
  ) {}

  /** Puts a node on the line, which it divides. */
  through(node: SketchNode): void {
    this.extra ??= [];
    if (!this.nodes.includes(node) && !this.extra.includes(node)) this.extra.push(node);
  }

  /** All nodes from start to end, and for each stretch between them the piece of the line as it was drawn, where nodes were added. */
  laidOut(): { nodes: readonly SketchNode[]; pieceOf?: readonly number[] } {
    const { extra } = this;
    if (!extra) return { nodes: this.nodes };
    const nodes: SketchNode[] = [this.nodes[0]!];
    const pieceOf: number[] = [];
    for (let k = 1; k < this.nodes.length; k++) {
      const [a, b] = [this.nodes[k - 1]!, this.nodes[k]!];
      const on = extra
        .map((node) => ({ node, ...along(node.at, a.at, b.at) }))
        .filter(({ fraction, off }) => off < joined && fraction > 0 && fraction < 1)
        .sort((p, q) => p.fraction - q.fraction);
      for (const { node } of [...on, { node: b }]) {
        nodes.push(node);
        pieceOf.push(k - 1);
      }
    }
    return { nodes, pieceOf };
  }
}

/**
 * What a generator draws, in its own axes: nodes by place, physical members through them. Nodes within 1e-4 m of one another are one.
 */
export class Sketch {
  private readonly nodes = new Map<string, SketchNode>();
  private readonly grid = new PointGrid(joined);
  private readonly lines = new Map<string, SketchLine>();
  readonly dimensions: Dimension[] = [];

  constructor(readonly step: string) {}

  /** The node at a place, or the one that is there already. */
  node(
    place: string,
    index: readonly (string | number)[],
    at: Point,
    tags: Tags = {},
    plan: Point = at,
  ): SketchNode {
    const known = this.grid.firstAt(at);
    if (known !== undefined) return this.nodes.get(known)!;
    const id = nameOf(this.step, place, index);
    if (this.nodes.has(id))
      fail('geometry', `Step "${this.step}" makes two nodes called "${id}".`, { step: this.step });
    const number = this.nodes.size;
    const node: SketchNode = { id, number, place, at, plan, tags: { step: this.step, place, ...tags } };
    this.nodes.set(id, node);
    this.grid.add(id, at);
    if (this.nodes.size > mostMembers) this.tooMany('nodes');
    return node;
  }

  private tooMany(what: string): never {
    return fail(
      'too-many',
      `Step "${this.step}" would make more than ${mostMembers} ${what}; use fewer bays, storeys or parts.`,
      { step: this.step },
    );
  }

  /** The node there, if one was drawn. */
  nodeAt(at: Point): SketchNode | undefined {
    const id = this.grid.firstAt(at);
    return id === undefined ? undefined : this.nodes.get(id);
  }

  /**
   * A physical member through nodes, oriented columns up and everything else left to right; undefined where it has no length.
   *
   * @param tags of all pieces, or of the piece of that number along the nodes as given
   */
  line(
    role: string,
    index: readonly (string | number)[],
    nodes: readonly SketchNode[],
    tags: Tags | ((piece: number) => Tags) = {},
  ): SketchLine | undefined {
    const twice = nodes.some((node, i) => i > 0 && node === nodes[i - 1]);
    const distinct = twice ? nodes.filter((node, i) => i === 0 || node !== nodes[i - 1]) : nodes;
    if (distinct.length < 2) return undefined;
    const id = nameOf(this.step, inName(role), index);
    const own = typeof tags === 'function' ? tags : () => tags;
    const back = runsBackwards(distinct[0]!.plan, distinct.at(-1)!.plan);
    const ordered = back ? [...distinct].reverse() : distinct;
    const line = new SketchLine(id, ordered, (piece) => ({
      step: this.step,
      role,
      part: 'frame',
      ...own(back ? distinct.length - 2 - piece : piece),
    }));
    if (this.lines.has(id))
      fail('geometry', `Step "${this.step}" makes two members called "${id}".`, { step: this.step });
    this.lines.set(id, line);
    if (this.lines.size > mostMembers) this.tooMany('members');
    return line;
  }

  /** A live dimension of a field of the step. */
  dimension(field: string, from: Point, to: Point, away: Point, value: number): void {
    this.measure({ field, from, to, away, value, kind: 'length' });
  }

  /** A live dimension of an angle: from the line between the first two points, turned towards `away`. */
  angle(field: string, from: Point, to: Point, away: Point, value: number): void {
    this.measure({ field, from, to, away, value, kind: 'angle' });
  }

  private measure(dimension: Omit<Dimension, 'id' | 'step'>): void {
    this.dimensions.push({ id: `${this.step}.${dimension.field}`, step: this.step, ...dimension });
  }

  /** Adds the sketch to what came before, turned about Z and moved to its origin. */
  addTo(before: Geometry, at: Point, turn: number): Geometry {
    const draft = new Draft(before, this.step);
    const stays = turn === 0 && at.every((v) => v === 0);
    const place = (p: Point): Point => (stays ? p : add(turned(p, turn), at));
    const twice = this.duplicates();
    for (const node of this.nodes.values()) draft.addNode(node.id, place(node.at), node.tags);
    const lines = new Set<string>();
    for (const line of this.lines.values()) {
      if (twice.has(line.id)) continue;
      const { nodes, pieceOf } = line.laidOut();
      draft.addLine(
        line.id,
        nodes.map((node) => node.id),
        pieceOf ? (piece) => line.tagsOf(pieceOf[piece]!) : line.tagsOf,
      );
      lines.add(line.id);
    }
    draft.dimensions.push(
      ...this.dimensions.map((d) => ({
        ...d,
        from: place(d.from),
        to: place(d.to),
        away: turned(d.away, turn),
      })),
    );
    weld(draft, before, { nodes: new Set(this.nodes.keys()), lines });
    return draft.finish();
  }

  /** Lines that join the same two nodes as an earlier one. */
  private duplicates(): Set<string> {
    const seen = new Set<number>();
    const twice = new Set<string>();
    for (const { id, nodes } of this.lines.values()) {
      if (nodes.length !== 2) continue;
      const [a, b] = [nodes[0]!.number, nodes[1]!.number];
      const key = Math.min(a, b) * this.nodes.size + Math.max(a, b);
      if (seen.has(key)) twice.add(id);
      seen.add(key);
    }
    return twice;
  }
}

/** Name of a node or member: step, place or role, indices. */
function nameOf(step: string, word: string, index: readonly (string | number)[]): string {
  let name = `${step}.${word}`;
  for (const one of index) name += `.${one}`;
  return name;
}

/** Sum of lengths from 0: the positions between spacings. */
export function positions(spacings: readonly number[]): number[] {
  const out = [0];
  for (const spacing of spacings) out.push(out.at(-1)! + spacing);
  return out;
}

/** Left for the first of a row, right for the last, middle between. */
export const sideOf = (index: number, last: number): string =>
  index === 0 ? 'left' : index === last ? 'right' : 'middle';

export { distance };

/** A role as a part of a name: with hyphens for its spaces. */
export const inName = (role: string): string => role.replaceAll(' ', '-');
