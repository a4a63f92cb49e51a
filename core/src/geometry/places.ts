import type { Geometry } from './geometry.js';
import type { Namer } from './names.js';
import { lengthOfLine } from './select.js';
import { between, distance, type Point } from './vector.js';

/** A place of the frame that steps can name, so that what is drawn to it stays attached. */
export interface NamedPlace {
  /** A node's name, or "member@fraction". */
  readonly name: string;
  /** In words: "apex", "1/3 of left rafter". */
  readonly title: string;
  /** m, global. */
  readonly at: Point;
}

/** Fractions within this of a usual one are taken as that one; at the ends twice as far. */
const reach = 0.02;
const denominators = [1, 2, 3, 4, 5, 6];

/**
 * The place of a member that was meant by a fraction of one of its pieces: a node, the middle, thirds and other simple fractions of the
 * physical member, or the fraction itself, rounded to hundredths.
 *
 * @returns undefined where there is no such member
 */
export function placeOn(
  geometry: Geometry,
  namer: Namer,
  member: string,
  fraction: number,
): NamedPlace | undefined {
  const piece = geometry.members.get(member);
  const line = geometry.lines.get(piece?.line ?? '');
  if (!piece || !line) return undefined;
  const whole = lengthOfLine(geometry, line.members);
  let before = 0;
  for (const id of line.members) {
    if (id === member) break;
    before += lengthOf(geometry, id);
  }
  const along = (before + fraction * lengthOf(geometry, member)) / whole;
  const node = nodeNear(geometry, line.members, along, whole);
  if (node !== undefined) return { name: node, title: namer.node(node), at: geometry.nodes.get(node)!.at };
  const text = fractionNear(along) ?? String(Number(along.toFixed(2)));
  return {
    name: `${line.id}@${text}`,
    title: `${text} of ${namer.member(line.id)}`,
    at: pointAt(geometry, line.members, valueOf(text) * whole),
  };
}

function lengthOf(geometry: Geometry, id: string): number {
  const { start, end } = geometry.members.get(id)!;
  return distance(geometry.nodes.get(start)!.at, geometry.nodes.get(end)!.at);
}

/** A node of the line near a fraction of it; the ends reach farther. */
function nodeNear(
  geometry: Geometry,
  pieces: readonly string[],
  fraction: number,
  whole: number,
): string | undefined {
  let x = 0;
  const stations = [{ node: geometry.members.get(pieces[0]!)!.start, fraction: 0 }];
  for (const id of pieces) {
    x += lengthOf(geometry, id);
    stations.push({ node: geometry.members.get(id)!.end, fraction: x / whole });
  }
  const last = stations.length - 1;
  return stations.find(
    (station, i) => Math.abs(station.fraction - fraction) <= (i === 0 || i === last ? 2 * reach : reach),
  )?.node;
}

function fractionNear(fraction: number): string | undefined {
  let best: string | undefined;
  let least = reach;
  for (const below of denominators)
    for (let above = 1; above < below; above++) {
      const off = Math.abs(above / below - fraction);
      // Of equal ones the simplest, which comes first, stays
      if (off >= least - 1e-9) continue;
      least = off;
      best = `${above}/${below}`;
    }
  return best;
}

function valueOf(text: string): number {
  const [above, below = '1'] = text.split('/');
  return Number(above) / Number(below);
}

function pointAt(geometry: Geometry, pieces: readonly string[], x: number): Point {
  let rest = x;
  for (const id of pieces) {
    const own = lengthOf(geometry, id);
    const { start, end } = geometry.members.get(id)!;
    const [a, b] = [geometry.nodes.get(start)!.at, geometry.nodes.get(end)!.at];
    if (rest <= own || id === pieces.at(-1)) return between(a, b, rest / own);
    rest -= own;
  }
  throw new Error('a line without pieces');
}
