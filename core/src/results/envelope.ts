import { polynomialAt, rootsBetween, shiftOrigin, type MemberField } from '../analysis/index.js';
import { displacementNames, forceNames, type DisplacementName, type ForceName } from './member-functions.js';

/** A function along a member with the combination it belongs to. */
export interface NamedField {
  readonly id: string;
  readonly field: MemberField;
}

/** A stretch of an envelope: on it one combination governs, as a polynomial of the distance from `from`. */
export interface EnvelopePiece {
  /** m from the member's start. */
  readonly from: number;
  readonly to: number;
  /** The combination that governs. */
  readonly id: string;
  readonly coefficients: Float64Array;
}

/**
 * The largest (or smallest) value of an internal force or displacement at every point of a member over any set of
 * combinations, with the one that governs there; the places where one takes over from another are found, not sampled.
 */
export function envelope(
  fields: readonly NamedField[],
  name: ForceName | DisplacementName,
  side: 'max' | 'min',
): EnvelopePiece[] {
  const sign = side === 'max' ? 1 : -1;
  const breaks = [...new Set(fields.flatMap(({ field }) => [...field.breaks]))].sort((a, b) => a - b);
  const L = breaks[breaks.length - 1] ?? 0;
  const pieces: EnvelopePiece[] = [];
  for (let s = 0; s + 1 < breaks.length; s++) {
    const from = breaks[s]!;
    const to = breaks[s + 1]!;
    if (to - from <= 1e-12 * L) continue;
    const own = fields.map(({ id, field }) => ({
      id,
      c: polynomialFrom(field, name, (from + to) / 2, from),
    }));
    let x = 0;
    let governs = highest(own, sign, 0, to - from);
    while (x < to - from) {
      // The first place where another one passes the one that governs
      let next = to - from;
      let then = governs;
      for (const other of own) {
        if (other === governs) continue;
        const difference = minus(other.c, governs.c, sign);
        for (const root of rootsBetween(difference, x, to - from)) {
          if (root >= next || root <= x + 1e-12 * L) continue;
          const beyond = Math.min(to - from, root + 1e-7 * L);
          if (polynomialAt(difference, 0, difference.length, beyond) <= 0) continue;
          next = root;
          then = other;
        }
      }
      add(pieces, { from: from + x, to: from + next, id: governs.id, coefficients: shifted(governs.c, x) });
      x = next;
      governs = then === governs ? governs : highest([then, ...own], sign, x, to - from);
      if (next >= to - from) break;
    }
  }
  return pieces;
}

interface Candidate {
  readonly id: string;
  readonly c: Float64Array;
}

/** The candidate that is highest just behind t. */
function highest(list: readonly Candidate[], sign: number, t: number, end: number): Candidate {
  const at = t + 1e-6 * (end - t);
  const value = ({ c }: Candidate) => sign * polynomialAt(c, 0, c.length, at);
  return list.reduce((a, b) => (value(b) > value(a) ? b : a));
}

/** A field's polynomial on the segment around `inside`, in the distance from `from`. */
function polynomialFrom(
  field: MemberField,
  name: ForceName | DisplacementName,
  inside: number,
  from: number,
): Float64Array {
  let s = 0;
  while (s + 2 < field.breaks.length && inside > field.breaks[s + 1]!) s++;
  const force = forceNames.indexOf(name as ForceName);
  const c =
    force >= 0
      ? field.forces.slice(field.forceTerms * (6 * s + force), field.forceTerms * (6 * s + force + 1))
      : displacementCoefficients(field, name as DisplacementName, s);
  return shifted(c, from - field.breaks[s]!);
}

function displacementCoefficients(field: MemberField, name: DisplacementName, s: number): Float64Array {
  const k = displacementNames.indexOf(name);
  const terms = field.displacementTerms;
  return field.displacements.slice(terms * (4 * s + k), terms * (4 * s + k + 1));
}

/** Coefficients of c(t + d). */
function shifted(c: Float64Array, d: number): Float64Array {
  const out = c.slice();
  shiftOrigin(out, 0, out.length, d);
  return out;
}

function minus(a: Float64Array, b: Float64Array, sign: number): Float64Array {
  return Float64Array.from(
    { length: Math.max(a.length, b.length) },
    (_, k) => sign * ((a[k] ?? 0) - (b[k] ?? 0)),
  );
}

function add(pieces: EnvelopePiece[], piece: EnvelopePiece): void {
  if (piece.to > piece.from) pieces.push(piece);
}
