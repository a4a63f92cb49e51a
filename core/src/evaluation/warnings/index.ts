import type { BuiltFrame } from '../../build/build.js';
import { namerOf } from '../../build/namer.js';
import { crossings } from './crossings.js';
import { idleRules } from './idle-rules.js';
import { loads } from './loads.js';
import { nearNodes } from './near-nodes.js';
import { overlaps } from './overlaps.js';
import type { Warning, RemarkKind } from './warning.js';
import { strayNodes } from './stray-nodes.js';
import { unsupported } from './unsupported.js';

export type { Warning } from './warning.js';

/** What the model check looks for, in the order in which it is told. */
export const remarkKinds: readonly RemarkKind[] = [
  unsupported,
  overlaps,
  nearNodes,
  crossings,
  strayNodes,
  idleRules,
  loads,
];

/**
 * Looks a built frame over before it is analysed. What stops it from being built at all, and mechanisms, are problems and not warnings.
 *
 * @param progress told after each kind of warning; its `step` may throw to stop the search
 */
export function warningsOf(
  built: BuiltFrame,
  names = namerOf(built),
  progress?: { step(done: number): void },
): Warning[] {
  return remarkKinds.flatMap((kind, k) => {
    progress?.step(k / remarkKinds.length);
    return kind.find(built, names);
  });
}
