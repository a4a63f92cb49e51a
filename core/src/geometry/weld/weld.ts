import { Draft, joined } from '../draft.js';
import type { Geometry } from '../geometry.js';
import { PointGrid, PointOrder } from './nearby.js';
import { along } from '../vector.js';

/**
 * Joins what a step made to what came before: nodes within 1e-4 m become one (the earlier name stays), members are divided at the
 * ends of the other's physical members, and what then lies twice in one line goes, the later one.
 *
 * @param draft all of it; `made` are the nodes and lines that the step added
 */
export function weld(
  draft: Draft,
  before: Geometry,
  made: { nodes: ReadonlySet<string>; lines: ReadonlySet<string> },
): void {
  if (before.nodes.size === 0) return;
  const merged = weldNodes(draft, made.nodes);
  divideAtEnds(draft, before, made.lines);
  const removed = removeDuplicates(draft, made.lines);
  if (merged > 0 || removed > 0) tell(draft, merged, removed);
}

function tell(draft: Draft, merged: number, removed: number): void {
  const parts = [
    ...(merged > 0 ? [`${merged} ${merged === 1 ? 'node' : 'nodes'} joined`] : []),
    ...(removed > 0 ? [`${removed} duplicate ${removed === 1 ? 'member' : 'members'} removed`] : []),
  ];
  draft.note('weld', `Step "${draft.step}": ${parts.join(', ')}.`);
}

/** Joins nodes of the step to nodes that were there, and to one another. Returns how many. */
function weldNodes(draft: Draft, made: ReadonlySet<string>): number {
  const grid = new PointGrid(joined);
  for (const { id, at } of draft.nodes.values()) if (!made.has(id)) grid.add(id, at);
  let merged = 0;
  for (const id of made) {
    const node = draft.nodes.get(id);
    if (!node) continue;
    const kept = grid.firstAt(node.at);
    if (kept === undefined) {
      grid.add(id, node.at);
      continue;
    }
    draft.mergeNodes(id, kept);
    merged++;
  }
  return merged;
}

/** Divides old members at the ends of new lines, and new members at the ends of old lines. */
function divideAtEnds(draft: Draft, before: Geometry, made: ReadonlySet<string>): void {
  const oldLines = [...before.lines.keys()];
  const newLines = [...made];
  divide(draft, oldLines, endsOf(draft, newLines));
  divide(draft, newLines, endsOf(draft, oldLines));
}

function endsOf(draft: Draft, lines: readonly string[]): Set<string> {
  const ends = new Set<string>();
  for (const id of lines) {
    const line = draft.lines.get(id);
    if (!line) continue;
    ends.add(draft.members.get(line.members[0]!)!.start);
    ends.add(draft.members.get(line.members.at(-1)!)!.end);
  }
  return ends;
}

/** Divides the members of lines at those of the nodes that lie on them. Returns how often. */
export function divide(draft: Draft, lines: readonly string[], at: ReadonlySet<string>): number {
  if (lines.length === 0 || at.size === 0) return 0;
  const order = new PointOrder([...at].map((id) => ({ id, at: draft.at(id) })));
  let count = 0;
  for (const id of lines)
    for (const piece of draft.lines.get(id)?.members ?? []) {
      const { start, end } = draft.members.get(piece)!;
      const [a, b] = [draft.at(start), draft.at(end)];
      const length = draft.lengthOf(draft.members.get(piece)!);
      const inside = order
        .within(a, b, joined)
        .filter((point) => point.id !== start && point.id !== end)
        .map((point) => ({ ...along(point.at, a, b), node: point.id }))
        .filter(
          ({ fraction, off }) =>
            off < joined && fraction * length > joined && (1 - fraction) * length > joined,
        )
        .sort((p, q) => p.fraction - q.fraction);
      let rest = piece;
      for (const { node } of inside) {
        draft.dividePiece(rest, node);
        rest = `${rest}.2`;
        count++;
      }
    }
  return count;
}

/** Removes members of the step that join the same nodes as another. Returns how many. */
function removeDuplicates(draft: Draft, made: ReadonlySet<string>): number {
  let removed = 0;
  // Of two the later goes
  for (const line of [...made].reverse())
    for (const id of [...(draft.lines.get(line)?.members ?? [])]) {
      const member = draft.members.get(id);
      if (!member) continue;
      const { start, end } = member;
      for (const other of draft.meetingAt(start)) {
        if (other === id) continue;
        const twin = draft.members.get(other)!;
        if (twin.start !== end && twin.end !== end) continue;
        draft.removeMember(id);
        removed++;
        break;
      }
    }
  return removed;
}

/** Joins all nodes within a tolerance, the earlier of two staying, and removes members that then lie twice. */
export function joinNodes(draft: Draft, among: readonly string[], tolerance: number): number {
  const grid = new PointGrid(tolerance);
  let merged = 0;
  for (const id of among) {
    const { at } = draft.nodes.get(id)!;
    const kept = grid.firstAt(at);
    if (kept === undefined) grid.add(id, at);
    else {
      draft.mergeNodes(id, kept);
      merged++;
    }
  }
  const removed = merged > 0 ? removeDuplicates(draft, new Set(draft.lines.keys())) : 0;
  if (merged > 0) tell(draft, merged, removed);
  return merged;
}
