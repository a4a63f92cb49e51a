import { pointOn, globalDisplacementAt } from '../../results/index.js';
import type { FrameState } from '../../analysis/index.js';
import type { Point } from '../../geometry/vector.js';
import { nodeAt, stationsAlong } from '../places.js';
import type { ShownContext } from '../shown/shown.js';

const moveOf = ({ displacements }: FrameState, n: number): Point => [
  displacements[6 * n]!,
  displacements[6 * n + 1]!,
  displacements[6 * n + 2]!,
];

/** The node that moves most, of those that are looked at. */
function farthestMoved(state: FrameState, isSeen: (n: number) => boolean = () => true): number {
  let [most, node] = [0, 0];
  for (let n = 0; 6 * n + 5 < state.displacements.length; n++) {
    const move = Math.hypot(...moveOf(state, n));
    if (isSeen(n) && move > most) [most, node] = [move, n];
  }
  return node;
}

/** Largest displacement of any node, m, for the common scale. */
export const greatestMove = (state: FrameState): number => Math.hypot(...moveOf(state, farthestMoved(state)));

/** The displaced members, by their exact functions, with the displacement of the node that moves most. */
export function drawDeformed(
  { pen, frame, namer, shown, units }: Pick<ShownContext, 'pen' | 'frame' | 'namer' | 'shown' | 'units'>,
  state: FrameState,
): void {
  const count = frame.memberIds.length > 400 ? 4 : 14;
  frame.memberIds.forEach((_, m) => {
    if (!shown(m)) return;
    const field = state.field(m);
    const xs = stationsAlong(field, count);
    pen.on('deformed').path(
      xs.map((x) => pointOn(frame, m, x)),
      { colour: 'inkSoft', width: 1.8, scale: 'deformation' },
      xs.map((x) => globalDisplacementAt(frame, field, m, x)),
    );
  });
  const seen = new Set(frame.memberIds.flatMap((_, m) => (shown(m) ? [frame.start[m]!, frame.end[m]!] : [])));
  const n = farthestMoved(state, (one) => seen.has(one));
  const shift = moveOf(state, n);
  const move = Math.hypot(...shift);
  if (move === 0) return;
  const at = nodeAt(frame, n);
  pen.text({
    key: 'greatest displacement',
    text: units.withUnit(move, 'deflection'),
    at,
    shift,
    scale: 'deformation',
    from: at,
    tone: 'inkSoft',
    layer: 'deformed',
    priority: 8,
    title: `greatest displacement of a node: ${units.exact(move, 'deflection')}, ${namer.node(frame.nodeIds[n]!)}`,
  });
}
