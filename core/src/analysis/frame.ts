import { resolveSections, type ResolvedSection } from '../library/sections.js';
import { memberAxes } from '../model/axes.js';
import { freedoms, type FrameModel, type LoadCase, type Release } from '../model/types.js';

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
  /** 6 a member: EA, EIy, EIz, GJ, GAvy, GAvz (0 in the last two: rigid in shear). */
  readonly rigidity: Float64Array;
  /** kg/m a member. */
  readonly massPerLength: Float64Array;
  readonly expansion: Float64Array;
  /** 1 where the member carries N only. */
  readonly axialOnly: Uint8Array;
  /** 12 a member: hinge stiffness at start and end, in the order of freedoms; NaN where nothing is released. */
  readonly hinges: Float64Array;
  /** 6 a member: rigid arms at start and end, global. */
  readonly arms: Float64Array;
  /** 6 a node: support stiffness; 0 free, Infinity fixed. In the support's own axes. */
  readonly restraint: Float64Array;
  /** Support axes of inclined supports (rows x, y, z), by node. */
  readonly supportAxes: ReadonlyMap<number, Float64Array>;
  readonly sections: readonly ResolvedSection[];
  readonly loadCases: readonly LoadCase[];
}

/** Releases in the order of the element's freedoms. */
export const releases: readonly Release[] = ['N', 'Vy', 'Vz', 'T', 'My', 'Mz'];

/**
 * Turns a checked model into arrays.
 *
 * @throws ProblemError for unknown profiles and materials
 */
export function prepareFrame(model: FrameModel): Frame {
  const sections = resolveSections(model);
  const nodeCount = model.nodes.length;
  const memberCount = model.members.length;
  const nodeIndex = new Map(model.nodes.map((node, i) => [node.id, i]));
  const xyz = new Float64Array(3 * nodeCount);
  model.nodes.forEach((node, i) => xyz.set([node.x, node.y ?? 0, node.z], 3 * i));

  const frame = {
    plane: model.space === 'plane',
    nodeIds: model.nodes.map((node) => node.id),
    memberIds: model.members.map((member) => member.id),
    nodeIndex,
    memberIndex: new Map(model.members.map((member, i) => [member.id, i])),
    xyz,
    start: new Int32Array(memberCount),
    end: new Int32Array(memberCount),
    length: new Float64Array(memberCount),
    axes: new Float64Array(9 * memberCount),
    rigidity: new Float64Array(6 * memberCount),
    massPerLength: new Float64Array(memberCount),
    expansion: new Float64Array(memberCount),
    axialOnly: new Uint8Array(memberCount),
    hinges: new Float64Array(12 * memberCount).fill(NaN),
    arms: new Float64Array(6 * memberCount),
    restraint: new Float64Array(6 * nodeCount),
    supportAxes: new Map<number, Float64Array>(),
    sections: model.members.map((member) => sections.get(member.section)!),
    loadCases: model.loadCases ?? [],
  };

  model.members.forEach((member, m) => {
    const a = nodeIndex.get(member.start)!;
    const b = nodeIndex.get(member.end)!;
    frame.start[m] = a;
    frame.end[m] = b;
    if (member.offsets?.start) frame.arms.set(member.offsets.start, 6 * m);
    if (member.offsets?.end) frame.arms.set(member.offsets.end, 6 * m + 3);
    const along = [0, 1, 2].map(
      (k) => xyz[3 * b + k]! + frame.arms[6 * m + 3 + k]! - xyz[3 * a + k]! - frame.arms[6 * m + k]!,
    );
    frame.length[m] = memberAxes(along[0]!, along[1]!, along[2]!, member.roll ?? 0, frame.axes, 9 * m);
    frame.axialOnly[m] = member.action === 'axial' ? 1 : 0;
    const { properties: p, material, shearDeformation } = frame.sections[m]!;
    const shear = shearDeformation ? 1 : 0;
    frame.rigidity.set(
      [
        material.E * p.A,
        material.E * (p.Iy ?? 0),
        material.E * (p.Iz ?? 0),
        material.G * (p.J ?? 0),
        shear * material.G * (p.Avy ?? 0),
        shear * material.G * (p.Avz ?? 0),
      ],
      6 * m,
    );
    frame.massPerLength[m] = material.density * p.A;
    frame.expansion[m] = material.expansion;
    releases.forEach((release, k) => {
      const atStart = member.hinges?.start?.[release];
      const atEnd = member.hinges?.end?.[release];
      if (atStart !== undefined) frame.hinges[12 * m + k] = atStart === 'free' ? 0 : atStart;
      if (atEnd !== undefined) frame.hinges[12 * m + 6 + k] = atEnd === 'free' ? 0 : atEnd;
    });
  });

  for (const support of model.supports ?? []) {
    const n = nodeIndex.get(support.node)!;
    freedoms.forEach((freedom, k) => {
      const value = support[freedom];
      if (value !== undefined) frame.restraint[6 * n + k] = value === 'fixed' ? Infinity : value;
    });
    if (support.axes) frame.supportAxes.set(n, orthonormal(support.axes.x, support.axes.y));
  }
  return frame;
}

/** Rows x, y, z of a right-handed system with x along `x` and y in the plane of `x` and `y`. */
function orthonormal(x: readonly number[], y: readonly number[]): Float64Array {
  const lengthX = Math.hypot(...x);
  const [a, b, c] = x.map((value) => value / lengthX) as [number, number, number];
  const along = a * y[0]! + b * y[1]! + c * y[2]!;
  const square = [y[0]! - along * a, y[1]! - along * b, y[2]! - along * c];
  const lengthY = Math.hypot(...square);
  const [d, e, f] = square.map((value) => value / lengthY) as [number, number, number];
  return Float64Array.of(a, b, c, d, e, f, b * f - c * e, c * d - a * f, a * e - b * d);
}
