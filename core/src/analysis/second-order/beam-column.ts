import { shiftOrigin } from '../polynomial.js';
import {
  endAt,
  forceRow,
  fromForcesAt,
  mixedAt,
  PieceMatrices,
  pieceSize,
  startAt,
  transferAt,
} from './piece.js';
import {
  apply,
  applyTransposed,
  inverse,
  minusTimesTransposed,
  minusTransposedTimes,
  negatives,
  times,
  type Width,
} from './planes.js';
import { flexibilityAt, longestStep, Series, type Across, type Stretch } from './series.js';
import { flexibilityCount, type Flexibility } from '../frame/taper.js';

/** The beam-column between two breaks, cut into stretches of one series each. */
interface Piece {
  readonly from: number;
  readonly segment: number;
  /** Where it begins in its segment, m. */
  readonly offset: number;
  readonly stretch: Stretch & { readonly N: [number, number, number, number] };
}

/** Stiffness of a member in bending under its axial force, exact within the theory for one element. */
export interface BeamColumn {
  /** Pieces of each segment. */
  readonly counts: readonly number[];
  readonly pieces: readonly Piece[];
  /** Of each piece: what it is to its ends (`pieceSize` numbers). */
  readonly matrices: Float64Array;
  /** Of each joint between pieces, before it was eliminated: its inverse, and its coupling with the member's start, 4 × 4 each. */
  readonly joints: Float64Array;
  /** Over w, ψw, v, ψv at start, then at end, 8 × 8. */
  readonly K: Float64Array;
  /** Ways the member itself buckles between clamped ends under less than this force. */
  readonly buckled: number;
  /** False where compression exceeds the shear stiffness itself. */
  readonly possible: boolean;
}

type EmptyColumn = Omit<BeamColumn, 'buckled' | 'possible'>;

/** Numbers that a joint keeps. */
const jointSize = 32;

/** Most pieces between two breaks. */
const mostPieces = 400;

/**
 * Builds a member's bending stiffness under an axial force given on each segment between breaks.
 *
 * @returns undefined for a member that tension has made a rope: bending plays no part in it beyond its very ends
 * @param axial four coefficients a segment: N as a polynomial of the distance from the segment's start, N
 * @param free planes in which the axial force acts on the deflection, w then v
 * @param before the same member under another axial force: what it is made of is taken over, and it holds nothing any more
 */
export function beamColumn(
  breaks: Float64Array,
  flexibility: Flexibility,
  axial: Float64Array,
  free: Stretch['free'] = [true, true],
  before?: BeamColumn,
): BeamColumn | undefined {
  const cut = cutInPieces(breaks, flexibility, axial);
  if (!cut) return undefined;
  const { counts, possible } = cut;
  const column =
    before && sameCounts(before.counts, counts) ? before : emptyColumn(breaks, flexibility, counts, free);
  for (const { segment, offset, stretch } of column.pieces) {
    for (let i = 0; i < 4; i++) room.moving[i] = axial[4 * segment + i]!;
    shiftOrigin(room.moving, 0, 4, offset);
    for (let i = 0; i < 4; i++) stretch.N[i] = room.moving[i]!;
  }
  const buckled = condense(column, widthOf(flexibility));
  return { ...column, buckled, possible };
}

function sameCounts(a: readonly number[], b: readonly number[]): boolean {
  for (let s = 0; s < b.length; s++) if (a[s] !== b[s]) return false;
  return a.length === b.length;
}

/** How many pieces each segment needs under an axial force, and whether any column resists it; undefined for a rope. */
function cutInPieces(
  breaks: Float64Array,
  { coefficients: c, terms, uniform }: Flexibility,
  axial: Float64Array,
): { counts: number[]; possible: boolean } | undefined {
  const counts: number[] = [];
  let possible = true;
  for (let s = 0; s + 1 < breaks.length; s++) {
    const h = breaks[s + 1]! - breaks[s]!;
    const at = flexibilityAt(uniform, terms, s);
    const N = axial[4 * s]!;
    const atEnd = N + (axial[4 * s + 1]! + (axial[4 * s + 2]! + axial[4 * s + 3]! * h) * h) * h;
    const most = Math.max(Math.abs(N), Math.abs(atEnd));
    const least = Math.min(N, atEnd);
    const softest = Math.max(c[at + terms]!, c[at + 3 * terms]!);
    const wanted = Math.ceil((Math.sqrt(most * softest) * h) / longestStep);
    // Compression that buckles the piece between its ends in a hundred waves needs no finer look
    if (least < 0 && wanted > mostPieces) possible = false;
    else if (wanted > mostPieces) return undefined;
    counts.push(possible ? Math.max(1, wanted) : 1);
    const shear = Math.max(c[at + 5 * terms]!, c[at + 6 * terms]!);
    if (!(1 + shear * least > 0)) possible = false;
  }
  return { counts, possible };
}

/** The pieces of a member, and room for what they come to. */
function emptyColumn(
  breaks: Float64Array,
  flexibility: Flexibility,
  counts: readonly number[],
  free: Stretch['free'],
): EmptyColumn {
  const pieces: Piece[] = [];
  counts.forEach((count, segment) => {
    const h = breaks[segment + 1]! - breaks[segment]!;
    for (let i = 0; i < count; i++) {
      const offset = (h * i) / count;
      const stretch = stretchAt(flexibility, segment, { h: h / count, free }, offset);
      pieces.push({ from: breaks[segment]! + offset, segment, offset, stretch });
    }
  });
  const sizes = [pieceSize * pieces.length, jointSize * (pieces.length - 1)] as const;
  // One array for all: thousands of small ones are slow to make
  const matrices = new Float64Array(sizes[0] + sizes[1] + 64);
  const joints = matrices.subarray(sizes[0], sizes[0] + sizes[1]);
  return { counts, pieces, matrices, joints, K: matrices.subarray(sizes[0] + sizes[1]) };
}

/** The stretch of a segment from `offset` on, its flexibilities' polynomials shifted to start there; without force. */
function stretchAt(
  { coefficients, terms, uniform }: Flexibility,
  segment: number,
  { h, free }: Pick<Stretch, 'h' | 'free'>,
  offset: number,
): Piece['stretch'] {
  const at = flexibilityAt(uniform, terms, segment);
  const N: Piece['stretch']['N'] = [0, 0, 0, 0];
  if (offset === 0 || terms === 1) return { h, flexibility: coefficients, at, terms, N, free };
  const moved = coefficients.slice(at, at + 7 * terms);
  for (let k = 0; k < 7; k++) shiftOrigin(moved, k * terms, terms, offset);
  return { h, flexibility: moved, at: 0, terms, N, free };
}

/** Whether a product of inertia couples the planes anywhere. */
function widthOf({ coefficients, terms }: Flexibility): Width {
  for (let at = 2 * terms; at < coefficients.length; at += flexibilityCount * terms)
    for (let j = 0; j < terms; j++) if (coefficients[at + j] !== 0) return 4;
  return 2;
}

const pieceMatrices = new PieceMatrices();

/** Matrices and vectors that are worked with while a column is made, and hold nothing afterwards. */
const room = {
  start: new Float64Array(16),
  mixed: new Float64Array(16),
  last: new Float64Array(16),
  inverted: new Float64Array(16),
  left: new Float64Array(16),
  right: new Float64Array(16),
  state: new Float64Array(8),
  moving: new Float64Array(4),
  a: new Float64Array(4),
  b: new Float64Array(4),
};

/**
 * Writes the matrices of the pieces, and the member's stiffness with the joints between them eliminated.
 *
 * @returns ways in which the joints buckle
 */
function condense({ pieces, matrices, joints, K }: EmptyColumn, width: Width): number {
  for (let k = 0; k < pieces.length; k++)
    pieceMatrices.write(pieces[k]!.stretch, width, matrices, pieceSize * k);
  const { start, mixed, last, inverted, left, right } = room;
  for (let i = 0; i < 16; i++) {
    start[i] = matrices[startAt + i]!;
    mixed[i] = matrices[mixedAt + i]!;
    last[i] = matrices[endAt + i]!;
    // Between planes that are apart nothing is written
    inverted[i] = 0;
  }
  let buckled = 0;
  for (let k = 1; k < pieces.length; k++) {
    const piece = pieceSize * k;
    const joint = jointSize * (k - 1);
    // The joint's own stiffness: of the end before it and the start after
    for (let i = 0; i < 16; i++) last[i]! += matrices[piece + startAt + i]!;
    buckled += negatives(last, width);
    inverse(last, inverted, 0, width);
    for (let i = 0; i < 16; i++) {
      joints[joint + i] = inverted[i]!;
      joints[joint + 16 + i] = mixed[i]!;
    }
    times(mixed, inverted, 0, left, width);
    minusTimesTransposed(start, left, mixed, 0, width);
    times(inverted, matrices, piece + mixedAt, right, width);
    for (let i = 0; i < 16; i++) last[i] = matrices[piece + endAt + i]!;
    minusTransposedTimes(last, matrices, piece + mixedAt, right, width);
    times(left, matrices, piece + mixedAt, mixed, width);
    for (let i = 0; i < 16; i++) mixed[i] = -mixed[i]!;
  }
  for (let i = 0; i < 4; i++)
    for (let j = 0; j < 4; j++) {
      K[8 * i + j] = start[4 * i + j]!;
      K[8 * (4 + i) + 4 + j] = last[4 * i + j]!;
      K[8 * i + 4 + j] = K[8 * (4 + j) + i] = mixed[4 * i + j]!;
    }
  return buckled;
}

/** What loads do to a clamped beam-column: forces of its ends, and of its joints on the way. */
export interface ClampedColumn {
  /** Over w, ψw, v, ψv at start, then at end. */
  readonly f: Float64Array;
  /** Four of each joint before it was eliminated. */
  readonly joints: Float64Array;
  readonly across: readonly Across[];
  /** w, ψw, v, ψv and Mw, Hw, Mv, Hv at each piece's end under its loads alone: eight a piece. */
  readonly particular: Float64Array;
  /** Forces of each piece's ends if both were clamped: eight a piece. */
  readonly ends: Float64Array;
}

const series = new Series();
const atRest = new Float64Array(8);

/** Room for what loads across some pieces do. */
function emptyClamped(count: number, across: readonly Across[]): ClampedColumn {
  const made = new Float64Array(20 * count + 4);
  return {
    across,
    particular: made.subarray(0, 8 * count),
    joints: made.subarray(8 * count, 12 * count - 4),
    ends: made.subarray(12 * count - 4, 20 * count - 4),
    f: made.subarray(20 * count - 4),
  };
}

/**
 * Clamped forces under loads across each piece and jumps (point loads: Hw, Mw, Hv, Mv by which forces grow) at joints.
 *
 * @param before the same member and loads under another axial force: its arrays are taken over, and it holds nothing any more
 */
export function clampColumn(
  column: BeamColumn,
  across: readonly Across[],
  jumps: readonly (Float64Array | undefined)[],
  before?: ClampedColumn,
): ClampedColumn {
  const { pieces, matrices } = column;
  const count = pieces.length;
  const clamped = before?.across === across ? before : emptyClamped(count, across);
  const { particular, joints, ends, f } = clamped;
  const { state, a, b } = room;
  for (let k = 0; k < count; k++) {
    const { stretch } = pieces[k]!;
    series.solve(stretch, atRest, across[k]);
    series.at(stretch.h, state);
    for (let i = 0; i < 4; i++) {
      const place = 4 * (i >> 1) + (i & 1);
      particular[8 * k + i] = state[place]!;
      particular[8 * k + 4 + i] = state[place + 2]!;
    }
    clampPiece(matrices, k, particular, ends);
  }
  // The start and the end of the part that has been joined, in f
  for (let i = 0; i < 8; i++) f[i] = ends[i]!;
  for (let k = 0; k + 1 < count; k++) {
    const jump = jumps[k + 1];
    // Forces that grow by a jump are brought by the joint: H after − H before on the next piece's start
    for (let i = 0; i < 4; i++) joints[4 * k + i] = f[4 + i]! + ends[8 * k + 8 + i]! - (jump?.[i] ?? 0);
    apply(column.joints, jointSize * k, joints, 4 * k, a);
    apply(column.joints, jointSize * k + 16, a, 0, b);
    for (let i = 0; i < 4; i++) f[i]! -= b[i]!;
    applyTransposed(matrices, pieceSize * (k + 1) + mixedAt, a, 0, b);
    for (let i = 0; i < 4; i++) f[4 + i] = ends[8 * k + 12 + i]! - b[i]!;
  }
  return clamped;
}

/** End forces of one clamped piece from its solution that starts from nothing, eight a piece. */
function clampPiece(matrices: Float64Array, k: number, particular: Float64Array, ends: Float64Array): void {
  const piece = pieceSize * k;
  const { a: fromStart, b: carried } = room;
  apply(matrices, piece + fromForcesAt, particular, 8 * k, fromStart);
  // The end: own forces and those of the start's carried along, which its stiffness holds
  apply(matrices, piece + endAt, particular, 8 * k, carried);
  for (let i = 0; i < 4; i++) {
    const row = forceRow[i]!;
    const sign = i % 2 === 0 ? 1 : -1;
    ends[8 * k + i] = -sign * fromStart[row]!;
    ends[8 * k + 4 + i] = -sign * particular[8 * k + 4 + row]! - carried[i]!;
  }
}

/** State at the start of each piece (w, ψ, M, H of plane w, then v) from the ends' displacements. */
export function pieceStates(
  column: BeamColumn,
  clamped: ClampedColumn | undefined,
  ends: Float64Array,
): Float64Array[] {
  const { pieces, matrices, joints } = column;
  const count = pieces.length;
  // w, ψw, v, ψv at each piece's start, and at the member's end
  const places = new Float64Array(4 * (count + 1));
  places.set(ends.subarray(0, 4));
  places.set(ends.subarray(4, 8), 4 * count);
  const fromStart = new Float64Array(4);
  const fromNext = new Float64Array(4);
  for (let k = count - 2; k >= 0; k--) {
    applyTransposed(joints, jointSize * k + 16, places, 0, fromStart);
    apply(matrices, pieceSize * (k + 1) + mixedAt, places, 4 * (k + 2), fromNext);
    for (let i = 0; i < 4; i++)
      fromNext[i] = -fromStart[i]! - fromNext[i]! - (clamped?.joints[4 * k + i] ?? 0);
    apply(joints, jointSize * k, fromNext, 0, fromStart);
    places.set(fromStart, 4 * (k + 1));
  }
  const moved = new Float64Array(4);
  const s = new Float64Array(4);
  return pieces.map((_, k) => {
    const d = 4 * k;
    apply(matrices, pieceSize * k + transferAt, places, d, moved);
    for (let i = 0; i < 4; i++)
      moved[i] = places[d + 4 + i]! - moved[i]! - (clamped?.particular[8 * k + i] ?? 0);
    apply(matrices, pieceSize * k + fromForcesAt, moved, 0, s);
    return Float64Array.of(
      places[d]!,
      places[d + 1]!,
      s[0]!,
      s[1]!,
      places[d + 2]!,
      places[d + 3]!,
      s[2]!,
      s[3]!,
    );
  });
}
