import type { CaseLoads } from '../loads/case-loads.js';
import type { Frame } from '../frame/frame.js';
import type { Prepared } from '../first-order/static.js';

/** A small symmetric matrix over some freedoms (6 × node + freedom). */
export interface FreedomMatrix {
  /** The same list for the same freedoms of a frame: what is found for it can be kept by it. */
  readonly freedoms: readonly number[];
  readonly K: Float64Array;
}

/** An arm by which a node turns something else: from the node to where a member's force acts, or to a group's centre, m. */
interface Arm {
  readonly node: number;
  /** The node's rotations. */
  readonly freedoms: readonly number[];
  readonly r: readonly [number, number, number];
}

/** The rigid arms and groups of a frame. */
interface Linkages {
  /** By member's end, 2 a member; undefined where a member has no arm. */
  readonly ofMembers: readonly (Arm | undefined)[];
  /** Of each group, its nodes' arms to its centre; a floor turns only about its normal. */
  readonly ofGroups: readonly { readonly arms: readonly Arm[]; readonly normal?: readonly number[] }[];
}

const kept = new WeakMap<Frame, Linkages>();

function linkagesOf(frame: Frame): Linkages {
  const known = kept.get(frame);
  if (known) return known;
  const arm = (node: number, r: Arm['r']): Arm => ({
    node,
    freedoms: [6 * node + 3, 6 * node + 4, 6 * node + 5],
    r,
  });
  const ofMembers = frame.memberIds.flatMap((_, m) =>
    [frame.start[m]!, frame.end[m]!].map((n, end) => {
      const k = 6 * m + 3 * end;
      const r = [frame.arms[k]!, frame.arms[k + 1]!, frame.arms[k + 2]!] as const;
      return frame.armed[m] && r.some((x) => x !== 0) ? arm(n, r) : undefined;
    }),
  );
  const ofGroups = frame.groups.map((group) => {
    const centre = [0, 1, 2].map(
      (k) => group.nodes.reduce((sum, n) => sum + frame.xyz[3 * n + k]!, 0) / group.nodes.length,
    );
    const arms = Array.from(group.nodes, (n) =>
      arm(n, [
        frame.xyz[3 * n]! - centre[0]!,
        frame.xyz[3 * n + 1]! - centre[1]!,
        frame.xyz[3 * n + 2]! - centre[2]!,
      ]),
    );
    return { arms, ...(group.kind === 'plane' ? { normal: group.normal } : {}) };
  });
  const linkages = { ofMembers, ofGroups };
  kept.set(frame, linkages);
  return linkages;
}

/**
 * What forces do through rigid arms and rigid groups when these turn: a force F at the end of an arm r that turns by
 * θ has the moment (r + θ × r) × F, so that the node's stiffness changes by sym(r·Fᵀ) − (r·F)·I, F from the node on the
 * member; of a group likewise with the force that its node brings, of opposite sign.
 */
export function linkageMatrices(
  { frame }: Prepared,
  loads: CaseLoads,
  memberForces: Float64Array,
  reactions: Float64Array,
): FreedomMatrix[] {
  const out: FreedomMatrix[] = [];
  const grouped = frame.groups.length > 0;
  if (!grouped && !frame.armed.includes(1)) return out;
  const { ofMembers, ofGroups } = linkagesOf(frame);
  const brought = grouped ? loads.nodal.map((value, i) => value + reactions[i]!) : undefined;
  const F = new Float64Array(3);
  const R = frame.axes;
  for (let m = 0; m < frame.memberIds.length; m++)
    for (let end = 0; end < 2; end++) {
      const n = end === 0 ? frame.start[m]! : frame.end[m]!;
      const p = 12 * m + 6 * end;
      for (let k = 0; k < 3; k++)
        F[k] =
          R[9 * m + k]! * memberForces[p]! +
          R[9 * m + 3 + k]! * memberForces[p + 1]! +
          R[9 * m + 6 + k]! * memberForces[p + 2]!;
      const arm = ofMembers[2 * m + end];
      if (arm) out.push(turning(arm, F, 1));
      if (brought) for (let k = 0; k < 3; k++) brought[6 * n + k]! -= F[k]!;
    }
  if (!brought) return out;
  for (const { arms, normal } of ofGroups)
    for (const arm of arms) {
      for (let k = 0; k < 3; k++) F[k] = brought[6 * arm.node + k]!;
      const matrix = turning(arm, F, -1);
      if (normal) keepAbout(normal, matrix.K);
      out.push(matrix);
    }
  return out;
}

/** Leaves of a 3 × 3 matrix what acts about an axis. */
function keepAbout(axis: readonly number[], K: Float64Array): void {
  let along = 0;
  for (let i = 0; i < 3; i++) for (let j = 0; j < 3; j++) along += axis[i]! * K[3 * i + j]! * axis[j]!;
  for (let i = 0; i < 3; i++) for (let j = 0; j < 3; j++) K[3 * i + j] = along * axis[i]! * axis[j]!;
}

function turning({ freedoms, r }: Arm, F: Float64Array, sign: number): FreedomMatrix {
  const dot = r[0] * F[0]! + r[1] * F[1]! + r[2] * F[2]!;
  const K = new Float64Array(9);
  for (let i = 0; i < 3; i++)
    for (let j = 0; j < 3; j++)
      K[3 * i + j] = sign * ((r[i]! * F[j]! + r[j]! * F[i]!) / 2 - (i === j ? dot : 0));
  return { freedoms, K };
}
