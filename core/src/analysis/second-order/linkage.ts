import type { CaseLoads } from '../case-loads.js';
import type { Prepared } from '../static.js';

/** A small symmetric matrix over some freedoms (6 × node + freedom). */
export interface FreedomMatrix {
  readonly freedoms: readonly number[];
  readonly K: Float64Array;
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
  const brought = grouped ? loads.nodal.map((value, i) => value + reactions[i]!) : undefined;
  for (let m = 0; m < frame.memberIds.length; m++)
    for (let end = 0; end < 2; end++) {
      const n = end === 0 ? frame.start[m]! : frame.end[m]!;
      const p = 12 * m + 6 * end;
      const R = frame.axes;
      const F = [0, 1, 2].map(
        (k) =>
          R[9 * m + k]! * memberForces[p]! +
          R[9 * m + 3 + k]! * memberForces[p + 1]! +
          R[9 * m + 6 + k]! * memberForces[p + 2]!,
      );
      if (frame.armed[m]) {
        const r = [0, 1, 2].map((k) => frame.arms[6 * m + 3 * end + k]!);
        if (r.some((x) => x !== 0)) out.push(turning(n, r, F, 1));
      }
      if (brought) for (let k = 0; k < 3; k++) brought[6 * n + k]! -= F[k]!;
    }
  if (!brought) return out;
  for (const group of frame.groups) {
    const centre = [0, 1, 2].map(
      (k) => group.nodes.reduce((sum, n) => sum + frame.xyz[3 * n + k]!, 0) / group.nodes.length,
    );
    for (const n of group.nodes) {
      const r = centre.map((c, k) => frame.xyz[3 * n + k]! - c);
      const F = [0, 1, 2].map((k) => brought[6 * n + k]!);
      const matrix = turning(n, r, F, -1);
      if (group.kind === 'plane') {
        const { normal } = group;
        let along = 0;
        for (let i = 0; i < 3; i++)
          for (let j = 0; j < 3; j++) along += normal[i]! * matrix.K[3 * i + j]! * normal[j]!;
        for (let i = 0; i < 3; i++)
          for (let j = 0; j < 3; j++) matrix.K[3 * i + j] = along * normal[i]! * normal[j]!;
      }
      out.push(matrix);
    }
  }
  return out;
}

function turning(n: number, r: readonly number[], F: readonly number[], sign: number): FreedomMatrix {
  const dot = r[0]! * F[0]! + r[1]! * F[1]! + r[2]! * F[2]!;
  const K = new Float64Array(9);
  for (let i = 0; i < 3; i++)
    for (let j = 0; j < 3; j++)
      K[3 * i + j] = sign * ((r[i]! * F[j]! + r[j]! * F[i]!) / 2 - (i === j ? dot : 0));
  return { freedoms: [6 * n + 3, 6 * n + 4, 6 * n + 5], K };
}
