import { localStiffness } from './element.js';
import type { Frame } from './frame.js';
import { condenseHinges, type HingeStep } from './hinges.js';
import { congruence, memberTransform } from './transform.js';

/** Every member's matrices. */
export interface Elements {
  /** 144 a member: local stiffness before hinges. */
  readonly clamped: Float64Array;
  /** 144 a member: local stiffness with hinges. */
  readonly local: Float64Array;
  /** 144 a member: u_local = T·u_nodes. */
  readonly transform: Float64Array;
  /** 144 a member: stiffness in the nodes' axes. */
  readonly global: Float64Array;
  readonly hinges: readonly HingeStep[][];
}

/**
 * Forms all member stiffnesses.
 *
 * @throws ProblemError `mechanism` for a member that its own hinges leave loose
 */
export function formElements(frame: Frame): Elements {
  const count = frame.memberIds.length;
  const clamped = new Float64Array(144 * count);
  const local = new Float64Array(144 * count);
  const transform = new Float64Array(144 * count);
  const global = new Float64Array(144 * count);
  const hinges: HingeStep[][] = [];
  const work = new Float64Array(144);
  for (let m = 0; m < count; m++) {
    const window = (all: Float64Array) => all.subarray(144 * m, 144 * m + 144);
    localStiffness(frame.rigidity, 6 * m, frame.length[m]!, frame.axialOnly[m] === 1, window(clamped));
    window(local).set(window(clamped));
    hinges.push(condenseHinges(frame, m, window(local)));
    memberTransform(frame, m, window(transform));
    congruence(window(transform), window(local), work, window(global));
  }
  return { clamped, local, transform, global, hinges };
}

/** Stiffness of the members on each freedom of each node, 6 a node, in the nodes' axes. */
export function nodeDiagonal(frame: Frame, elements: Elements): Float64Array {
  const out = new Float64Array(6 * frame.nodeIds.length);
  for (let m = 0; m < frame.memberIds.length; m++)
    for (let k = 0; k < 6; k++) {
      out[6 * frame.start[m]! + k]! += elements.global[144 * m + 13 * k]!;
      out[6 * frame.end[m]! + k]! += elements.global[144 * m + 13 * (k + 6)]!;
    }
  return out;
}
