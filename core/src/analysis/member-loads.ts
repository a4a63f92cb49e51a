import type { DistributedLoad, LoadCase, MemberLoad, PointLoad } from '../model/types.js';
import { gravity } from '../model/types.js';
import type { Frame } from './frame.js';
import { forceTerms, segmentSize, type InitialStrain } from './member-field.js';
import { evaluate } from './polynomial.js';

/** A line load on a member in local axes: linear from `from` to `to` (m), q in N/m at both. */
interface LinePiece {
  from: number;
  to: number;
  q0: readonly [number, number, number];
  q1: readonly [number, number, number];
}

/** A force and moment at one place of a member, local axes. */
interface PointPiece {
  at: number;
  F: readonly [number, number, number];
  M: readonly [number, number, number];
}

/** All that acts on one member in one load case, in local axes. */
interface MemberAction {
  lines: LinePiece[];
  points: PointPiece[];
  strain: [number, number, number];
}

/** What the loads of one case do to one member if its start were free of force and displacement. */
export interface LoadField {
  /** Coefficients of the internal forces, laid out as in MemberField. */
  readonly forces: Float64Array;
  /** N, Vy, Vz, T, My, Mz just behind the member's end, after point loads there. */
  readonly end: Float64Array;
  readonly strain: InitialStrain;
}

/** Loads along every member, ready to be superposed. */
export interface MemberLoadFields {
  /** Segment ends of each member, common to all load cases. */
  readonly breaks: readonly Float64Array[];
  /** By load case, then member; undefined where the case does not load the member. */
  readonly fields: readonly (readonly (LoadField | undefined)[])[];
}

/** Builds the exact load functions of every member in every load case. */
export function memberLoadFields(frame: Frame): MemberLoadFields {
  const count = frame.memberIds.length;
  const actions = frame.loadCases.map((loadCase) => gatherActions(frame, loadCase));
  const breaks: Float64Array[] = [];
  for (let m = 0; m < count; m++) breaks.push(segmentEnds(frame.length[m]!, actions, m));
  const fields = actions.map((byMember) =>
    byMember.map((action, m) =>
      action ? { ...particularForces(action, breaks[m]!), strain: action.strain } : undefined,
    ),
  );
  return { breaks, fields };
}

function gatherActions(frame: Frame, loadCase: LoadCase): (MemberAction | undefined)[] {
  const byMember = new Array<MemberAction | undefined>(frame.memberIds.length).fill(undefined);
  const of = (m: number): MemberAction => (byMember[m] ??= { lines: [], points: [], strain: [0, 0, 0] });
  const weight = (loadCase.selfWeight ?? 0) * gravity;
  if (weight !== 0)
    for (let m = 0; m < byMember.length; m++) {
      const q = toLocal(frame, m, [0, 0, -weight * frame.massPerLength[m]!]);
      of(m).lines.push({ from: 0, to: frame.length[m]!, q0: q, q1: q });
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
      action.lines.push(linePiece(frame, m, load));
      break;
    case 'point':
      action.points.push(pointPiece(frame, m, load));
      break;
    case 'temperature': {
      const alpha = frame.expansion[m]!;
      action.strain[0] += alpha * (load.uniform ?? 0);
      // The warm side grows longer: w″ = −α·∂T/∂z
      action.strain[1] -= alpha * (load.gradientZ ?? 0);
      action.strain[2] -= alpha * (load.gradientY ?? 0);
      break;
    }
    case 'pretension':
      action.strain[0] -= load.force / frame.rigidity[6 * m]!;
      break;
  }
}

function linePiece(frame: Frame, m: number, load: DistributedLoad): LinePiece {
  const L = frame.length[m]!;
  const k = { x: 0, y: 1, z: 2 }[load.direction];
  const direction: [number, number, number] = [0, 0, 0];
  direction[k] = 1;
  const local = (load.axes ?? 'global') === 'local';
  const d = local ? direction : toLocal(frame, m, direction);
  // The sine between load and member is the projection square to the load
  const share = load.per === 'projected' ? Math.hypot(d[1], d[2]) : 1;
  const scaled = (q: number) =>
    [d[0] * q * share, d[1] * q * share, d[2] * q * share] as [number, number, number];
  return {
    from: (load.from ?? 0) * L,
    to: (load.to ?? 1) * L,
    q0: scaled(load.q[0]),
    q1: scaled(load.q[1]),
  };
}

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
  const row = (i: number) =>
    frame.axes[a + i]! * v[0]! + frame.axes[a + i + 1]! * v[1]! + frame.axes[a + i + 2]! * v[2]!;
  return [row(0), row(3), row(6)];
}

function segmentEnds(
  L: number,
  actions: readonly (readonly (MemberAction | undefined)[])[],
  m: number,
): Float64Array {
  const places = [0, L];
  for (const byMember of actions) {
    const action = byMember[m];
    action?.lines.forEach((line) => places.push(line.from, line.to));
    action?.points.forEach((point) => places.push(point.at));
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
): { forces: Float64Array; end: Float64Array } {
  const count = breaks.length - 1;
  const forces = new Float64Array(segmentSize * count);
  const value = new Float64Array(6);
  const tolerance = 1e-9 * breaks[count]!;
  for (let s = 0; s < count; s++) {
    const x = breaks[s]!;
    const t = breaks[s + 1]! - x;
    for (const point of action.points) if (Math.abs(point.at - x) <= tolerance) jump(value, point);
    const base = segmentSize * s;
    for (let k = 0; k < 6; k++) forces[base + forceTerms * k] = value[k]!;
    forces[base + 17]! += value[2]!;
    forces[base + 21]! += value[1]!;
    for (const line of action.lines)
      if (line.to > x + tolerance && line.from < x + t - tolerance) addLine(forces, base, x, line);
    for (let k = 0; k < 6; k++) value[k] = evaluate(forces, base + forceTerms * k, forceTerms, t);
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
function addLine(forces: Float64Array, base: number, x: number, line: LinePiece): void {
  for (let k = 0; k < 3; k++) {
    const slope = (line.q1[k]! - line.q0[k]!) / (line.to - line.from);
    const q = line.q0[k]! + slope * (x - line.from);
    const force = base + forceTerms * k;
    const sign = k === 0 ? -1 : 1;
    forces[force + 1]! += sign * q;
    forces[force + 2]! += (sign * slope) / 2;
    if (k === 0) continue;
    const moment = k === 2 ? base + 16 : base + 20;
    forces[moment + 2]! += q / 2;
    forces[moment + 3]! += slope / 6;
  }
}
