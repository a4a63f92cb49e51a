import type { CodeName } from '../model/types.js';

/** How near a combination is to elastic instability of the frame, and what its code asks for. */
export interface Stability {
  /** Factor on the loads to reach it; null where nothing is in compression. */
  readonly alphaCr: number | null;
  readonly secondOrderNeeded: boolean;
  readonly clause: string;
}

/**
 * EN 1993-1-1 5.2.1(3): second-order effects may be left out where αcr ≥ 10 (elastic analysis). ANSI/AISC 360-22 C1 asks for them
 * wherever something is in compression.
 */
export function combinationStability(code: CodeName, alphaCr: number | undefined): Stability {
  const factor = alphaCr ?? null;
  return code === 'EN1993'
    ? { alphaCr: factor, secondOrderNeeded: factor !== null && factor < 10, clause: '5.2.1(3) eq. 5.1' }
    : { alphaCr: factor, secondOrderNeeded: factor !== null, clause: 'C1' };
}
