import { fail } from '../../problem.js';
import type { Frame } from '../frame.js';
import { condenseHinges, condenseLoads, displaceInside, type HingeStep } from '../hinges.js';
import { addStartForces, integrate, memberFlexibility, type MemberField } from '../member-field.js';
import type { LoadField } from '../member-loads.js';
import { shiftOrigin } from '../polynomial.js';
import { chordRotations } from '../recover.js';
import {
  beamColumn,
  clampColumn,
  pieceSeries,
  pieceStates,
  type BeamColumn,
  type ClampedColumn,
} from './beam-column.js';
import { seriesTerms, type Across } from './series.js';
import { axialPolynomials, meanAxial } from './axial.js';

/** Local freedoms of w, ψw, v, ψv at start, then at end; ψw = −θy. */
const bendingFreedoms = [2, 4, 1, 5, 8, 10, 7, 11] as const;
const bendingSigns = [1, -1, 1, 1, 1, -1, 1, 1] as const;

/** What a member under axial force is made of. */
interface Given {
  readonly frame: Frame;
  readonly member: number;
  readonly breaks: Float64Array;
  readonly terms: number;
  readonly field: LoadField | undefined;
  /** N, four coefficients a segment. */
  readonly axial: Float64Array;
  readonly slack: boolean;
  /** First-order stiffness before hinges, local. */
  readonly K: Float64Array;
  /** First-order clamped forces before hinges. */
  readonly f: Float64Array | undefined;
}

/** One member in second order: its stiffness and forces under an axial force, and its functions afterwards. */
export class MemberUnderForce {
  /** Local stiffness with hinges, 12 × 12; what a bar's axial force does across it included. */
  readonly K: Float64Array;
  /** Forces of clamped ends under the loads along it, through hinges. */
  readonly f: Float64Array;
  /** Ways the member buckles by itself between its ends. */
  readonly buckled: number;
  private readonly given: Given;
  private readonly hinges: readonly HingeStep[];
  private readonly inside: Float64Array | undefined;
  private readonly column: BeamColumn | undefined;
  private readonly clamped: ClampedColumn | undefined;

  constructor(given: Given) {
    const { frame, member, K, axial, field, breaks } = given;
    this.given = given;
    this.hinges = [];
    this.f = given.f?.slice() ?? new Float64Array(12);
    if (frame.axialOnly[member]) {
      this.K = given.slack ? new Float64Array(144) : K.slice();
      this.buckled = 0;
      if (!given.slack) acrossBar(this.K, meanAxial(axial, breaks) / frame.length[member]!);
      return;
    }
    const flexibility = memberFlexibility(frame, member, breaks);
    this.column =
      beamColumn(breaks, flexibility, axial, freePlanes(frame, member)) ??
      fail(
        'too-slender',
        `Tension has made a rope of the member "${frame.memberIds[member]!}": its bending stiffness plays no part any more; give it the action "axial" or "tension-only".`,
        { member: frame.memberIds[member] },
      );
    this.K = K.slice();
    const bent = this.column.K;
    for (let r = 0; r < 8; r++)
      for (let c = 0; c < 8; c++)
        this.K[12 * bendingFreedoms[r]! + bendingFreedoms[c]!] =
          bendingSigns[r]! * bendingSigns[c]! * bent[8 * r + c]!;
    let buckled = this.column.buckled + (this.column.possible ? 0 : 1);
    if (field) {
      this.clamped = this.clamp(field);
      bendingFreedoms.forEach((i, r) => (this.f[i] = bendingSigns[r]! * this.clamped!.f[r]!));
    }
    if (frame.hinged[member]) {
      this.hinges = condenseHinges(frame, member, this.K, true);
      for (const { freedom, spring, row } of this.hinges) if (row[freedom]! + spring < 0) buckled++;
      this.inside = condenseLoads(this.hinges, this.f);
    }
    this.buckled = buckled;
  }

  /** Loads across each piece, and what jumps at its start. */
  private clamp(field: LoadField): ClampedColumn {
    const { breaks, terms } = this.given;
    const column = this.column!;
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
    const clamped = clampColumn(column, across, jumps);
    const first = this.jumpAt(field, 0);
    const last = this.jumpAt(field, breaks.length - 1);
    for (let i = 0; i < 4; i++) {
      clamped.f[i]! -= first[i]!;
      clamped.f[4 + i]! -= last[i]!;
    }
    return clamped;
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
    const flexibility = memberFlexibility(frame, member, breaks);
    const linear = integrate(flexibility, bar, breaks, forces, terms, strain, [], start, 6);
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
    column.pieces.forEach((piece, k) => {
      const series = pieceSeries(piece, states[k]!, this.clamped?.across[k]);
      const from = piece.from - breaks[piece.segment]!;
      const put = (out: Float64Array, at: number, c: ArrayLike<number>) => {
        for (let i = 0; i < c.length; i++) out[at + i] = c[i]!;
      };
      const slope = (c: Float64Array) => Float64Array.from(c, (_, i) => (i + 1) * (c[i + 1] ?? 0));
      const f = 6 * F * k;
      put(forces, f, moved(straight, 6 * terms * piece.segment, terms, from));
      put(forces, f + F, slope(series.moment[1]));
      put(forces, f + 2 * F, slope(series.moment[0]));
      put(forces, f + 3 * F, moved(straight, 6 * terms * piece.segment + 3 * terms, terms, from));
      put(forces, f + 4 * F, series.moment[0]);
      put(forces, f + 5 * F, series.moment[1]);
      const d = 4 * D * k;
      const own = 4 * linear.displacementTerms * piece.segment;
      put(displacements, d, moved(linear.displacements, own, linear.displacementTerms, from));
      put(displacements, d + D, series.deflection[1]);
      put(displacements, d + 2 * D, series.deflection[0]);
      put(
        displacements,
        d + 3 * D,
        moved(linear.displacements, own + 3 * linear.displacementTerms, linear.displacementTerms, from),
      );
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

/** Coefficients of c(t + from). */
function moved(c: Float64Array, at: number, terms: number, from: number): Float64Array {
  const out = c.slice(at, at + terms);
  shiftOrigin(out, 0, terms, from);
  return out;
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
