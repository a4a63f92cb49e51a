import type { Draft } from '../draft.js';
import { cross, dot, minus, size, add, times, type Point } from '../vector.js';
import { joined } from '../draft.js';

/** Where two lines come nearest: shares along each and the gap between them, m; undefined where they are parallel. */
export function nearestApproach(
  a: readonly [Point, Point],
  b: readonly [Point, Point],
): { s: number; t: number; gap: number; at: Point } | undefined {
  const [u, v, w] = [minus(a[1], a[0]), minus(b[1], b[0]), minus(b[0], a[0])];
  const n = cross(u, v);
  const square = dot(n, n);
  if (square < 1e-12 * dot(u, u) * dot(v, v)) return undefined;
  const s = dot(cross(w, v), n) / square;
  const t = dot(cross(w, u), n) / square;
  const p = add(a[0], times(u, s));
  return { s, t, at: p, gap: size(minus(add(b[0], times(v, t)), p)) };
}

/** Pairs of members whose boxes meet, by sweeping along x. */
export function nearPairs(draft: Draft, members: readonly string[]): [string, string][] {
  const boxes = members
    .map((id) => {
      const { start, end } = draft.members.get(id)!;
      const [a, b] = [draft.at(start), draft.at(end)];
      return {
        id,
        low: [0, 1, 2].map((k) => Math.min(a[k]!, b[k]!) - joined),
        high: [0, 1, 2].map((k) => Math.max(a[k]!, b[k]!) + joined),
      };
    })
    .sort((p, q) => p.low[0]! - q.low[0]!);
  const pairs: [string, string][] = [];
  let open: typeof boxes = [];
  for (const box of boxes) {
    open = open.filter((other) => other.high[0]! >= box.low[0]!);
    for (const other of open)
      if ([1, 2].every((k) => other.low[k]! <= box.high[k]! && box.low[k]! <= other.high[k]!))
        pairs.push([other.id, box.id]);
    open.push(box);
  }
  return pairs;
}

/** A place where two members cross, at neither's end or at one's end only. */
export interface Crossing {
  readonly members: readonly [string, string];
  readonly at: Point;
}

/** Crossings within a gap of 1e-4 m of members that share no node. */
export function crossingsOf(draft: Draft, members: readonly string[]): Crossing[] {
  const found: Crossing[] = [];
  for (const [p, q] of nearPairs(draft, members)) {
    const [a, b] = [draft.members.get(p)!, draft.members.get(q)!];
    if ([a.start, a.end].some((node) => node === b.start || node === b.end)) continue;
    const near = nearestApproach([draft.at(a.start), draft.at(a.end)], [draft.at(b.start), draft.at(b.end)]);
    if (!near || near.gap > joined) continue;
    const [slackA, slackB] = [joined / draft.lengthOf(a), joined / draft.lengthOf(b)];
    if (near.s < -slackA || near.s > 1 + slackA || near.t < -slackB || near.t > 1 + slackB) continue;
    found.push({ members: [p, q], at: near.at });
  }
  return found;
}

/** Puts a node at each crossing, which both members go through. Returns how many. */
export function joinCrossings(draft: Draft, members: readonly string[]): number {
  const crossings = crossingsOf(draft, members);
  const divided = new Map<string, DividedMember>();
  const dividedOf = (id: string): DividedMember => {
    let found = divided.get(id);
    if (!found) divided.set(id, (found = new DividedMember(draft, id)));
    return found;
  };
  crossings.forEach(({ members: pair, at }, k) => {
    const on = pair.map((id) => ({ member: dividedOf(id), found: dividedOf(id).at(at) }));
    const known = on.find(({ found }) => found.node !== undefined)?.found.node;
    const node =
      known ?? draft.addNode(`${draft.step}.crossing.${k + 1}`, at, { step: draft.step, place: 'crossing' });
    for (const { member, found } of on)
      if (found.node === undefined) member.divide(found.piece!, node);
      else if (found.node !== node) draft.mergeNodes(found.node, node);
  });
  return crossings.length;
}

/** A member, and the pieces into which it has been divided meanwhile, in order: a place on it is found by halving. */
class DividedMember {
  private pieces: string[];
  private readonly from: Point;
  private readonly along: Point;

  constructor(
    private readonly draft: Draft,
    id: string,
  ) {
    const { start, end } = draft.members.get(id)!;
    this.pieces = [id];
    this.from = draft.at(start);
    this.along = minus(draft.at(end), this.from);
  }

  /** The node at a place on it, or the piece to be divided there. */
  at(place: Point): { piece?: string; node?: string } {
    const share = this.shareOf(place);
    let [low, high] = [0, this.pieces.length - 1];
    while (low < high) {
      const middle = (low + high) >> 1;
      const piece = this.draft.members.get(this.pieces[middle]!);
      // Where a merge has taken a piece away, what is left is looked for anew
      if (!piece) return this.withoutLost().at(place);
      if (this.shareOf(this.draft.at(piece.end)) < share) low = middle + 1;
      else high = middle;
    }
    const id = this.pieces[low];
    const piece = id === undefined ? undefined : this.draft.members.get(id);
    if (!piece) return id === undefined ? {} : this.withoutLost().at(place);
    for (const node of [piece.start, piece.end, this.draft.members.get(this.pieces[low + 1] ?? '')?.end])
      if (node !== undefined && size(minus(this.draft.at(node), place)) < joined) return { node };
    return { piece: id! };
  }

  divide(piece: string, node: string): void {
    this.draft.dividePiece(piece, node);
    const at = this.pieces.indexOf(piece);
    this.pieces.splice(at, 1, `${piece}.1`, `${piece}.2`);
  }

  private withoutLost(): this {
    this.pieces = this.pieces.filter((id) => this.draft.members.has(id));
    return this;
  }

  private shareOf(place: Point): number {
    return dot(minus(place, this.from), this.along) / dot(this.along, this.along);
  }
}
