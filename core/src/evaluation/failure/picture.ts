import type { Frame, MemberField } from '../../analysis/index.js';
import { globalDisplacementAt, pointOn } from '../../results/index.js';

/** The frame along a path, for drawing: places along members, and how they move at each factor. Plain data. */
export interface FailurePicture {
  /** Ids of members. */
  readonly members: readonly string[];
  /** Places along each member. */
  readonly stations: number;
  /** x, y, z of each place of each member, m. */
  readonly places: Float32Array;
  /** The same count of numbers for each point of the curve, in its order: displacements, global, m. */
  readonly moves: readonly Float32Array[];
}

const stations = 9;

/** @param fieldsAt the functions along a member at each factor of the curve */
export function pictureOf(
  frame: Frame,
  factors: readonly number[],
  fieldsAt: (factor: number) => (member: number) => MemberField,
): FailurePicture {
  const count = frame.memberIds.length;
  const xOf = (m: number, k: number) => (frame.length[m]! * k) / (stations - 1);
  const along = (of: (m: number, x: number) => readonly number[]): Float32Array => {
    const out = new Float32Array(3 * stations * count);
    for (let m = 0; m < count; m++)
      for (let k = 0; k < stations; k++) out.set(of(m, xOf(m, k)), 3 * (stations * m + k));
    return out;
  };
  return {
    members: frame.memberIds,
    stations,
    places: along((m, x) => pointOn(frame, m, x)),
    moves: factors.map((factor) => {
      const fieldOf = fieldsAt(factor);
      const fields = frame.memberIds.map((_, m) => fieldOf(m));
      return along((m, x) => globalDisplacementAt(frame, fields[m]!, m, x));
    }),
  };
}
