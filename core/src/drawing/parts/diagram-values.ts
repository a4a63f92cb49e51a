import type { Frame } from '../../analysis/index.js';
import type { GeometryMember } from '../../geometry/geometry.js';
import { forceCandidates, pointOn, type ForceName, type NamedField } from '../../results/index.js';

/** How many values of a diagram are told at the most. */
const mostTold = 60;
/** What is smaller than this share of the greatest value of the drawing is told of no member. */
const leastGoverning = 1e-3;
/** From which share of it on a member's value of the other sign is told, and those at its ends. */
const leastOther = 0.05;
const leastEnd = 0.15;

/** A value at a place of a member, and the load case or combination it belongs to. */
export interface ToldValue {
  readonly m: number;
  /** m from the piece's start. */
  readonly x: number;
  readonly value: number;
  readonly id: string;
  /** The greatest of its member; told before all others. */
  readonly governs: boolean;
}

/** A value that is told once, and all places at which it reads the same. */
export interface ToldOnce extends ToldValue {
  readonly text: string;
  readonly places: readonly ToldValue[];
}

/** What is known of a member by its id: the line of which it is a piece, and what made it. */
type Known = (id: string) => Pick<GeometryMember, 'line' | 'tags'> | undefined;

/** From how many chords on a row of them is a curve, and how much one turns against the next at the least and at the most, rad. */
const chordsOfCurve = 4;
const leastTurn = 1e-3;
const mostTurn = 0.4;

/** Members by number as they run on: pieces of one line together, and the chords of a curve. */
export function linesOf(frame: Frame, known: Known): number[][] {
  const lines = piecesOf(frame, known);
  const found: number[][] = [];
  for (let i = 0; i < lines.length;) {
    let end = i + 1;
    while (end < lines.length && bendsInto(frame, known, lines[end - 1]!.at(-1)!, lines[end]![0]!)) end++;
    if (end - i >= chordsOfCurve) found.push(lines.slice(i, end).flat());
    else found.push(...lines.slice(i, end));
    i = end;
  }
  return found;
}

/** Whether a member goes on in the next one as a curve does. */
function bendsInto(frame: Frame, known: Known, m: number, next: number): boolean {
  if (frame.end[m] !== frame.start[next]) return false;
  const [a, b] = [m, next].map((one) => known(frame.memberIds[one]!)?.tags);
  if (!a || !b || a['step'] !== b['step'] || a['role'] !== b['role']) return false;
  let cosine = 0;
  for (let k = 0; k < 3; k++) cosine += frame.axes[9 * m + k]! * frame.axes[9 * next + k]!;
  const turn = Math.acos(Math.min(1, cosine));
  return turn > leastTurn && turn < mostTurn;
}

function piecesOf(frame: Frame, known: Known): number[][] {
  const lines = new Map<string, number[]>();
  frame.memberIds.forEach((id, m) => {
    const line = known(id)?.line ?? id;
    const pieces = lines.get(line);
    if (pieces) pieces.push(m);
    else lines.set(line, [m]);
  });
  return [...lines.values()];
}

/**
 * Values that are told of a member: its greatest magnitude, what is greatest on the other side, and of one state what stands at its ends.
 *
 * @param pieces of the member, in order
 * @param most greatest magnitude of the drawing
 */
export function valuesOfMember(
  pieces: readonly number[],
  fieldsOf: (m: number) => readonly NamedField[],
  name: ForceName,
  most: number,
): ToldValue[] {
  const all = pieces.flatMap((m) =>
    fieldsOf(m).flatMap(({ id, field }) =>
      forceCandidates(field, name).map(({ x, value }) => ({ m, x, value, id, governs: false })),
    ),
  );
  if (all.length === 0) return [];
  const greatest = all.reduce((a, b) => (Math.abs(b.value) > Math.abs(a.value) * (1 + 1e-9) ? b : a));
  if (Math.abs(greatest.value) < leastGoverning * most) return [];
  const beyond = all.filter(({ value }) => value * greatest.value < 0);
  const other = beyond.reduce<(typeof all)[number] | undefined>(
    (a, b) => (a && Math.abs(a.value) >= Math.abs(b.value) ? a : b),
    undefined,
  );
  const found: ToldValue[] = [{ ...greatest, governs: true }];
  if (other && Math.abs(other.value) > leastOther * most) found.push(other);
  const isOfOneState = fieldsOf(pieces[0]!).length === 1;
  for (const end of isOfOneState ? [all[0]!, all.at(-1)!] : [])
    if (
      Math.abs(end.value) > leastEnd * most &&
      !found.some((one) => one.m === end.m && Math.abs(one.x - end.x) < 1e-6)
    )
      found.push(end);
  return found;
}

/** The greatest values, what governs a member first; equal ones are told once. */
export function toldOnce(
  frame: Frame,
  values: readonly ToldValue[],
  textOf: (value: number) => string,
): ToldOnce[] {
  const order = [...values].sort(
    (a, b) => Number(b.governs) - Number(a.governs) || Math.abs(b.value) - Math.abs(a.value),
  );
  const byText = new Map<string, ToldValue[]>();
  for (const one of order) {
    const text = textOf(one.value);
    const known = byText.get(text);
    if (!known) byText.set(text, [one]);
    else if (!known.some((other) => isSamePlace(frame, other, one))) known.push(one);
  }
  return [...byText].slice(0, mostTold).map(([text, places]) => ({
    ...places[0]!,
    text: places.length > 1 ? `${text} ×${places.length}` : text,
    places,
  }));
}

function isSamePlace(frame: Frame, a: ToldValue, b: ToldValue): boolean {
  const [p, q] = [pointOn(frame, a.m, a.x), pointOn(frame, b.m, b.x)];
  return Math.hypot(p[0] - q[0], p[1] - q[1], p[2] - q[2]) < 1e-3;
}
