import type { FrameState } from '../first-order/states.js';
import type { Prepared } from '../first-order/static.js';
import { bucklingModes, type BucklingHelp, type BucklingMode } from './buckling.js';

/** How a frame and its members buckle under one state. */
export interface FrameBuckling {
  /** Lowest modes, as many as were looked at. */
  readonly modes: readonly BucklingMode[];
  /** The lowest in which nodes move: instability of the frame. */
  readonly frame?: BucklingMode;
  /** The lowest in which nodes stay and members buckle between them. */
  readonly member?: BucklingMode;
  /** Nothing buckles beyond the modes that were looked at. */
  readonly complete: boolean;
}

/** Movement of the nodes, of the greatest anywhere, from which a mode is one of the frame. */
const moving = 0.1;
/** Modes that are looked at, one number after the other, until one of the frame is found. */
const counts = [1, 6, 12, 24];
/** Members from which a search ends at the factor that decides. */
const many = 300;
/** Factor beyond which nothing asks for second order. */
const beyondConcern = 11;

/**
 * Looks for the lowest mode in which nodes move and the lowest in which only members do (EN 1993-1-1 5.2.1 speaks of the first, 6.3 of
 * the second).
 *
 * @param least modes that are wanted in any case
 */
export function frameBuckling(
  prepared: Prepared,
  state: FrameState,
  least: number,
  help: BucklingHelp = {},
): FrameBuckling {
  let found: FrameBuckling = { modes: [], complete: true };
  for (const count of counts) {
    if (count < least && count !== counts[counts.length - 1]) continue;
    const modes = bucklingModes(prepared, state, count, help);
    const frame = modes.find(isOfFrame);
    const member = modes.find((mode) => !isOfFrame(mode));
    const complete = modes.length < count;
    found = { modes, complete, ...(frame ? { frame } : {}), ...(member ? { member } : {}) };
    const last = modes[modes.length - 1]?.factor ?? Infinity;
    if (frame || complete || (prepared.frame.memberIds.length > many && last > beyondConcern)) break;
  }
  return found;
}

const isOfFrame = ({ nodesMove }: BucklingMode): boolean => nodesMove >= moving;
