import { rootsBetween, type MemberField } from '../../analysis/index.js';
import { cubicTurns } from './stations.js';

/** The moment diagram between two places of a member, exact: a polynomial on each piece. */
export interface Diagram {
  readonly from: number;
  readonly to: number;
  readonly at: (x: number) => number;
  /** Values at the ends and in the middle, N·m. */
  readonly start: number;
  readonly middle: number;
  readonly end: number;
  /** Value of greatest magnitude, with its sign, and where. */
  readonly peak: { readonly x: number; readonly value: number };
  /** One straight line. */
  readonly straight: boolean;
  /** Distributed loads act somewhere, point loads somewhere inside. */
  readonly distributed: boolean;
  readonly concentrated: boolean;
  readonly pieces: readonly DiagramPiece[];
}

export interface DiagramPiece {
  readonly from: number;
  readonly to: number;
  /** Coefficients of powers of x − origin: `terms` of them in `source` from `at` on. */
  readonly source: Float64Array;
  readonly at: number;
  readonly terms: number;
  readonly origin: number;
}

/** Reads My or Mz between two places. */
export function diagram(field: MemberField, name: 'My' | 'Mz', from: number, to: number): Diagram {
  const { breaks, forces, forceTerms: terms } = field;
  const pieces: DiagramPiece[] = [];
  for (let s = 0; s + 1 < breaks.length; s++) {
    const a = Math.max(from, breaks[s]!);
    const b = Math.min(to, breaks[s + 1]!);
    if (b - a <= 1e-12 * (to - from)) continue;
    const at = terms * (6 * s + (name === 'My' ? 4 : 5));
    pieces.push({ from: a, to: b, source: forces, at, terms, origin: breaks[s]! });
  }
  return read(pieces, from, to);
}

function read(pieces: readonly DiagramPiece[], from: number, to: number): Diagram {
  const at = (x: number): number => {
    const piece = pieces.find(({ to: end }) => x <= end) ?? pieces[pieces.length - 1]!;
    return valueOf(piece, x);
  };
  let peak = { x: from, value: valueOf(pieces[0]!, from) };
  const consider = (x: number, value: number) => {
    if (Math.abs(value) > Math.abs(peak.value)) peak = { x, value };
  };
  let size = 0;
  for (const piece of pieces) {
    for (const x of [piece.from, piece.to]) consider(x, valueOf(piece, x));
    for (const x of turns(piece)) consider(x, valueOf(piece, x));
    size = Math.max(size, Math.abs(peak.value));
  }
  const small = 1e-6 * size;
  const bent = pieces.some((piece) => curvatureOver(piece) > small);
  let kinked = false;
  for (let i = 1; i < pieces.length; i++) {
    const [before, after] = [pieces[i - 1]!, pieces[i]!];
    const kink = Math.abs(slopeOf(before, before.to) - slopeOf(after, after.from)) * (to - from);
    const jump = Math.abs(valueOf(before, before.to) - valueOf(after, after.from));
    if (kink > small || jump > small) kinked = true;
  }
  return {
    from,
    to,
    at,
    start: valueOf(pieces[0]!, from),
    middle: at((from + to) / 2),
    end: valueOf(pieces[pieces.length - 1]!, to),
    peak,
    straight: !bent && !kinked,
    distributed: bent,
    concentrated: kinked,
    pieces,
  };
}

/** A diagram without the moments of one sign: what bends one flange only. */
export function ofSign(d: Diagram, sign: 1 | -1): Diagram {
  const pieces = d.pieces.flatMap((piece) => {
    const { from, to, origin, source, at, terms } = piece;
    const roots = isStraight(piece)
      ? [origin - source[at]! / source[at + 1]!]
      : rootsBetween(source.slice(at, at + terms), from - origin, to - origin).map((t) => t + origin);
    const inside = roots.filter((x) => x > from && x < to);
    const ends = [from, ...inside.sort((a, b) => a - b), to];
    return ends.slice(1).map((end, i): DiagramPiece => {
      const part = { ...piece, from: ends[i]!, to: end };
      return sign * valueOf(part, (part.from + end) / 2) > 0
        ? part
        : { ...part, source: nothing, at: 0, terms: 1 };
    });
  });
  return read(pieces, d.from, d.to);
}

const nothing = new Float64Array(1);

export function valueOf({ source, at, terms, origin }: DiagramPiece, x: number): number {
  let sum = 0;
  for (let i = terms - 1; i >= 0; i--) sum = sum * (x - origin) + source[at + i]!;
  return sum;
}

export function slopeOf({ source, at, terms, origin }: DiagramPiece, x: number): number {
  let sum = 0;
  for (let i = terms - 1; i >= 1; i--) sum = sum * (x - origin) + i * source[at + i]!;
  return sum;
}

/** Second derivative at x. */
export function curvatureOf({ source, at, terms, origin }: DiagramPiece, x: number): number {
  let sum = 0;
  for (let i = terms - 1; i >= 2; i--) sum = sum * (x - origin) + i * (i - 1) * source[at + i]!;
  return sum;
}

/** No coefficient beyond the first power. */
function isStraight({ source, at, terms }: DiagramPiece): boolean {
  for (let i = 2; i < terms; i++) if (source[at + i] !== 0) return false;
  return true;
}

function turns(piece: DiagramPiece): number[] {
  const { source, at, terms, origin, from, to } = piece;
  if (isStraight(piece)) return [];
  if (terms <= 4) {
    const out: number[] = [];
    cubicTurns(source[at + 1]!, source[at + 2] ?? 0, terms > 3 ? source[at + 3]! : 0, to - origin, out);
    return out.map((t) => t + origin).filter((x) => x > from);
  }
  // rootsBetween looks from zero: shift by the piece's start
  const derivative = Float64Array.from({ length: terms - 1 }, (_, i) => (i + 1) * source[at + i + 1]!);
  return rootsBetween(derivative, from - origin, to - origin).map((t) => t + origin);
}

/** How far a piece departs from a straight line, N·m. */
function curvatureOver(piece: DiagramPiece): number {
  if (isStraight(piece)) return 0;
  const { from, to } = piece;
  let most = 0;
  for (const share of [0.25, 0.5, 0.75]) {
    const x = from + share * (to - from);
    const line = valueOf(piece, from) * (1 - share) + valueOf(piece, to) * share;
    most = Math.max(most, Math.abs(valueOf(piece, x) - line));
  }
  return most;
}
