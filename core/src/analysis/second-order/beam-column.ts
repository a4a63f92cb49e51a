import { invert } from '../dense.js';
import { negativePivots } from '../inertia.js';
import { shiftOrigin } from '../polynomial.js';
import { flexibilityAt, longestStep, Series, type Across, type Stretch } from './series.js';
import type { Flexibility } from '../taper.js';

/** The beam-column between two breaks, cut into stretches of one series each. */
interface Piece {
  readonly from: number;
  readonly segment: number;
  readonly stretch: Stretch;
  /** Transfer of displacements by forces, inverted (4 × 4), and of displacements by displacements. */
  readonly fromForces: Float64Array;
  readonly transfer: Float64Array;
  /** Stiffness over w, ψw, v, ψv at both ends, 8 × 8. */
  readonly K: Float64Array;
}

/** What eliminating the joint behind a piece left. */
interface Joint {
  readonly inverse: Float64Array;
  /** Coupling of the joint with the member's start and with the next joint, 4 × 4 each. */
  readonly toStart: Float64Array;
  readonly toNext: Float64Array;
}

/** Stiffness of a member in bending under its axial force, exact within the theory for one element. */
export interface BeamColumn {
  readonly pieces: readonly Piece[];
  readonly joints: readonly Joint[];
  /** Over w, ψw, v, ψv at start, then at end, 8 × 8. */
  readonly K: Float64Array;
  /** Ways the member itself buckles between clamped ends under less than this force. */
  readonly buckled: number;
  /** False where compression exceeds the shear stiffness itself. */
  readonly possible: boolean;
}

/** Most pieces between two breaks. */
const mostPieces = 400;

/** Sign and place of a piece's end forces: force H and −M at the start, −H and M at the end. */
const forceRow = [1, 0, 3, 2] as const;

/**
 * Builds a member's bending stiffness under an axial force given on each segment between breaks.
 *
 * @returns undefined for a member that tension has made a rope: bending plays no part in it beyond its very ends
 * @param free planes in which the axial force acts on the deflection, w then v
 * @param axial four coefficients a segment: N as a polynomial of the distance from the segment's start, N
 */
export function beamColumn(
  breaks: Float64Array,
  flexibility: Flexibility,
  axial: Float64Array,
  free: Stretch['free'] = [true, true],
): BeamColumn | undefined {
  const pieces: Piece[] = [];
  let possible = true;
  for (let s = 0; s + 1 < breaks.length; s++) {
    const h = breaks[s + 1]! - breaks[s]!;
    const at = flexibilityAt(flexibility.uniform, flexibility.terms, s);
    const N = [axial[4 * s]!, axial[4 * s + 1]!, axial[4 * s + 2]!, axial[4 * s + 3]!] as const;
    const atEnd = N[0] + (N[1] + (N[2] + N[3] * h) * h) * h;
    const most = Math.max(Math.abs(N[0]), Math.abs(atEnd));
    const c = flexibility.coefficients;
    const softest = Math.max(c[at + flexibility.terms]!, c[at + 3 * flexibility.terms]!);
    const wanted = Math.ceil((Math.sqrt(most * softest) * h) / longestStep);
    const squeezed = Math.min(N[0], atEnd) < 0;
    // Compression that buckles the piece between its ends in a hundred waves needs no finer look
    if (squeezed && wanted > mostPieces) possible = false;
    else if (wanted > mostPieces) return undefined;
    const count = possible ? Math.max(1, wanted) : 1;
    for (let i = 0; i < count; i++) {
      const from = (h * i) / count;
      const stretch = stretchAt(flexibility, at, from, h / count, N, free);
      const shear = Math.max(c[at + 5 * flexibility.terms]!, c[at + 6 * flexibility.terms]!);
      if (!(1 + shear * Math.min(N[0], atEnd) > 0)) possible = false;
      pieces.push({ from: breaks[s]! + from, segment: s, stretch, ...stiffnessOf(stretch) });
    }
  }
  return { pieces, ...condense(pieces), possible };
}

/** The stretch of a segment from `from` on, its polynomials shifted to start there. */
function stretchAt(
  flexibility: Flexibility,
  at: number,
  from: number,
  h: number,
  N: Stretch['N'],
  free: Stretch['free'],
): Stretch {
  const moving = Float64Array.from(N);
  shiftOrigin(moving, 0, 4, from);
  const shiftedN = [moving[0]!, moving[1]!, moving[2]!, moving[3]!] as const;
  if (from === 0 || flexibility.terms === 1)
    return { h, flexibility: flexibility.coefficients, at, terms: flexibility.terms, N: shiftedN, free };
  const { terms } = flexibility;
  const moved = flexibility.coefficients.slice(at, at + 7 * terms);
  for (let k = 0; k < 7; k++) shiftOrigin(moved, k * terms, terms, from);
  return { h, flexibility: moved, at: 0, terms, N: shiftedN, free };
}

const series = new Series();
const unit = new Float64Array(8);
const ending = new Float64Array(8);
const transferMatrix = new Float64Array(64);
/** Places of w, ψw, v, ψv, Mw, Hw, Mv, Hv in a series' state. */
const order = [0, 1, 4, 5, 2, 3, 6, 7] as const;

function stiffnessOf(stretch: Stretch): Pick<Piece, 'fromForces' | 'transfer' | 'K'> {
  // Columns: w, ψw, v, ψv, then Mw, Hw, Mv, Hv at the start; rows the same at the end
  const phi = transferMatrix;
  for (let j = 0; j < 8; j++) {
    unit.fill(0);
    unit[order[j]!] = 1;
    series.solve(stretch, unit, undefined);
    series.at(stretch.h, ending);
    for (let i = 0; i < 8; i++) phi[8 * i + j] = ending[order[i]!]!;
  }
  const block = (r: number, c: number) => part(phi, r, c);
  const transfer = block(0, 0);
  const fromForces = invert(block(0, 4), 4);
  const forceByDisplacement = block(4, 0);
  const forceByForce = block(4, 4);
  // s0 = X·(d1 − T·d0), s1 = P·d0 + Q·s0
  const XT = product(fromForces, transfer);
  const QX = product(forceByForce, fromForces);
  const QXT = product(QX, transfer);
  const K = new Float64Array(64);
  for (let i = 0; i < 4; i++) {
    const row = forceRow[i]!;
    const startSign = i % 2 === 0 ? 1 : -1;
    for (let j = 0; j < 4; j++) {
      K[8 * i + j] = -startSign * XT[4 * row + j]!;
      K[8 * i + 4 + j] = startSign * fromForces[4 * row + j]!;
      K[8 * (4 + i) + j] = -startSign * (forceByDisplacement[4 * row + j]! - QXT[4 * row + j]!);
      K[8 * (4 + i) + 4 + j] = -startSign * QX[4 * row + j]!;
    }
  }
  for (let i = 0; i < 8; i++)
    for (let j = 0; j < i; j++) K[8 * i + j] = K[8 * j + i] = (K[8 * i + j]! + K[8 * j + i]!) / 2;
  return { fromForces, transfer, K };
}

function product(a: Float64Array, b: Float64Array): Float64Array {
  const out = new Float64Array(16);
  for (let i = 0; i < 4; i++)
    for (let k = 0; k < 4; k++) {
      const x = a[4 * i + k]!;
      if (x !== 0) for (let j = 0; j < 4; j++) out[4 * i + j]! += x * b[4 * k + j]!;
    }
  return out;
}

/** Part of an 8 × 8 matrix: block row and column 0 or 1. */
function quarter(K: Float64Array, r: number, c: number): Float64Array {
  return part(K, 4 * r, 4 * c);
}

/** Four rows and columns of an 8 × 8 matrix, from row r and column c on. */
function part(K: Float64Array, r: number, c: number): Float64Array {
  const out = new Float64Array(16);
  for (let i = 0; i < 4; i++) for (let j = 0; j < 4; j++) out[4 * i + j] = K[8 * (r + i) + c + j]!;
  return out;
}

/** Eliminates the joints between the pieces. */
function condense(pieces: readonly Piece[]): Pick<BeamColumn, 'joints' | 'K' | 'buckled'> {
  if (pieces.length === 1) return { joints: [], K: pieces[0]!.K, buckled: 0 };
  let start = quarter(pieces[0]!.K, 0, 0);
  let mixed = quarter(pieces[0]!.K, 0, 1);
  let last = quarter(pieces[0]!.K, 1, 1);
  const joints: Joint[] = [];
  let buckled = 0;
  for (const piece of pieces.slice(1)) {
    const here = quarter(piece.K, 0, 0);
    const D = last.map((value, k) => value + here[k]!);
    buckled += negativePivots(D, 4);
    const inverse = invert(D, 4);
    const toNext = quarter(piece.K, 0, 1);
    const left = product(mixed, inverse);
    const nextMixed = product(left, toNext).map((x) => -x);
    start = start.map((value, k) => value - product(left, transpose(mixed))[k]!);
    const far = product(transpose(toNext), product(inverse, toNext));
    last = quarter(piece.K, 1, 1).map((value, k) => value - far[k]!);
    joints.push({ inverse, toStart: mixed, toNext });
    mixed = nextMixed;
  }
  const K = new Float64Array(64);
  for (let i = 0; i < 4; i++)
    for (let j = 0; j < 4; j++) {
      K[8 * i + j] = start[4 * i + j]!;
      K[8 * (4 + i) + 4 + j] = last[4 * i + j]!;
      K[8 * i + 4 + j] = K[8 * (4 + j) + i] = mixed[4 * i + j]!;
    }
  return { joints, K, buckled };
}

function transpose(a: Float64Array): Float64Array {
  const out = new Float64Array(16);
  for (let i = 0; i < 4; i++) for (let j = 0; j < 4; j++) out[4 * i + j] = a[4 * j + i]!;
  return out;
}

/** What loads do to a clamped beam-column: forces of its ends, and of its joints on the way. */
export interface ClampedColumn {
  /** Over w, ψw, v, ψv at start, then at end. */
  readonly f: Float64Array;
  /** Of each joint before it was eliminated. */
  readonly joints: readonly Float64Array[];
  readonly across: readonly Across[];
  /** w, ψw, v, ψv and Mw, Hw, Mv, Hv at each piece's end under its loads alone. */
  readonly particular: readonly Float64Array[];
}

/** Clamped forces under loads across each piece and jumps (point loads: Hw, Mw, Hv, Mv by which forces grow) at joints. */
export function clampColumn(
  column: BeamColumn,
  across: readonly Across[],
  jumps: readonly (Float64Array | undefined)[],
): ClampedColumn {
  const zero = new Float64Array(8);
  const particular: Float64Array[] = [];
  const ends = column.pieces.map((piece, k) => {
    series.solve(piece.stretch, zero, across[k]);
    series.at(piece.stretch.h, ending);
    const p = Float64Array.of(
      ending[0]!,
      ending[1]!,
      ending[4]!,
      ending[5]!,
      ending[2]!,
      ending[3]!,
      ending[6]!,
      ending[7]!,
    );
    particular.push(p);
    return clampPiece(piece, p);
  });
  let start = ends[0]!.slice(0, 4);
  let last = ends[0]!.slice(4);
  const joints: Float64Array[] = [];
  column.joints.forEach((joint, k) => {
    const f = last.map((value, i) => value + ends[k + 1]![i]!);
    const jump = jumps[k + 1];
    // Forces that grow by a jump are brought by the joint: H after − H before on the next piece's start
    if (jump) for (let i = 0; i < 4; i++) f[i]! -= jump[i]!;
    joints.push(f);
    const x = apply(joint.inverse, f);
    const a = apply(joint.toStart, x);
    const b = apply(transpose(joint.toNext), x);
    start = start.map((value, i) => value - a[i]!);
    last = ends[k + 1]!.slice(4).map((value, i) => value - b[i]!);
  });
  return { f: Float64Array.of(...start, ...last), joints, across, particular };
}

/** End forces of one clamped piece from its solution that starts from nothing. */
function clampPiece(piece: Piece, p: Float64Array): Float64Array {
  const s0 = apply(piece.fromForces, p).map((x) => -x);
  const out = new Float64Array(8);
  // The end: own forces and those of the start's carried along, which K holds: f1 = K·[0, −pd] + own
  for (let i = 0; i < 4; i++) {
    const row = forceRow[i]!;
    const sign = i % 2 === 0 ? 1 : -1;
    out[i] = sign * s0[row]!;
    let carried = 0;
    for (let j = 0; j < 4; j++) carried -= piece.K[8 * (4 + i) + 4 + j]! * p[j]!;
    out[4 + i] = -sign * p[4 + row]! + carried;
  }
  return out;
}

function apply(a: Float64Array, x: ArrayLike<number>): Float64Array {
  const out = new Float64Array(4);
  for (let i = 0; i < 4; i++) for (let j = 0; j < 4; j++) out[i]! += a[4 * i + j]! * x[j]!;
  return out;
}

/** State at the start of each piece (w, ψ, M, H of plane w, then v) from the ends' displacements. */
export function pieceStates(
  column: BeamColumn,
  clamped: ClampedColumn | undefined,
  ends: Float64Array,
): Float64Array[] {
  const count = column.pieces.length;
  const places: Float64Array[] = new Array<Float64Array>(count + 1);
  places[0] = ends.slice(0, 4);
  places[count] = ends.slice(4);
  for (let k = column.joints.length - 1; k >= 0; k--) {
    const { inverse, toStart, toNext } = column.joints[k]!;
    const a = apply(transpose(toStart), places[0]);
    const b = apply(toNext, places[k + 2]!);
    const f = clamped?.joints[k];
    places[k + 1] = apply(
      inverse,
      a.map((x, i) => -x - b[i]! - (f?.[i] ?? 0)),
    );
  }
  return column.pieces.map((piece, k) => {
    const d0 = places[k]!;
    const d1 = places[k + 1]!;
    const p = clamped?.particular[k];
    const T = apply(piece.transfer, d0);
    const s = apply(
      piece.fromForces,
      d1.map((x, i) => x - T[i]! - (p?.[i] ?? 0)),
    );
    return Float64Array.of(d0[0]!, d0[1]!, s[0]!, s[1]!, d0[2]!, d0[3]!, s[2]!, s[3]!);
  });
}

/** Series of the solution along one piece. */
export function pieceSeries(piece: Piece, state: Float64Array, across: Across | undefined): Series {
  const out = new Series();
  out.solve(piece.stretch, state, across);
  return out;
}
