import { localStiffness } from './element.js';
import type { Frame } from './frame.js';
import { condenseHinges, type HingeStep } from './hinges.js';
import { globalDiagonal } from './transform.js';

/** Every member's stiffness in local axes. */
export interface Elements {
  /** 144 a member: stiffness with hinges. */
  readonly local: Float64Array;
  /** Stiffness before hinges, of members that have some. */
  readonly clamped: ReadonlyMap<number, Float64Array>;
  /** How hinges were condensed, of members that have some. */
  readonly hinges: ReadonlyMap<number, readonly HingeStep[]>;
}

/**
 * Forms all member stiffnesses.
 *
 * @throws ProblemError `mechanism` for a member that its own hinges leave loose
 */
export function formElements(frame: Frame): Elements {
  const count = frame.memberIds.length;
  const local = new Float64Array(144 * count);
  const clamped = new Map<number, Float64Array>();
  const hinges = new Map<number, readonly HingeStep[]>();
  for (let m = 0; m < count; m++) {
    const K = local.subarray(144 * m, 144 * m + 144);
    localStiffness(frame, m, K);
    if (!frame.hinged[m] || frame.axialOnly[m]) continue;
    clamped.set(m, K.slice());
    hinges.set(m, condenseHinges(frame, m, K));
  }
  return { local, clamped, hinges };
}

/** Stiffness of a member before hinges, local. */
export function clampedStiffness(elements: Elements, m: number): Float64Array {
  return elements.clamped.get(m) ?? elements.local.subarray(144 * m, 144 * m + 144);
}

const scratch = new Float64Array(12);

/** Stiffness of the members on each freedom of each node, 6 a node, global. */
export function nodeDiagonal(frame: Frame, elements: Elements): Float64Array {
  const out = new Float64Array(6 * frame.nodeIds.length);
  for (let m = 0; m < frame.memberIds.length; m++) {
    globalDiagonal(frame, m, elements.local.subarray(144 * m, 144 * m + 144), scratch);
    for (let k = 0; k < 6; k++) {
      out[6 * frame.start[m]! + k]! += scratch[k]!;
      out[6 * frame.end[m]! + k]! += scratch[k + 6]!;
    }
  }
  return out;
}
