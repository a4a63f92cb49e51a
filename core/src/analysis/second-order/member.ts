import { fail } from '../../base/problem.js';
import type { Frame } from '../frame/frame.js';
import { condenseHinges, condenseLoads, displaceInside, type HingeStep } from '../frame/hinges.js';
import { addStartForces, integrate, type MemberField } from '../member-field.js';
import type { LoadField } from '../loads/member-loads.js';
import { shiftOrigin } from '../polynomial.js';
import { chordRotations } from '../first-order/recover.js';
import { beamColumn, clampColumn, pieceStates, type BeamColumn, type ClampedColumn } from './beam-column.js';
import { Series, seriesTerms, type Across } from './series.js';
import type { Flexibility } from '../frame/taper.js';
import { axialPolynomials, meanAxial } from './axial.js';

/** Local freedoms of w, ψw, v, ψv at start, then at end; ψw = −θy. */
const bendingFreedoms = [2, 4, 1, 5, 8, 10, 7, 11] as const;
const bendingSigns = [1, -1, 1, 1, 1, -1, 1, 1] as const;

/** Loads across each piece of a member, what jumps at its start, and what jumps at both ends of the member. */
interface LoadsAcross {
  readonly pieces: BeamColumn['pieces'];
  readonly across: readonly Across[];
  readonly jumps: readonly (Float64Array | undefined)[];
  readonly first: Float64Array;
  readonly last: Float64Array;
}

/** What a member is made of before an axial force comes in. */
interface Given {
  readonly frame: Frame;
  readonly member: number;
  readonly breaks: Float64Array;
  readonly terms: number;
  readonly field: LoadField | undefined;
  readonly slack: boolean;
  /** First-order stiffness before hinges, local. */
  readonly K: Float64Array;
  /** First-order clamped forces before hinges. */
  readonly f: Float64Array | undefined;
  readonly flexibility: Flexibility;
}

/** One member in second order: its stiffness and forces under one axial force after the other, and its functions under the last. */
export class MemberUnderForce {
  /** Local stiffness with hinges, 12 × 12; what a bar's axial force does across it included. */
  readonly K: Float64Array;
  /** Forces of clamped ends under the loads along it, through hinges. */
  readonly f: Float64Array;
  /** Ways the member buckles by itself between its ends. */
  buckled = 0;
  private readonly given: Given;
  private hinges: readonly HingeStep[] = [];
  private inside: Float64Array | undefined;
  private column: BeamColumn | undefined;
  private clamped: ClampedColumn | undefined;
  /** Loads across its pieces, which most axial forces leave where they are. */
  private loadsAcross: LoadsAcross | undefined;

  /**
   * @param K room for the stiffness
   * @param f room for the clamped forces
   */
  constructor(given: Given, K: Float64Array, f: Float64Array) {
    this.given = given;
    this.K = K;
    this.f = f;
  }

  /**
   * Puts it under an axial force.
   *
   * @param axial N, four coefficients a segment
   * @throws ProblemError `too-slender`
   */
  under(axial: Float64Array): void {
    const { given, K, f } = this;
    const { frame, member, field, breaks } = given;
    this.hinges = [];
    this.inside = undefined;
    if (given.f) f.set(given.f);
    else f.fill(0);
    if (given.slack) K.fill(0);
    else K.set(given.K);
    if (frame.axialOnly[member]) {
      if (!given.slack) acrossBar(K, meanAxial(axial, breaks) / frame.length[member]!);
      return;
    }
    const column =
      beamColumn(breaks, given.flexibility, axial, freePlanes(frame, member), this.column) ??
      fail(
        'too-slender',
        `Tension has made a rope of the member "${frame.memberIds[member]!}": its bending stiffness plays no part any more; give it the action "axial" or "tension-only".`,
        { member: frame.memberIds[member] },
      );
    this.column = column;
    for (let r = 0; r < 8; r++)
      for (let c = 0; c < 8; c++)
        K[12 * bendingFreedoms[r]! + bendingFreedoms[c]!] =
          bendingSigns[r]! * bendingSigns[c]! * column.K[8 * r + c]!;
    let buckled = column.buckled + (column.possible ? 0 : 1);
    if (field) {
      const clamped = this.clamp(column, field);
      for (let r = 0; r < 8; r++) f[bendingFreedoms[r]!] = bendingSigns[r]! * clamped.f[r]!;
      this.clamped = clamped;
    }
    if (frame.hinged[member]) {
      this.hinges = condenseHinges(frame, member, K, true);
      for (const { freedom, spring, row } of this.hinges) if (row[freedom]! + spring < 0) buckled++;
      this.inside = condenseLoads(this.hinges, f);
    }
    this.buckled = buckled;
  }

  /** Clamped forces under the loads along the member. */
  private clamp(column: BeamColumn, field: LoadField): ClampedColumn {
    if (this.loadsAcross?.pieces !== column.pieces) this.loadsAcross = this.acrossPieces(column, field);
    const { across, jumps, first, last } = this.loadsAcross;
    const clamped = clampColumn(column, across, jumps, this.clamped);
    for (let i = 0; i < 4; i++) {
      clamped.f[i]! -= first[i]!;
      clamped.f[4 + i]! -= last[i]!;
    }
    return clamped;
  }

  private acrossPieces(column: BeamColumn, field: LoadField): LoadsAcross {
    const { breaks, terms } = this.given;
    const across: Across[] = [];
    const jumps: (Float64Array | undefined)[] = [];
    column.pieces.forEach((piece, k) => {
      const base = 6 * terms * piece.segment;
      const from = piece.from - breaks[piece.segment]!;
      const load = (force: number): Float64Array => {
        const q = new Float64Array(seriesTerms);
        // q is the slope of the particular shear, moved to the piece's start
        for (let j = 0; j + 1 < terms; j++) q[j] = (j + 1) * field.forces[base + force * terms + j + 1]!;
        shiftOrigin(q, 0, terms, from);
        return q;
      };
      across.push({ q: [load(2), load(1)], curvature: [field.strain[1], field.strain[2]] });
      const atBreak = k > 0 && column.pieces[k - 1]!.segment !== piece.segment;
      jumps.push(atBreak ? this.jumpAt(field, piece.segment) : undefined);
    });
    return {
      pieces: column.pieces,
      across,
      jumps,
      first: this.jumpAt(field, 0),
      last: this.jumpAt(field, breaks.length - 1),
    };
  }

  /** Growth of Hw, −Mw, Hv, −Mv at the start of a segment; of one more than there are, at the member's end. */
  private jumpAt(field: LoadField, segment: number): Float64Array {
    const { breaks, terms } = this.given;
    const count = breaks.length - 1;
    const after = (k: number) => (segment < count ? field.forces[terms * (6 * segment + k)]! : field.end[k]!);
    const before = (k: number): number => {
      if (segment === 0) return 0;
      const h = breaks[segment]! - breaks[segment - 1]!;
      let value = 0;
      for (let j = terms - 1; j >= 0; j--)
        value = value * h + field.forces[terms * (6 * (segment - 1) + k) + j]!;
      return value;
    };
    const by = (k: number) => after(k) - before(k);
    return Float64Array.of(by(2), -by(4), by(1), -by(5));
  }

  /** p ← K·u, local. */
  times(u: Float64Array, p: Float64Array): void {
    for (let i = 0; i < 12; i++) {
      let sum = 0;
      for (let j = 0; j < 12; j++) sum += this.K[12 * i + j]! * u[j]!;
      p[i] = sum;
    }
  }

  /** N along the member from its value at the start. */
  axialFrom(startN: number): Float64Array {
    const { breaks, terms, field } = this.given;
    return axialPolynomials(breaks, terms, field, startN);
  }

  /** The functions along the member under end displacements u (local, outside its hinges). */
  field(u: Float64Array): MemberField {
    const { frame, member, breaks, terms, field } = this.given;
    const p = new Float64Array(12);
    this.times(u, p);
    for (let i = 0; i < 12; i++) p[i]! += this.f[i]!;
    const local = u.slice();
    displaceInside(this.hinges, this.inside, local);
    // The first-order functions hold N, T, u and φ, and for a bar all there is
    const forces = field ? field.forces.slice() : new Float64Array(6 * terms * (breaks.length - 1));
    const bar = !this.column;
    if (bar) chordRotations(local, frame.length[member]!);
    const f = this.given.f;
    const start = Float64Array.of(
      -p[0]!,
      bar ? (f?.[1] ?? 0) : p[1]!,
      bar ? (f?.[2] ?? 0) : p[2]!,
      -p[3]!,
      bar ? (f?.[4] ?? 0) : p[4]!,
      bar ? -(f?.[5] ?? 0) : -p[5]!,
      ...local.subarray(0, 6),
    );
    addStartForces(forces, terms, breaks, start, 0);
    const strain = field?.strain ?? ([0, 0, 0] as const);
    const { flexibility } = this.given;
    const linear = integrate(
      { flexibility, straight: bar, breaks, terms, forces, strain, dislocations: [] },
      start,
      6,
    );
    if (bar)
      return {
        breaks,
        forceTerms: terms,
        forces,
        displacementTerms: linear.displacementTerms,
        displacements: linear.displacements,
      };
    return this.bentField(local, forces, linear);
  }

  private bentField(
    local: Float64Array,
    straight: Float64Array,
    linear: { displacements: Float64Array; displacementTerms: number },
  ): MemberField {
    const { breaks, terms } = this.given;
    const column = this.column!;
    const ends = Float64Array.from(bendingFreedoms, (i, r) => bendingSigns[r]! * local[i]!);
    const states = pieceStates(column, this.clamped, ends);
    const count = column.pieces.length;
    const F = seriesTerms;
    const D = Math.max(seriesTerms, linear.displacementTerms);
    const forces = new Float64Array(6 * F * count);
    const displacements = new Float64Array(4 * D * count);
    const own = linear.displacementTerms;
    column.pieces.forEach((piece, k) => {
      bent.solve(piece.stretch, states[k]!, this.clamped?.across[k]);
      const from = piece.from - breaks[piece.segment]!;
      const f = 6 * F * k;
      const force = straight.subarray(6 * terms * piece.segment);
      moveInto(forces, f, force, terms, from);
      slopeInto(forces, f + F, bent.moment[1]);
      slopeInto(forces, f + 2 * F, bent.moment[0]);
      moveInto(forces, f + 3 * F, force.subarray(3 * terms), terms, from);
      forces.set(bent.moment[0], f + 4 * F);
      forces.set(bent.moment[1], f + 5 * F);
      const d = 4 * D * k;
      const displacement = linear.displacements.subarray(4 * own * piece.segment);
      moveInto(displacements, d, displacement, own, from);
      displacements.set(bent.deflection[1], d + D);
      displacements.set(bent.deflection[0], d + 2 * D);
      moveInto(displacements, d + 3 * D, displacement.subarray(3 * own), own, from);
    });
    return {
      breaks: Float64Array.of(...column.pieces.map((piece) => piece.from), breaks[breaks.length - 1]!),
      forceTerms: F,
      forces,
      displacementTerms: D,
      displacements,
    };
  }
}

/** Planes of bending that lie in the plane of a plane frame; both in space. */
function freePlanes(frame: Frame, m: number): [boolean, boolean] {
  if (!frame.plane) return [true, true];
  const across = (row: number) => Math.abs(frame.axes[9 * m + row + 1]!) > 1 - 1e-9;
  return [!across(6), !across(3)];
}

/** The solution along a piece while it is copied out. */
const bent = new Series();

/** Writes the coefficients of c(t + from), of which there are `terms`. */
function moveInto(out: Float64Array, to: number, c: Float64Array, terms: number, from: number): void {
  for (let i = 0; i < terms; i++) out[to + i] = c[i]!;
  shiftOrigin(out, to, terms, from);
}

/** Writes the coefficients of the derivative. */
function slopeInto(out: Float64Array, to: number, c: Float64Array): void {
  for (let i = 0; i + 1 < c.length; i++) out[to + i] = (i + 1) * c[i + 1]!;
}

/** Adds N/L across a bar, y and z. */
function acrossBar(K: Float64Array, k: number): void {
  for (const i of [1, 2]) {
    K[13 * i]! += k;
    K[13 * (i + 6)]! += k;
    K[12 * i + i + 6]! -= k;
    K[12 * (i + 6) + i]! -= k;
  }
}
