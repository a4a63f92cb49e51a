import {
  canTaper,
  resolveSections,
  taperedProperties,
  type ResolvedSection,
} from '../../sections/sections.js';
import { memberAxes } from '../../model/axes.js';
import {
  freedoms,
  type FrameModel,
  type LoadCase,
  type Member,
  type MemberAction,
  type Release,
  type RigidGroup,
  type SectionProperties,
} from '../../model/types.js';
import { problem, ProblemError, type Problem } from '../../base/problem.js';
import { massesFromLoads } from './load-masses.js';
import type { SpreadMass } from './spread-masses.js';
import { taperBreaks, taperFlexibility, type Flexibility } from './taper.js';

/**
 * A frame model as flat arrays, indexed by node and member number; names live only in the id lists.
 * All values SI, global axes unless said otherwise.
 */
export interface Frame {
  readonly plane: boolean;
  readonly nodeIds: readonly string[];
  readonly memberIds: readonly string[];
  readonly nodeIndex: ReadonlyMap<string, number>;
  readonly memberIndex: ReadonlyMap<string, number>;
  /** x, y, z of each node, m. */
  readonly xyz: Float64Array;
  /** Node number at each member's start and end. */
  readonly start: Int32Array;
  readonly end: Int32Array;
  readonly length: Float64Array;
  /** 9 a member: rows x, y, z of the local axes. */
  readonly axes: Float64Array;
  /** 6 a member: EA, EIy, EIz, GJ, GAvy, GAvz (0 in the last two: rigid in shear); of a taper those at its start. */
  readonly rigidity: Float64Array;
  /** E·Iyz a member; 0 where y and z are principal axes. */
  readonly coupling: Float64Array;
  /** kg/m a member; of a taper the mean. */
  readonly massPerLength: Float64Array;
  readonly expansion: Float64Array;
  /** What each member carries, see `carries`. */
  readonly action: Uint8Array;
  /** 1 where the member carries N only. */
  readonly axialOnly: Uint8Array;
  /** 12 a member: hinge stiffness at start and end, in the order of freedoms; NaN where nothing is released. */
  readonly hinges: Float64Array;
  /** 1 where the member has a hinge. */
  readonly hinged: Uint8Array;
  /** 6 a member: rigid arms at start and end, global. */
  readonly arms: Float64Array;
  /** 1 where the member has a rigid arm. */
  readonly armed: Uint8Array;
  /** Members that taper. */
  readonly tapers: ReadonlyMap<number, Taper>;
  /** 6 a node: support stiffness; 0 free, Infinity fixed. In the support's own axes. */
  readonly restraint: Float64Array;
  /** Support axes of inclined supports (rows x, y, z), by node. */
  readonly supportAxes: ReadonlyMap<number, Float64Array>;
  readonly groups: readonly Group[];
  /** Extra mass a node, kg. */
  readonly masses: Float64Array;
  /** What loads add to the mass along members. */
  readonly spreadMasses: ReadonlyMap<number, readonly SpreadMass[]>;
  readonly sections: readonly ResolvedSection[];
  readonly loadCases: readonly LoadCase[];
}

/** How a member tapers. */
export interface Taper {
  /** Properties at a fraction of the length, 0 … 1. */
  readonly at: (share: number) => SectionProperties;
  /** Ends of the stretches on which its flexibility is smooth enough for one polynomial, m. */
  readonly breaks: Float64Array;
  /** Its flexibility on the segments between breaks, m from 0 to its length; found again for the same array. */
  readonly flexibility: (breaks: Float64Array) => Flexibility;
  readonly density: number;
}

/** Nodes that move as one. */
export interface Group {
  readonly id: string;
  readonly kind: RigidGroup['kind'];
  readonly nodes: Int32Array;
  /** Unit normal of a plane group, global. */
  readonly normal: readonly [number, number, number];
}

/** Codes of what a member carries. */
export const carries: Readonly<Record<MemberAction, number>> = {
  frame: 0,
  axial: 1,
  'tension-only': 2,
  'compression-only': 3,
};

/** Releases in the order of the element's freedoms. */
export const releases: readonly Release[] = ['N', 'Vy', 'Vz', 'T', 'My', 'Mz'];

/**
 * Turns a checked model into arrays.
 *
 * @throws ProblemError for unknown profiles and materials, and for tapers between sections of different kinds
 */
export function prepareFrame(model: FrameModel): Frame {
  const sections = resolveSections(model);
  const frame = emptyFrame(model, sections);
  const problems: Problem[] = [];
  model.members.forEach((member, m) => {
    placeMember(frame, member, m, problems);
    stiffen(frame, member, m, sections, problems);
    hinge(frame, member, m);
  });
  if (problems.length > 0) throw new ProblemError(problems);
  for (const support of model.supports ?? []) {
    const n = frame.nodeIndex.get(support.node)!;
    freedoms.forEach((freedom, k) => {
      const value = support[freedom];
      if (value !== undefined) frame.restraint[6 * n + k] = value === 'fixed' ? Infinity : value;
    });
    if (support.axes) frame.supportAxes.set(n, orthonormal(support.axes.x, support.axes.y));
  }
  return model.massFrom ? { ...frame, spreadMasses: massesFromLoads(model, frame) } : frame;
}

type MadeFrame = ReturnType<typeof emptyFrame>;

/** Nodes, groups and masses, and room for the members. */
function emptyFrame(model: FrameModel, sections: ReadonlyMap<string, ResolvedSection>) {
  const nodeCount = model.nodes.length;
  const memberCount = model.members.length;
  const nodeIndex = indexOf(model.nodes);
  const xyz = new Float64Array(3 * nodeCount);
  model.nodes.forEach((node, i) => {
    xyz[3 * i] = node.x;
    xyz[3 * i + 1] = node.y ?? 0;
    xyz[3 * i + 2] = node.z;
  });
  const masses = new Float64Array(nodeCount);
  for (const mass of model.masses ?? []) masses[nodeIndex.get(mass.node)!]! += mass.m;
  return {
    plane: model.space === 'plane',
    nodeIds: model.nodes.map((node) => node.id),
    memberIds: model.members.map((member) => member.id),
    nodeIndex,
    memberIndex: indexOf(model.members),
    xyz,
    start: new Int32Array(memberCount),
    end: new Int32Array(memberCount),
    length: new Float64Array(memberCount),
    axes: new Float64Array(9 * memberCount),
    rigidity: new Float64Array(6 * memberCount),
    coupling: new Float64Array(memberCount),
    massPerLength: new Float64Array(memberCount),
    expansion: new Float64Array(memberCount),
    action: new Uint8Array(memberCount),
    axialOnly: new Uint8Array(memberCount),
    hinges: new Float64Array(12 * memberCount).fill(NaN),
    hinged: new Uint8Array(memberCount),
    arms: new Float64Array(6 * memberCount),
    armed: new Uint8Array(memberCount),
    tapers: new Map<number, Taper>(),
    restraint: new Float64Array(6 * nodeCount),
    supportAxes: new Map<number, Float64Array>(),
    groups: (model.rigidGroups ?? []).map((group) => ({
      id: group.id,
      kind: group.kind,
      nodes: Int32Array.from(group.nodes, (id) => nodeIndex.get(id)!),
      normal: unit(group.normal ?? [0, 0, 1]),
    })),
    masses,
    spreadMasses: new Map<number, readonly SpreadMass[]>(),
    sections: model.members.map((member) => sections.get(member.section)!),
    loadCases: model.loadCases ?? [],
  };
}

function indexOf(things: readonly { readonly id: string }[]): Map<string, number> {
  const index = new Map<string, number>();
  for (let i = 0; i < things.length; i++) index.set(things[i]!.id, i);
  return index;
}

/** A member's ends, arms, axes and length. */
function placeMember(frame: MadeFrame, member: Member, m: number, problems: Problem[]): void {
  const { nodeIndex, xyz } = frame;
  const a = nodeIndex.get(member.start)!;
  const b = nodeIndex.get(member.end)!;
  frame.start[m] = a;
  frame.end[m] = b;
  if (member.offsets) {
    if (member.offsets.start) frame.arms.set(member.offsets.start, 6 * m);
    if (member.offsets.end) frame.arms.set(member.offsets.end, 6 * m + 3);
    frame.armed[m] = frame.arms.subarray(6 * m, 6 * m + 6).some((x) => x !== 0) ? 1 : 0;
  }
  const along = (k: number) =>
    xyz[3 * b + k]! + frame.arms[6 * m + 3 + k]! - xyz[3 * a + k]! - frame.arms[6 * m + k]!;
  const L = memberAxes([along(0), along(1), along(2)], member.roll ?? 0, frame.axes, 9 * m);
  frame.length[m] = L;
  if (L > 0 && Number.isFinite(L)) return;
  problems.push(
    problem(
      'invalid-model',
      `The length of member "${member.id}" is beyond what numbers hold; check its nodes (/members/${m})`,
      { path: `/members/${m}` },
    ),
  );
}

/** What a member carries, its rigidities and its taper. */
function stiffen(
  frame: MadeFrame,
  member: Member,
  m: number,
  sections: ReadonlyMap<string, ResolvedSection>,
  problems: Problem[],
): void {
  frame.action[m] = carries[member.action ?? 'frame'];
  frame.axialOnly[m] = frame.action[m] === 0 ? 0 : 1;
  const section = frame.sections[m]!;
  const { properties: p, material } = section;
  frame.rigidity.set(rigidities(section), 6 * m);
  frame.coupling[m] = material.E * (p.Iyz ?? 0);
  if (frame.plane) holdInPlane(frame, member.roll ?? 0, m);
  frame.massPerLength[m] = material.density * p.A;
  frame.expansion[m] = material.expansion;
  if (member.endSection === undefined || member.endSection === member.section) return;
  const end = sections.get(member.endSection)!;
  if (canTaper(section, end)) {
    const taper = taperBetween(section, end, frame.length[m]!, frame.plane);
    frame.tapers.set(m, taper);
    frame.massPerLength[m] = (material.density * (taper.at(0).A + 4 * taper.at(0.5).A + taper.at(1).A)) / 6;
    return;
  }
  problems.push(
    problem(
      'invalid-model',
      `Member "${member.id}" tapers between sections of different kinds, "${member.section}" and "${member.endSection}"; use two of one kind (/members/${m}/endSection)`,
      { path: `/members/${m}/endSection` },
    ),
  );
}

/**
 * A member of a plane frame is held in the plane all along: it bends about the plane's normal with the second moment about that axis,
 * Iy·cos² + Iz·sin² + 2·Iyz·sin·cos of its roll, and nothing of it leaves the plane.
 */
function holdInPlane(frame: MadeFrame, roll: number, m: number): void {
  const [sin, cos] = [Math.sin(roll), Math.cos(roll)];
  const [EIy, EIz, EIyz] = [frame.rigidity[6 * m + 1]!, frame.rigidity[6 * m + 2]!, frame.coupling[m]!];
  frame.coupling[m] = 0;
  if (Math.abs(sin * cos) < 1e-9) return;
  const held = EIy * cos * cos + EIz * sin * sin + 2 * EIyz * sin * cos;
  frame.rigidity[6 * m + 1] = held;
  frame.rigidity[6 * m + 2] = held;
}

function hinge(frame: MadeFrame, { hinges }: Member, m: number): void {
  if (!hinges) return;
  releases.forEach((release, k) => {
    const atStart = hinges.start?.[release];
    const atEnd = hinges.end?.[release];
    if (atStart !== undefined) frame.hinges[12 * m + k] = atStart === 'free' ? 0 : atStart;
    if (atEnd !== undefined) frame.hinges[12 * m + 6 + k] = atEnd === 'free' ? 0 : atEnd;
    if (atStart !== undefined || atEnd !== undefined) frame.hinged[m] = 1;
  });
}

/** EA, EIy, EIz, GJ, GAvy, GAvz; the last two 0 where a section does not deform in shear. N, N·m² */
function rigidities({ properties: p, material: { E, G }, shearDeformation }: ResolvedSection): number[] {
  const shear = shearDeformation ? G : 0;
  return [
    E * p.A,
    E * (p.Iy ?? 0),
    E * (p.Iz ?? 0),
    G * (p.J ?? 0),
    shear * (p.Avy ?? 0),
    shear * (p.Avz ?? 0),
  ];
}

function taperBetween(a: ResolvedSection, b: ResolvedSection, L: number, plane: boolean): Taper {
  const { E, G, density } = a.material;
  const along = taperedProperties(a, b);
  const at = (share: number): SectionProperties => {
    const p = along(share);
    // What a plane frame does not use may be left out, but its flexibility must not be singular
    return plane ? { ...p, Iy: p.Iy ?? p.A, Iz: p.Iz ?? p.Iy ?? p.A, J: p.J ?? p.Iy ?? p.A } : p;
  };
  const shear = a.shearDeformation && b.shearDeformation;
  const made = new WeakMap<Float64Array, Flexibility>();
  const flexibility = (breaks: Float64Array): Flexibility => {
    let known = made.get(breaks);
    if (!known) made.set(breaks, (known = taperFlexibility(at, breaks, { E, G, shear })));
    return known;
  };
  return { at, breaks: taperBreaks(at, L), flexibility, density };
}

function unit(v: readonly [number, number, number]): [number, number, number] {
  const length = Math.hypot(...v);
  return [v[0] / length, v[1] / length, v[2] / length];
}

/** Rows x, y, z of a right-handed system with x along `x` and y in the plane of `x` and `y`. */
function orthonormal(x: readonly [number, number, number], y: readonly number[]): Float64Array {
  const [a, b, c] = unit(x);
  const along = a * y[0]! + b * y[1]! + c * y[2]!;
  const [d, e, f] = unit([y[0]! - along * a, y[1]! - along * b, y[2]! - along * c]);
  return Float64Array.of(a, b, c, d, e, f, b * f - c * e, c * d - a * f, a * e - b * d);
}
