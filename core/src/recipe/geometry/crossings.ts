import type { Draft } from './draft.js';
import { cross, dot, minus, size, add, times, type Point } from './vector.js';
import { joined } from './draft.js';

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
  const lines = [...new Set(members.map((id) => draft.members.get(id)!.line))];
  const crossings = crossingsOf(draft, members);
  crossings.forEach(({ members: [p, q], at }, k) => {
    const on = [p, q].map((id) =>
      nodeOfPiecesAt(draft, draft.members.has(id) ? [id] : piecesOf(draft, lines, id), at),
    );
    const known = on.find((o) => o.node !== undefined)?.node;
    const node =
      known ?? draft.addNode(`${draft.step}.crossing.${k + 1}`, at, { step: draft.step, place: 'crossing' });
    for (const { piece, node: own } of on)
      if (own === undefined) draft.dividePiece(piece!, node);
      else if (own !== node) draft.mergeNodes(own, node);
  });
  return crossings.length;
}

/** Pieces into which a member has been divided meanwhile. */
function piecesOf(draft: Draft, lines: readonly string[], id: string): string[] {
  return lines
    .flatMap((line) => draft.lines.get(line)?.members ?? [])
    .filter((piece) => piece.startsWith(`${id}.`));
}

/** The node at a place on one of some pieces, or the piece to be divided there. */
function nodeOfPiecesAt(
  draft: Draft,
  pieces: readonly string[],
  at: Point,
): { piece?: string; node?: string } {
  for (const piece of pieces) {
    const { start, end } = draft.members.get(piece)!;
    for (const node of [start, end]) if (size(minus(draft.at(node), at)) < joined) return { node };
  }
  for (const piece of pieces) {
    const { start, end } = draft.members.get(piece)!;
    const [a, b] = [draft.at(start), draft.at(end)];
    const d = minus(b, a);
    const share = dot(minus(at, a), d) / dot(d, d);
    if (share > 0 && share < 1) return { piece };
  }
  return {};
}
