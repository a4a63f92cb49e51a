import type { Frame } from '../../../analysis/index.js';
import type { FrameModel } from '../../../model/types.js';
import { fail } from '../../../base/problem.js';

/** A bracing system between two lines of members (rafters, chords), and the members that it holds. */
export interface BracingSystem {
  /** Members that it holds, as its braces say: m of EN 1993-1-1 5.3.3(1). */
  readonly holds: number;
  /** What it holds: the two lines between which it runs, and those alike to which its posts lead. Numbers of members. */
  readonly held: readonly number[];
  /** Along those lines from the first of its nodes to the last, m. */
  readonly span: number;
  /** Its nodes, each with its place along the span and the length of the span that it stands for, m. */
  readonly nodes: readonly SystemNode[];
  /** Direction from one line to the other, global. */
  readonly across: Vector3;
}

export interface SystemNode {
  readonly node: number;
  readonly at: number;
  readonly share: number;
}

type Vector3 = readonly [number, number, number];

/** A line goes on in the member that turns least; a turn of more than 45° ends it (eaves, not the ridge of a roof). */
const turnsOff = Math.cos(Math.PI / 4);
/** Lines side by side run within 20° of one another. */
const sideBySide = Math.cos(Math.PI / 9);

const dot = (a: Vector3, b: Vector3): number => a[0] * b[0] + a[1] * b[1] + a[2] * b[2];

/** Members that follow one another, with the nodes that they join and the distance of each from the first, m. */
interface Line {
  readonly members: readonly number[];
  readonly nodes: readonly number[];
  readonly at: readonly number[];
}

/**
 * The bracing systems of a model: its members with `design.restrains`, together where they run between the same two lines.
 *
 * @throws ProblemError `not-a-bracing` for a member that runs between no two lines side by side
 */
export function bracingSystems(model: FrameModel, frame: Frame): BracingSystem[] {
  const braces = model.members.flatMap(({ design }, m) => (design?.restrains === undefined ? [] : [m]));
  if (braces.length === 0) return [];
  const lines = new Lines(frame, new Set(braces));
  const pairs = new Map<string, { braces: number[]; lines: [Line, Line] }>();
  const ofBrace = braces.map((brace) => {
    const own = lines.besides(brace);
    if (own.length === 0) {
      const { id } = model.members[brace]!;
      fail(
        'not-a-bracing',
        `Member "${id}" is to hold other members, but it does not run between two lines of members side by side; give "restrains" only to the braces between two rafters, chords or columns.`,
        { member: id },
      );
    }
    for (const [key, both] of own) {
      const known = pairs.get(key);
      if (known) known.braces.push(brace);
      else pairs.set(key, { braces: [brace], lines: both });
    }
    return own.map(([key]) => key);
  });
  // Between rafters and purlins both: the lines along which more braces follow one another are those that they hold
  const rank = (key: string) => pairs.get(key)!.braces.length;
  const chosen = new Map<string, number[]>();
  ofBrace.forEach((keys, k) => {
    const best = keys.reduce((a, b) =>
      rank(b) > rank(a) || (rank(b) === rank(a) && lines.spanOf(pairs.get(b)!) > lines.spanOf(pairs.get(a)!))
        ? b
        : a,
    );
    chosen.set(best, [...(chosen.get(best) ?? []), braces[k]!]);
  });
  return [...chosen].map(([key, own]) => {
    const holds = Math.max(...own.map((brace) => model.members[brace]!.design!.restrains!));
    return lines.system(pairs.get(key)!.lines, own, holds);
  });
}

class Lines {
  private readonly at: number[][];
  private readonly byMember = new Map<number, Line>();

  constructor(
    private readonly frame: Frame,
    braces: ReadonlySet<number>,
  ) {
    this.at = frame.nodeIds.map(() => []);
    frame.memberIds.forEach((_, m) => {
      if (braces.has(m)) return;
      this.at[frame.start[m]!]!.push(m);
      this.at[frame.end[m]!]!.push(m);
    });
  }

  /** Pairs of lines side by side between which a brace runs, by name. */
  besides(brace: number): [string, [Line, Line]][] {
    const { start, end } = this.frame;
    const own = this.directionOf(brace);
    const out = new Map<string, [Line, Line]>();
    for (const a of this.at[start[brace]!]!)
      for (const b of this.at[end[brace]!]!) {
        const [first, second] = [this.lineOf(a), this.lineOf(b)];
        const along = this.directionOf(a);
        if (first === second || Math.abs(dot(along, this.directionOf(b))) < sideBySide) continue;
        if (Math.abs(dot(along, own)) > 1 - 1e-6) continue;
        const pair =
          first.members[0]! < second.members[0]! ? ([first, second] as const) : ([second, first] as const);
        out.set(pair.map(({ members }) => members[0]).join('|'), [...pair]);
      }
    return [...out];
  }

  spanOf({ lines: [line], braces }: { lines: readonly [Line, Line]; braces: readonly number[] }): number {
    const at = this.endsOf(braces).map((node) => this.placeOn(line, node));
    return Math.max(...at) - Math.min(...at);
  }

  system([line, other]: readonly [Line, Line], braces: readonly number[], holds: number): BracingSystem {
    const nodes = this.endsOf(braces);
    const places = nodes.map((node) => this.placeOn(line, node));
    const from = Math.min(...places);
    const span = Math.max(...places) - from;
    return {
      holds,
      held: this.heldBy([line, other], nodes, from, span),
      span,
      nodes: shares(
        nodes,
        places.map((at) => at - from),
      ),
      across: this.acrossOf(line, braces),
    };
  }

  /** From the first line to the other, square to the first: the mean of the braces without what runs along it on their side of a node. */
  private acrossOf(line: Line, braces: readonly number[]): Vector3 {
    const sum: [number, number, number] = [0, 0, 0];
    for (const brace of braces) {
      const node = line.nodes.includes(this.frame.start[brace]!)
        ? this.frame.start[brace]!
        : this.frame.end[brace]!;
      const own = this.directionOf(brace);
      const [along] = line.members
        .filter((m) => this.frame.start[m] === node || this.frame.end[m] === node)
        .map((m) => this.directionOf(m))
        .sort((a, b) => Math.abs(dot(own, b)) - Math.abs(dot(own, a)));
      const sense = node === this.frame.start[brace] ? 1 : -1;
      const part = dot(own, along!);
      for (let k = 0; k < 3; k++) sum[k]! += sense * (own[k]! - part * along![k]!);
    }
    const size = Math.hypot(...sum);
    return [sum[0] / size, sum[1] / size, sum[2] / size];
  }

  /** The members of both lines, and of lines alike at the other nodes of what crosses them at the system's nodes. */
  private heldBy(own: readonly Line[], nodes: readonly number[], from: number, span: number): number[] {
    const [line] = own;
    const found = new Set(own);
    for (const node of nodes)
      for (const post of this.at[node]!.map((m) => this.lineOf(m)).filter((one) => !own.includes(one)))
        for (const far of post.nodes)
          for (const m of this.at[far]!) {
            const reached = this.lineOf(m);
            if (reached !== post && this.isAlike(own, node, m)) found.add(reached);
          }
    const within = (m: number): boolean => {
      const middle =
        (this.placeOn(line!, this.frame.start[m]!) + this.placeOn(line!, this.frame.end[m]!)) / 2;
      return middle > from && middle < from + span;
    };
    return [...found].flatMap(({ members }) => members.filter(within));
  }

  private isAlike(own: readonly Line[], node: number, member: number): boolean {
    return this.at[node]!.some(
      (m) =>
        own.includes(this.lineOf(m)) &&
        Math.abs(dot(this.directionOf(m), this.directionOf(member))) >= sideBySide,
    );
  }

  private endsOf(braces: readonly number[]): number[] {
    return [...new Set(braces.flatMap((m) => [this.frame.start[m]!, this.frame.end[m]!]))];
  }

  /** Place on a line that is nearest to a node, m from its first node. */
  private placeOn(line: Line, node: number): number {
    const known = line.nodes.indexOf(node);
    if (known >= 0) return line.at[known]!;
    let nearest = { at: 0, distance: Infinity };
    line.members.forEach((m, k) => {
      const first = line.nodes[k]!;
      const sense = this.frame.start[m] === first ? 1 : -1;
      const axis = this.directionOf(m);
      const to = [0, 1, 2].map((c) => this.frame.xyz[3 * node + c]! - this.frame.xyz[3 * first + c]!);
      const length = line.at[k + 1]! - line.at[k]!;
      const t = Math.min(length, Math.max(0, sense * dot(to as unknown as Vector3, axis)));
      const distance = Math.hypot(...to.map((v, c) => v - sense * t * axis[c]!));
      if (distance < nearest.distance) nearest = { at: line.at[k]! + t, distance };
    });
    return nearest.at;
  }

  private directionOf(m: number): Vector3 {
    const { axes } = this.frame;
    return [axes[9 * m]!, axes[9 * m + 1]!, axes[9 * m + 2]!];
  }

  private lineOf(member: number): Line {
    const known = this.byMember.get(member);
    if (known) return known;
    const { start, end, length } = this.frame;
    const before = this.follow(member, start[member]!);
    const behind = this.follow(member, end[member]!);
    const members = [
      ...before.map(({ member: m }) => m).reverse(),
      member,
      ...behind.map(({ member: m }) => m),
    ];
    const nodes = [
      ...before.map(({ node }) => node).reverse(),
      start[member]!,
      end[member]!,
      ...behind.map(({ node }) => node),
    ];
    const at = [0];
    for (const m of members) at.push(at.at(-1)! + length[m]!);
    const line = { members, nodes, at };
    for (const m of members) this.byMember.set(m, line);
    return line;
  }

  /** What follows a member beyond one of its nodes: each the one that turns least. */
  private follow(member: number, node: number): { member: number; node: number }[] {
    const out: { member: number; node: number }[] = [];
    const taken = new Set([member]);
    for (let last = member; ;) {
      const sense = this.frame.end[last] === node ? 1 : -1;
      const along = this.directionOf(last);
      let best = { member: -1, turn: turnsOff };
      for (const m of this.at[node]!) {
        if (taken.has(m) || this.byMember.has(m)) continue;
        const turn = sense * (this.frame.start[m] === node ? 1 : -1) * dot(along, this.directionOf(m));
        if (turn > best.turn) best = { member: m, turn };
      }
      if (best.member < 0) return out;
      last = best.member;
      taken.add(last);
      node = this.frame.start[last] === node ? this.frame.end[last]! : this.frame.start[last]!;
      out.push({ member: last, node });
    }
  }
}

/** Half the way to the places before and behind, shared by the nodes of one place. */
function shares(nodes: readonly number[], places: readonly number[]): SystemNode[] {
  const distinct = [...places]
    .sort((a, b) => a - b)
    .filter((at, i, all) => i === 0 || at - all[i - 1]! > 1e-6);
  return nodes.map((node, k) => {
    const at = places[k]!;
    const i = distinct.findIndex((one) => Math.abs(one - at) <= 1e-6);
    const half = (distinct[Math.min(i + 1, distinct.length - 1)]! - distinct[Math.max(0, i - 1)]!) / 2;
    return { node, at, share: half / places.filter((other) => Math.abs(other - at) <= 1e-6).length };
  });
}
