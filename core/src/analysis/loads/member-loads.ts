import type { DistributedLoad, LoadCase, MemberLoad, PointLoad } from '../../model/types.js';
import { gravity } from '../../model/types.js';
import { unitVectors } from '../../model/axes.js';
import { ShortArrays } from '../../base/short-arrays.js';
import type { Frame } from '../frame/frame.js';
import { taperForceTerms, uniformForceTerms, type Dislocation, type InitialStrain } from '../member-field.js';
import { polynomialAt } from '../polynomial.js';
import { flexibilityCount } from '../frame/taper.js';

const unstrained: InitialStrain = [0, 0, 0];

/** A line load on a member in local axes: from `from` to `to` (m) q0 + q1·x + q2·x², x from `from`, N/m. */
interface LinePiece {
  from: number;
  to: number;
  q0: readonly [number, number, number];
  q1: readonly [number, number, number];
  q2?: readonly [number, number, number];
}

/** A force and moment at one place of a member, local axes. */
interface PointPiece {
  at: number;
  F: readonly [number, number, number];
  M: readonly [number, number, number];
}

const noGradient = [0, 0, 0] as const;
const nothing: readonly never[] = [];

/** All that acts on one member in one load case, in local axes. */
class MemberAction {
  lines: readonly LinePiece[] = nothing;
  points: readonly PointPiece[] = nothing;
  strain: InitialStrain = unstrained;

  addLine(line: LinePiece): void {
    this.lines = this.lines.length === 0 ? [line] : [...this.lines, line];
  }

  addPoint(point: PointPiece): void {
    this.points = this.points.length === 0 ? [point] : [...this.points, point];
  }
}

/** What the loads of one case do to one member if its start were free of force and displacement. */
export interface LoadField {
  /** Coefficients of the internal forces, laid out as in MemberField. */
  readonly forces: Float64Array;
  /** N, Vy, Vz, T, My, Mz just behind the member's end, after point loads there. */
  readonly end: Float64Array;
  readonly strain: InitialStrain;
  readonly dislocations: readonly Dislocation[];
}

/** Loads along every member, ready to be superposed. */
export interface MemberLoadFields {
  /** Segment ends of each member, common to all load cases. */
  readonly breaks: readonly Float64Array[];
  /** Coefficients of each internal force a segment, by member. */
  readonly terms: Uint8Array;
  /** By load case, then member; undefined where the case does not load the member. */
  readonly fields: readonly (readonly (LoadField | undefined)[])[];
}

const none: readonly Dislocation[] = [];

/** Builds the exact load functions of every member in every load case. */
export function memberLoadFields(frame: Frame): MemberLoadFields {
  const count = frame.memberIds.length;
  const actions = frame.loadCases.map((loadCase) => gatherActions(frame, loadCase));
  const breaks: Float64Array[] = [];
  const terms = new Uint8Array(count).fill(uniformForceTerms);
  for (const m of frame.tapers.keys()) terms[m] = taperForceTerms;
  const whole = new Map<number, Float64Array>();
  for (let m = 0; m < count; m++) breaks.push(segmentEnds(frame, actions, m, whole));
  const formed = new FormedFields();
  const fields = actions.map((byMember) =>
    byMember.map((action, m) => action && formed.of(action, breaks[m]!, terms[m]!)),
  );
  return { breaks, terms, fields };
}

interface FormedField {
  readonly line: LinePiece;
  readonly field: LoadField;
}

/** Load fields as they are formed: many members of a frame are as long and loaded alike, and share theirs. */
class FormedFields {
  private readonly arrays = new ShortArrays();
  /** The last one by the segments that it is on, and by its load. */
  private readonly known = new Map<Float64Array, Map<number, FormedField>>();

  of(action: MemberAction, breaks: Float64Array, terms: number): LoadField {
    const line = onlyLine(action);
    if (!line) return this.form(action, breaks, terms);
    const ofBreaks = this.known.get(breaks) ?? new Map<number, FormedField>();
    this.known.set(breaks, ofBreaks);
    // Like loads have like keys; others that happen to have the same are told apart by comparing them
    const key = line.q0[0] + 3 * line.q0[1] + 7 * line.q0[2];
    const last = ofBreaks.get(key);
    if (last && sameLine(last.line, line)) return last.field;
    const field = this.form(action, breaks, terms);
    ofBreaks.set(key, { line, field });
    return field;
  }

  private form(action: MemberAction, breaks: Float64Array, terms: number): LoadField {
    const { forces, end } = particularForces(action, breaks, terms, this.arrays);
    return { forces, end, strain: action.strain, dislocations: none };
  }
}

/** The line load of a member that nothing else acts on. */
function onlyLine({ lines, points, strain }: MemberAction): LinePiece | undefined {
  return lines.length === 1 && points.length === 0 && strain === unstrained ? lines[0] : undefined;
}

function sameLine(a: LinePiece, b: LinePiece): boolean {
  if (a.from !== b.from || a.to !== b.to || a.q2 !== undefined || b.q2 !== undefined) return false;
  for (let k = 0; k < 3; k++) if (a.q0[k] !== b.q0[k] || a.q1[k] !== b.q1[k]) return false;
  return true;
}

function gatherActions(frame: Frame, loadCase: LoadCase): (MemberAction | undefined)[] {
  const byMember = new Array<MemberAction | undefined>(frame.memberIds.length).fill(undefined);
  const of = (m: number): MemberAction => (byMember[m] ??= new MemberAction());
  const weight = (loadCase.selfWeight ?? 0) * gravity;
  if (weight !== 0)
    for (let m = 0; m < byMember.length; m++) {
      const L = frame.length[m]!;
      const taper = frame.tapers.get(m);
      if (taper) {
        const along = (mass: number) => toLocal(frame, m, [0, 0, -weight * mass]);
        // The area of any outline whose dimensions vary linearly is a parabola
        const [a, b, c] = [0, 0.5, 1].map((share) => taper.density * taper.at(share).A) as [
          number,
          number,
          number,
        ];
        of(m).addLine({
          from: 0,
          to: L,
          q0: along(a),
          q1: along((4 * b - 3 * a - c) / L),
          q2: along((2 * (a + c - 2 * b)) / (L * L)),
        });
      } else {
        const q0 = toLocal(frame, m, [0, 0, -weight * frame.massPerLength[m]!]);
        of(m).addLine({ from: 0, to: L, q0, q1: noGradient });
      }
    }
  for (const load of loadCase.loads ?? []) {
    if (load.kind === 'node' || load.kind === 'settlement') continue;
    const m = frame.memberIndex.get(load.member)!;
    addLoad(frame, m, load, of(m));
  }
  return byMember;
}

function addLoad(frame: Frame, m: number, load: MemberLoad, action: MemberAction): void {
  switch (load.kind) {
    case 'distributed':
      action.addLine(linePiece(frame, m, load));
      break;
    case 'point':
      action.addPoint(pointPiece(frame, m, load));
      break;
    case 'temperature': {
      const alpha = frame.expansion[m]!;
      const [axial, w, v] = action.strain;
      // The warm side grows longer: w″ = −α·∂T/∂z
      action.strain = [
        axial + alpha * (load.uniform ?? 0),
        w - alpha * (load.gradientZ ?? 0),
        v - alpha * (load.gradientY ?? 0),
      ];
      break;
    }
    case 'pretension':
      // Over the whole member: a taper's share of it is the mean flexibility
      action.strain = [
        action.strain[0] - load.force * meanAxialFlexibility(frame, m),
        action.strain[1],
        action.strain[2],
      ];
      break;
  }
}

function linePiece(frame: Frame, m: number, load: DistributedLoad): LinePiece {
  const L = frame.length[m]!;
  const unit = unitVectors[load.direction];
  const d = load.axes === 'local' ? unit : toLocal(frame, m, unit);
  // The sine between load and member is the projection square to the load
  const share = load.per === 'projected' ? Math.hypot(d[1], d[2]) : 1;
  const from = (load.from ?? 0) * L;
  const to = (load.to ?? 1) * L;
  const [first, last] = load.q;
  const q1 = first === last ? noGradient : scaled(d, ((last - first) / (to - from)) * share);
  return { from, to, q0: scaled(d, first * share), q1 };
}

const scaled = (v: readonly [number, number, number], factor: number): [number, number, number] => [
  v[0] * factor,
  v[1] * factor,
  v[2] * factor,
];

function pointPiece(frame: Frame, m: number, load: PointLoad): PointPiece {
  const F = load.F ?? [0, 0, 0];
  const M = load.M ?? [0, 0, 0];
  const local = (load.axes ?? 'global') === 'local';
  return {
    at: load.at * frame.length[m]!,
    F: local ? F : toLocal(frame, m, F),
    M: local ? M : toLocal(frame, m, M),
  };
}

function toLocal(frame: Frame, m: number, v: readonly number[]): [number, number, number] {
  const a = 9 * m;
  const R = frame.axes;
  const x = v[0]!;
  const y = v[1]!;
  const z = v[2]!;
  return [
    R[a]! * x + R[a + 1]! * y + R[a + 2]! * z,
    R[a + 3]! * x + R[a + 4]! * y + R[a + 5]! * z,
    R[a + 6]! * x + R[a + 7]! * y + R[a + 8]! * z,
  ];
}

/** Ends of a member's segments; members of one segment and of one length, by which `whole` has theirs, share them. */
function segmentEnds(
  frame: Frame,
  actions: readonly (readonly (MemberAction | undefined)[])[],
  m: number,
  whole: Map<number, Float64Array>,
): Float64Array {
  const L = frame.length[m]!;
  let places: number[] | undefined;
  const taper = frame.tapers.get(m);
  if (taper) places = [...taper.breaks];
  for (const byMember of actions) {
    const action = byMember[m];
    if (!action) continue;
    for (const line of action.lines) {
      if (line.from > 0) (places ??= []).push(line.from);
      if (line.to < L) (places ??= []).push(line.to);
    }
    for (const point of action.points) (places ??= []).push(point.at);
  }
  if (!places) {
    const known = whole.get(L) ?? Float64Array.of(0, L);
    whole.set(L, known);
    return known;
  }
  places.sort((a, b) => a - b);
  const ends = [0];
  for (const place of places)
    if (place - ends[ends.length - 1]! > 1e-12 * L && place < L * (1 - 1e-12)) ends.push(place);
  ends.push(L);
  return Float64Array.from(ends);
}

/** Internal forces along the member from a start without force: N′ = −qx, V′ = q, M′ = V, and the jumps of point loads. */
function particularForces(
  action: MemberAction,
  breaks: Float64Array,
  terms: number,
  arrays: ShortArrays,
): { forces: Float64Array; end: Float64Array } {
  const count = breaks.length - 1;
  const forces = arrays.take(6 * terms * count);
  const value = arrays.take(6);
  const tolerance = 1e-9 * breaks[count]!;
  for (let s = 0; s < count; s++) {
    const x = breaks[s]!;
    const t = breaks[s + 1]! - x;
    for (const point of action.points) if (Math.abs(point.at - x) <= tolerance) jump(value, point);
    const base = 6 * terms * s;
    for (let k = 0; k < 6; k++) forces[base + terms * k] = value[k]!;
    forces[base + 4 * terms + 1]! += value[2]!;
    forces[base + 5 * terms + 1]! += value[1]!;
    for (const line of action.lines)
      if (line.to > x + tolerance && line.from < x + t - tolerance) addLine(forces, base, terms, x, line);
    for (let k = 0; k < 6; k++) value[k] = polynomialAt(forces, base + terms * k, terms, t);
  }
  for (const point of action.points) if (Math.abs(point.at - breaks[count]!) <= tolerance) jump(value, point);
  return { forces, end: value };
}

/** The forces just behind a point load, from those just before it. */
function jump(value: Float64Array, { F, M }: PointPiece): void {
  value[0]! -= F[0];
  value[1]! += F[1];
  value[2]! += F[2];
  value[3]! -= M[0];
  value[4]! += M[1];
  value[5]! -= M[2];
}

/** Adds a line load to the forces of the segment that begins at x. */
function addLine(forces: Float64Array, base: number, terms: number, x: number, line: LinePiece): void {
  const d = x - line.from;
  for (let k = 0; k < 3; k++) {
    const c2 = line.q2?.[k] ?? 0;
    const c1 = line.q1[k]! + 2 * c2 * d;
    const c0 = line.q0[k]! + (line.q1[k]! + c2 * d) * d;
    const force = base + terms * k;
    const sign = k === 0 ? -1 : 1;
    forces[force + 1]! += sign * c0;
    forces[force + 2]! += (sign * c1) / 2;
    if (c2 !== 0) forces[force + 3]! += (sign * c2) / 3;
    if (k === 0) continue;
    const moment = base + (k === 2 ? 4 : 5) * terms;
    forces[moment + 2]! += c0 / 2;
    forces[moment + 3]! += c1 / 6;
    if (c2 !== 0) forces[moment + 4]! += c2 / 12;
  }
}

/** Mean of 1/EA along a member. */
export function meanAxialFlexibility(frame: Frame, m: number): number {
  const taper = frame.tapers.get(m);
  if (!taper) return 1 / frame.rigidity[6 * m]!;
  const breaks = taper.breaks;
  const { terms, coefficients } = taper.flexibility(breaks);
  let sum = 0;
  for (let s = 0; s + 1 < breaks.length; s++) {
    const h = breaks[s + 1]! - breaks[s]!;
    for (let k = 0; k < terms; k++)
      sum += (coefficients[flexibilityCount * terms * s + k]! * h ** (k + 1)) / (k + 1);
  }
  return sum / frame.length[m]!;
}
