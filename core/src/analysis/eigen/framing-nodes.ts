import type { Frame } from '../frame/frame.js';

/**
 * Nodes at which something ends, meets or is held; not those that merely divide a straight member, 1 each. What divides a member is
 * no node of the frame: its movement is the member's own.
 */
export function framingNodes(frame: Frame): Uint8Array {
  const ends: number[][] = frame.nodeIds.map(() => []);
  frame.memberIds.forEach((_, m) => {
    ends[frame.start[m]!]!.push(m);
    ends[frame.end[m]!]!.push(m);
  });
  const grouped = new Set(frame.groups.flatMap(({ nodes }) => [...nodes]));
  return Uint8Array.from(ends, (members, n) => {
    const isHeld = frame.restraint.subarray(6 * n, 6 * n + 6).some((value) => value > 0) || grouped.has(n);
    return isHeld || members.length !== 2 || !continues(frame, members[0]!, members[1]!) ? 1 : 0;
  });
}

/** Whether two members that meet are one straight line without a hinge or an arm between them. */
function continues(frame: Frame, a: number, b: number): boolean {
  if (frame.hinged[a] || frame.hinged[b] || frame.armed[a] || frame.armed[b]) return false;
  let along = 0;
  for (let k = 0; k < 3; k++) along += frame.axes[9 * a + k]! * frame.axes[9 * b + k]!;
  return Math.abs(along) > 1 - 1e-6;
}
