import type { Frame } from '../analysis/index.js';
import type { Point } from '../geometry/vector.js';
import type { FrameModel } from '../model/types.js';

/** What members and supports are, as numbers that are equal where they are the same; plain data that moves between threads. */
export interface Signatures {
  /** 3 a member: itself, its hinge at the start, its hinge at the end. */
  readonly members: Uint32Array;
  /** 1 a node: its support; 0 without one. */
  readonly supports: Uint32Array;
}

/** Signatures of a frame: where its members are does not enter, so that a parameter that moves them changes none. */
export function signaturesOf(model: FrameModel, frame: Frame): Signatures {
  // Many members are alike: each text is hashed once
  const known = new Map<string, number>();
  const signatureOf = (text: string): number => {
    let hash = known.get(text);
    if (hash === undefined) known.set(text, (hash = hashOf(text)));
    return hash;
  };
  const members = new Uint32Array(3 * model.members.length);
  model.members.forEach(({ section, endSection = '', roll = 0, action = 'frame', hinges }, m) => {
    members[3 * m] = signatureOf(`${section}\n${endSection}\n${roll}\n${action}`);
    if (hinges?.start) members[3 * m + 1] = signatureOf(textOf(hinges.start));
    if (hinges?.end) members[3 * m + 2] = signatureOf(textOf(hinges.end));
  });
  const supports = new Uint32Array(frame.nodeIds.length);
  for (const { node, ...held } of model.supports ?? [])
    supports[frame.nodeIndex.get(node)!] = signatureOf(textOf(held));
  return { members, supports };
}

/** What two frames are told apart by: a scene's members by id, with their ends, m, and signatures. */
interface Told {
  readonly members: { readonly ids: readonly string[]; readonly ends: Float32Array };
  readonly nodes: readonly string[];
  readonly points: Float32Array;
  readonly signatures?: Signatures;
}

/** Members and places of a frame that are not so in another one, m. */
export interface Differing {
  /** Ends of members that are there alone, or of another section or action. */
  readonly members: readonly (readonly [Point, Point])[];
  /** Where a support or a hinge is another one. */
  readonly places: readonly Point[];
}

/** What of a frame is otherwise than in a reference. */
export function differingFrom(own: Told, reference: Told): Differing {
  const [mine, others] = [own.signatures, reference.signatures];
  if (!mine || !others) return { members: [], places: [] };
  const indexOf = new Map(reference.members.ids.map((id, m) => [id, m]));
  const members: [Point, Point][] = [];
  const places: Point[] = [];
  own.members.ids.forEach((id, m) => {
    const other = indexOf.get(id);
    const [a, b] = [pointIn(own.members.ends, 2 * m), pointIn(own.members.ends, 2 * m + 1)];
    const isSame = (k: number) => mine.members[3 * m + k] === others.members[3 * other! + k];
    if (other === undefined || !isSame(0)) members.push([a, b]);
    if (other === undefined) return;
    if (!isSame(1)) places.push(a);
    if (!isSame(2)) places.push(b);
  });
  const nodeIndex = new Map(reference.nodes.map((id, n) => [id, n]));
  own.nodes.forEach((id, n) => {
    const other = nodeIndex.get(id);
    const before = other === undefined ? 0 : others.supports[other];
    if (mine.supports[n] !== before) places.push(pointIn(own.points, n));
  });
  return { members, places };
}

const pointIn = (values: Float32Array, k: number): Point => [
  values[3 * k]!,
  values[3 * k + 1]!,
  values[3 * k + 2]!,
];

/** What is held or let go, in an order of its own. */
const textOf = (parts: object): string =>
  Object.entries(parts)
    .map(([name, value]) => `${name}:${JSON.stringify(value)}`)
    .sort()
    .join();

/** FNV-1a of a text, never 0. */
function hashOf(text: string): number {
  let hash = 0x811c9dc5;
  for (let i = 0; i < text.length; i++) hash = Math.imul(hash ^ text.charCodeAt(i), 0x01000193);
  return hash >>> 0 || 1;
}
