import type { VibrationMode } from '../../analysis/index.js';
import type { Analysed } from '../stages/index.js';

/** A mode and the one of the reference that is most like it. */
export interface PairedMode {
  /** From 1; rigid motions are not counted. */
  readonly mode: number;
  /** Hz. */
  readonly frequency: number;
  /** Null where none of the reference is like it. */
  readonly pair: {
    readonly mode: number;
    /** Modal assurance criterion, 0 to 1. */
    readonly mac: number;
    /** Frequency over the reference's. */
    readonly ratio: number;
  } | null;
}

/** The elastic modes of a frame. */
export interface Modes {
  readonly forces: Pick<Analysed, 'frame' | 'model'>;
  readonly modes: readonly VibrationMode[];
}

/** Places along a physical member, both ends among them. */
const places = 21;
/** Below this two modes are not the same one. */
const leastAlike = 0.5;

/** A place that two frames have: where it is in each, and the reference's mass there, kg. */
interface SharedPlace {
  readonly mass: number;
  readonly reference: Place;
  readonly own: Place;
}

type Place = { readonly node: number } | { readonly member: number; readonly x: number };

/** Each mode with at most one of the reference, the most alike first. Empty pairs where the two have nothing in common. */
export function pairModes(own: Modes, reference: Modes): PairedMode[] {
  const shared = sharedPlaces(own, reference);
  const shapes = own.modes.map((mode) => shared.map((place) => moveAt(mode, place.own)));
  const before = reference.modes.map((mode) => shared.map((place) => moveAt(mode, place.reference)));
  const masses = shared.map(({ mass }) => mass);
  const alike = shapes
    .flatMap((a, i) => before.map((b, k) => ({ i, k, mac: assurance(a, b, masses) })))
    .filter(({ mac }) => mac >= leastAlike)
    .sort((a, b) => b.mac - a.mac);
  const pairs = new Map<number, NonNullable<PairedMode['pair']>>();
  const taken = new Set<number>();
  for (const { i, k, mac } of alike) {
    if (pairs.has(i) || taken.has(k)) continue;
    taken.add(k);
    pairs.set(i, { mode: k + 1, mac, ratio: own.modes[i]!.frequency / reference.modes[k]!.frequency });
  }
  return own.modes.map(({ frequency }, i) => ({ mode: i + 1, frequency, pair: pairs.get(i) ?? null }));
}

/** (φᵀ·M·ψ)² / (φᵀ·M·φ · ψᵀ·M·ψ), 0 where one of them moves nothing. */
function assurance(a: readonly Move[], b: readonly Move[], masses: readonly number[]): number {
  const inner = (p: readonly Move[], q: readonly Move[]) =>
    masses.reduce((sum, mass, i) => {
      const [u, v] = [p[i]!, q[i]!];
      return sum + mass * (u[0] * v[0] + u[1] * v[1] + u[2] * v[2]);
    }, 0);
  const size = inner(a, a) * inner(b, b);
  return size > 0 ? Math.min(1, inner(a, b) ** 2 / size) : 0;
}

type Move = readonly [number, number, number];

function moveAt(mode: VibrationMode, place: Place): Move {
  if ('member' in place) return mode.moveAlong(place.member, place.x);
  const at = 6 * place.node;
  return [mode.shape[at]!, mode.shape[at + 1]!, mode.shape[at + 2]!];
}

/** Places along the physical members of the same name, with ρ·A·L/20 at each and half at the ends; nodes with their given masses. */
function sharedPlaces(own: Modes, reference: Modes): SharedPlace[] {
  const [others, lines] = [linesOf(own), linesOf(reference)];
  const along = [...lines].flatMap(([name, line]): SharedPlace[] => {
    const other = others.get(name);
    if (!other) return [];
    return Array.from({ length: places }, (_, i) => {
      const share = i / (places - 1);
      const place = placeOn(line, share);
      const { sections } = reference.forces.frame;
      const { material, properties } = sections[place.member]!;
      const step = line.length / (places - 1);
      const mass = material.density * properties.A * step * (i === 0 || i === places - 1 ? 0.5 : 1);
      return { mass, reference: place, own: placeOn(other, share) };
    });
  });
  const { frame } = reference.forces;
  const atNodes = frame.nodeIds.flatMap((id, node): SharedPlace[] => {
    const other = own.forces.frame.nodeIndex.get(id);
    const mass = frame.masses[node]!;
    return other === undefined || !(mass > 0) ? [] : [{ mass, reference: { node }, own: { node: other } }];
  });
  return [...along, ...atNodes];
}

interface Line {
  readonly length: number;
  /** Pieces from its start on, m. */
  readonly pieces: readonly { readonly member: number; readonly from: number; readonly length: number }[];
}

/** Physical members by name. */
function linesOf({ forces: { frame, model } }: Modes): Map<string, Line> {
  const lines = new Map<string, { length: number; pieces: Line['pieces'][number][] }>();
  model.members.forEach(({ id, design }, member) => {
    const name = design?.group ?? id;
    const line = lines.get(name) ?? { length: 0, pieces: [] };
    lines.set(name, line);
    line.pieces.push({ member, from: line.length, length: frame.length[member]! });
    line.length += frame.length[member]!;
  });
  return lines;
}

function placeOn({ length, pieces }: Line, share: number): { readonly member: number; readonly x: number } {
  const at = share * length;
  const piece =
    pieces.find(({ from, length: own }) => at <= from + own + 1e-9 * length) ?? pieces[pieces.length - 1]!;
  return { member: piece.member, x: Math.min(piece.length, Math.max(0, at - piece.from)) };
}
