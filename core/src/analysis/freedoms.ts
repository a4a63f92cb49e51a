import type { Frame } from './frame.js';

/** Which freedoms of each node are unknowns. */
export interface Freedoms {
  /** 6 a node: 1 unknown, 0 held or not there. */
  readonly active: Uint8Array;
  /** Rotations that nothing resists, as node number × 6 + freedom. */
  readonly dropped: readonly number[];
  /** Nodes that no member touches and no load acts on. */
  readonly loose: readonly number[];
}

const planeFreedoms = [1, 0, 1, 0, 1, 0];

/**
 * Finds the unknowns. Left out are fixed freedoms, those a plane frame does not have, nodes that nothing touches, and
 * rotations without any stiffness (a node where only bars or hinged ends meet) as long as no moment loads them.
 *
 * @param diagonal 6 a node: the members' stiffness on each freedom
 * @param loaded 6 a node: 1 where a load acts
 */
export function findFreedoms(frame: Frame, diagonal: Float64Array, loaded: Uint8Array): Freedoms {
  const active = new Uint8Array(diagonal.length);
  const dropped: number[] = [];
  const loose: number[] = [];
  const touched = new Uint8Array(frame.nodeIds.length);
  for (const n of frame.start) touched[n] = 1;
  for (const n of frame.end) touched[n] = 1;
  for (let n = 0; n < frame.nodeIds.length; n++) {
    if (!touched[n] && !loaded.subarray(6 * n, 6 * n + 6).some((x) => x === 1)) {
      loose.push(n);
      continue;
    }
    for (let k = 0; k < 6; k++) {
      const i = 6 * n + k;
      const spring = frame.restraint[i]!;
      if (spring === Infinity || (frame.plane && planeFreedoms[k] === 0)) continue;
      // A rotation's stiffness is compared with that of the node's stiffest rotation over a unit length
      const scale = Math.max(diagonal[6 * n]!, diagonal[6 * n + 1]!, diagonal[6 * n + 2]!);
      const resisted = diagonal[i]! + spring > 1e-12 * scale;
      if (k >= 3 && !resisted && !loaded[i]) dropped.push(i);
      else active[i] = 1;
    }
  }
  return { active, dropped, loose };
}
