import { distance, type Framed, type Line, type NodeOf } from './framed.js';

/** Nodes and physical members that are the same in two frames, by id, from the frame before to the one after. */
export interface MatchedFrames {
  readonly nodes: ReadonlyMap<string, string>;
  readonly lines: ReadonlyMap<string, string>;
}

/** Places this near are one, m. */
const onePlace = 1e-3;
/** What moved less than this share of the frame's size may be the same. */
const nearShare = 0.05;

/** Matches by name, then by place, then what is nearest and has the same role. */
export function matchFrames(before: Framed, after: Framed): MatchedFrames {
  const nodes = matchNodes(before, after);
  return { nodes, lines: matchLines(before, after, nodes) };
}

function matchNodes(before: Framed, after: Framed): Map<string, string> {
  const matched = new Map<string, string>();
  for (const id of before.nodes.keys()) if (after.nodes.has(id)) matched.set(id, id);
  const taken = new Set(matched.values());
  const left = [...before.nodes.values()].filter(({ id }) => !matched.has(id));
  const free = [...after.nodes.values()].filter(({ id }) => !taken.has(id));
  matchNearest(left, free, onePlace, () => true, matched);
  matchNearest(
    left,
    free,
    nearShare * Math.max(before.size, after.size),
    (a, b) => a.role === b.role,
    matched,
  );
  return matched;
}

/** Pairs what is nearest first, each once, within a distance. */
function matchNearest(
  left: readonly NodeOf[],
  free: readonly NodeOf[],
  within: number,
  alike: (a: NodeOf, b: NodeOf) => boolean,
  matched: Map<string, string>,
): void {
  const taken = new Set(matched.values());
  const others = [...free].filter(({ id }) => !taken.has(id)).sort((a, b) => a.at[0] - b.at[0]);
  const pairs = left
    .filter(({ id }) => !matched.has(id))
    .flatMap((one) =>
      slabOf(others, one.at[0], within).flatMap((other) => {
        const apart = distance(one.at, other.at);
        return apart <= within && alike(one, other) ? [{ one, other, apart }] : [];
      }),
    )
    .sort((a, b) => a.apart - b.apart);
  for (const { one, other } of pairs) {
    if (matched.has(one.id) || taken.has(other.id)) continue;
    matched.set(one.id, other.id);
    taken.add(other.id);
  }
}

/** Nodes, in order of x, with x within a distance. */
function slabOf(nodes: readonly NodeOf[], x: number, within: number): readonly NodeOf[] {
  const first = (bound: number): number => {
    let [low, high] = [0, nodes.length];
    while (low < high) {
      const middle = (low + high) >> 1;
      if (nodes[middle]!.at[0] < bound) low = middle + 1;
      else high = middle;
    }
    return low;
  };
  return nodes.slice(first(x - within), first(x + within + 1e-9));
}

/** Members by name, then those between matched nodes that have the same role. */
function matchLines(before: Framed, after: Framed, nodes: ReadonlyMap<string, string>): Map<string, string> {
  const matched = new Map<string, string>();
  for (const id of before.lines.keys()) if (after.lines.has(id)) matched.set(id, id);
  const taken = new Set(matched.values());
  const byEnds = new Map<string, Line[]>();
  for (const line of after.lines.values())
    if (!taken.has(line.id)) {
      const key = keyOf(line.ends[0], line.ends[1]);
      byEnds.set(key, [...(byEnds.get(key) ?? []), line]);
    }
  for (const line of before.lines.values()) {
    if (matched.has(line.id)) continue;
    const [start, end] = [nodes.get(line.ends[0]), nodes.get(line.ends[1])];
    if (start === undefined || end === undefined) continue;
    const found = byEnds.get(keyOf(start, end))?.find(({ id, role }) => role === line.role && !taken.has(id));
    if (!found) continue;
    matched.set(line.id, found.id);
    taken.add(found.id);
  }
  return matched;
}

const keyOf = (a: string, b: string): string => (a < b ? `${a}\n${b}` : `${b}\n${a}`);
