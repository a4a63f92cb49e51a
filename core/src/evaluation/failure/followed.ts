import { fail } from '../../base/problem.js';
import type { Frame, FrameState } from '../../analysis/index.js';
import type { Namer } from '../../geometry/names.js';
import { freedoms } from '../../model/types.js';
import type { FollowedPlace } from './failure-file.js';

/** A node's freedom that a curve follows. */
export interface Followed extends FollowedPlace {
  /** Number in a state's displacements. */
  readonly freedom: number;
}

/** The node and component that are named. @throws ProblemError `unknown-node` */
export function followedAs(written: string, frame: Frame, namer: Namer): Followed {
  const at = written.lastIndexOf('.');
  const [name, component] = [written.slice(0, at).trim(), written.slice(at + 1).trim()];
  const k = (freedoms as readonly string[]).indexOf(component);
  if (at < 0 || k < 0)
    fail('unknown-node', `"${written}" names no component of a node; write it like "frame.point.2.ux".`, {
      follow: written,
    });
  const n = frame.nodeIndex.get(name) ?? frame.nodeIds.findIndex((id) => namer.node(id) === name);
  if (n < 0)
    fail('unknown-node', `The frame has no node "${name}" to follow; name one by its id or title.`, {
      node: name,
    });
  return followedOf(frame, namer, n, k);
}

const followedOf = (frame: Frame, namer: Namer, n: number, k: number): Followed => {
  const node = frame.nodeIds[n]!;
  return { node, title: namer.node(node), component: freedoms[k]!, freedom: 6 * n + k };
};

/** The component with the greatest displacement of a node: translations, and rotations only where nothing else moves. */
export function greatestDisplacement(
  frame: Frame,
  namer: Namer,
  { displacements }: FrameState,
): Followed | undefined {
  for (const components of [
    [0, 1, 2],
    [3, 4, 5],
  ]) {
    let best: { n: number; k: number; value: number } | undefined;
    frame.nodeIds.forEach((_, n) => {
      for (const k of components) {
        const value = Math.abs(displacements[6 * n + k]!);
        if (value > (best?.value ?? 0) * (1 + 1e-9)) best = { n, k, value };
      }
    });
    if (best) return followedOf(frame, namer, best.n, best.k);
  }
  return undefined;
}
