import { buckling } from './buckling.js';
import { envelope } from './envelope.js';
import { mode } from './modes.js';
import type { KnownResults, ShownContext, ShownKind, ShownResult } from './shown.js';
import { combination, loadCase } from './states.js';

export { envelopeStates } from './envelope.js';
export type {
  DrawnSource,
  Greatest,
  KnownResults,
  LegendLine,
  ShownContext,
  Shapes,
  ShownResult,
} from './shown.js';

/** Every kind of result that can be shown. A new kind is one file and one line here. */
export const shownKinds: readonly ShownKind[] = [loadCase, combination, envelope, buckling, mode];

/** All that can be shown of an alternative, kind by kind. */
export const shownResults = (known: KnownResults): ShownResult[] =>
  shownKinds.flatMap((kind) => kind.list(known));

/** Whether the result of an id is a shape: displacements without forces. */
export const isShape = (id: string): boolean =>
  shownKinds.some((kind) => kind.isShape === true && id.startsWith(kind.prefix!));

/** Draws the result that is asked for; undefined where it is not known. */
export function drawShown(context: ShownContext): ReturnType<ShownKind['draw']> {
  for (const kind of shownKinds) {
    const drawn = kind.draw(context.options.result, context);
    if (drawn) return drawn;
  }
  return undefined;
}
