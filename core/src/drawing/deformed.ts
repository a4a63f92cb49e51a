import { pointOn, globalDisplacementAt } from '../results/index.js';
import type { Frame, FrameState } from '../analysis/index.js';
import type { Point } from '../recipe/geometry/vector.js';
import type { Draughtsman } from './drawing.js';
import { nodeAt, stationsAlong } from './places.js';

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
    pen.path(
      'deformed',
      xs.map((x) => pointOn(frame, m, x)),
      { colour: 'indigo', width: 2, scale: 'deformation' },
      xs.map((x) => globalDisplacementAt(frame, field, m, x)),
    );
  });
}

/** A shape given by the displacements of nodes (a mechanism, a buckling shape, a mode), straight between them. */
export function drawShape(
  pen: Draughtsman,
  frame: Frame,
  move: (node: number) => Point,
  colour: 'vermilion' | 'indigo',
): void {
  frame.memberIds.forEach((_, m) => {
    const [a, b] = [frame.start[m]!, frame.end[m]!];
    pen.line(
      'moving',
      nodeAt(frame, a),
      nodeAt(frame, b),
      { colour, width: 2.2, scale: 'deformation' },
      move(a),
      move(b),
    );
  });
}
