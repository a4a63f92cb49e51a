import type { PlacedShapes } from './placed-shapes.js';

/** A mode or buckling shape, and the one of the reference that is most like it. */
export interface PairedShape {
  /** From 1; rigid motions are not counted. */
  readonly mode: number;
  /** Hz, or a critical factor. */
  readonly value: number;
  /** Null where none of the reference is like it. */
  readonly pair: {
    readonly mode: number;
    /** Modal assurance criterion, 0 to 1. */
    readonly mac: number;
    /** Value over the reference's. */
    readonly ratio: number;
    /** It is drawn the other way round: its displacements times −1 are like the reference's. */
    readonly turned: boolean;
  } | null;
}

/** Below this two shapes are not the same one. */
const leastAlike = 0.5;

/** Each shape with at most one of the reference, the most alike first. Empty pairs where the two frames have nothing in common. */
export function pairShapes(own: PlacedShapes, reference: PlacedShapes): PairedShape[] {
  const shared = sharedPlaces(own, reference);
  const before = reference.shapes.map(({ moves }) => sized(moves, shared, 'reference'));
  const alike = own.shapes
    .map(({ moves }) => sized(moves, shared, 'own'))
    .flatMap((a, i) => before.map((b, k) => ({ i, k, ...likeness(a, b, shared) })))
    .filter(({ mac }) => mac >= leastAlike)
    .sort((a, b) => b.mac - a.mac);
  const pairs = new Map<number, NonNullable<PairedShape['pair']>>();
  const taken = new Set<number>();
  for (const { i, k, mac, turned } of alike) {
    if (pairs.has(i) || taken.has(k)) continue;
    taken.add(k);
    const ratio = own.shapes[i]!.value / reference.shapes[k]!.value;
    pairs.set(i, { mode: k + 1, mac, ratio, turned });
  }
  return own.shapes.map(({ value }, i) => ({ mode: i + 1, value, pair: pairs.get(i) ?? null }));
}

/** A place that two frames have: its number in each, and the reference's mass there, kg. */
interface SharedPlace {
  readonly mass: number;
  readonly own: number;
  readonly reference: number;
}

function sharedPlaces(own: PlacedShapes, reference: PlacedShapes): SharedPlace[] {
  const numbers = new Map(own.places.map((name, i) => [name, i]));
  return reference.places.flatMap((name, i): SharedPlace[] => {
    const other = numbers.get(name);
    return other === undefined ? [] : [{ mass: reference.masses[i]!, own: other, reference: i }];
  });
}

interface Sized {
  readonly moves: Float64Array;
  readonly of: 'own' | 'reference';
  /** φᵀ·M·φ over the shared places. */
  readonly size: number;
}

function sized(moves: Float64Array, shared: readonly SharedPlace[], of: Sized['of']): Sized {
  const size = shared.reduce((sum, place) => {
    const at = 3 * place[of];
    return sum + place.mass * (moves[at]! ** 2 + moves[at + 1]! ** 2 + moves[at + 2]! ** 2);
  }, 0);
  return { moves, of, size };
}

/** (φᵀ·M·ψ)² / (φᵀ·M·φ · ψᵀ·M·ψ), 0 where one of them moves nothing; turned where φᵀ·M·ψ is negative. */
function likeness(a: Sized, b: Sized, shared: readonly SharedPlace[]): { mac: number; turned: boolean } {
  const inner = shared.reduce((sum, place) => {
    const [u, v] = [3 * place[a.of], 3 * place[b.of]];
    const product =
      a.moves[u]! * b.moves[v]! + a.moves[u + 1]! * b.moves[v + 1]! + a.moves[u + 2]! * b.moves[v + 2]!;
    return sum + place.mass * product;
  }, 0);
  const size = a.size * b.size;
  return { mac: size > 0 ? Math.min(1, inner ** 2 / size) : 0, turned: inner < 0 };
}
