import { pointOn, globalDisplacementAt } from '../../results/index.js';
import type { Frame, FrameState } from '../../analysis/index.js';
import type { Draughtsman } from '../drawing.js';
import { stationsAlong } from '../places.js';

/** Largest displacement of any node, m, for the common scale. */
export function greatestMove(state: FrameState): number {
  let most = 0;
  for (let i = 0; i + 5 < state.displacements.length; i += 6)
    most = Math.max(
      most,
      Math.hypot(state.displacements[i]!, state.displacements[i + 1]!, state.displacements[i + 2]!),
    );
  return most;
}

/** The displaced members, by their exact functions. */
export function drawDeformed(pen: Draughtsman, frame: Frame, state: FrameState): void {
  const count = frame.memberIds.length > 400 ? 4 : 14;
  frame.memberIds.forEach((_, m) => {
    const field = state.field(m);
    const xs = stationsAlong(field, count);
    pen.on('deformed').path(
      xs.map((x) => pointOn(frame, m, x)),
      { colour: 'indigo', width: 2, scale: 'deformation' },
      xs.map((x) => globalDisplacementAt(frame, field, m, x)),
    );
  });
}
