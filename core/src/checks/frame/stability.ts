import type { CodeName } from '../../model/types.js';

/** How near a combination is to elastic instability, and what its code asks for. */
export interface Stability {
  /** Factor on the loads at which the frame buckles: nodes move. Null where none was found. */
  readonly alphaCr: number | null;
  /** Least factor at which members buckle between nodes that stay; absent where they do not before the frame. */
  readonly alphaCrMember?: number;
  /** Why there is no `alphaCr`. */
  readonly reason?: string;
  /** Forces of second order are asked for. */
  readonly secondOrderNeeded: boolean;
  /** Every member in compression takes its buckling lengths from the frame, so that forces of first order do (5.2.2(7)b). */
  readonly inLengths: boolean;
  readonly clause: string;
}

/** EN 1993-1-1 5.2.1(3): second-order effects may be left out from here on (elastic analysis). */
const negligible = 10;
/** AISC 360-22 Appendix 7.2.3(b): drift of second order over that of first, 1/(1 − 1/αcr), up to which they may be. */
const negligibleDrift = 1.1;

/** What buckles in a combination. */
export interface Buckles {
  readonly frame?: number;
  readonly member?: number;
  /** Highest factor that was looked at, where something may buckle beyond it. */
  readonly lookedTo?: number;
  readonly inLengths: boolean;
}

/** What a code makes of the critical factors. */
export function combinationStability(
  code: CodeName,
  { frame, member, lookedTo, inLengths }: Buckles,
): Stability {
  const alphaCr = frame ?? null;
  const least = frame ?? lookedTo ?? Infinity;
  const needed = code === 'EN1993' ? least < negligible : least <= 1 || 1 / (1 - 1 / least) > negligibleDrift;
  return {
    alphaCr,
    ...(member === undefined ? {} : { alphaCrMember: member }),
    ...(frame === undefined ? { reason: whyNone(member, lookedTo) } : {}),
    secondOrderNeeded: needed,
    inLengths,
    clause: code === 'EN1993' ? '5.2.1(3) eq. 5.1' : 'Appendix 7.2.3(b)',
  };
}

function whyNone(member: number | undefined, lookedTo: number | undefined): string {
  if (member === undefined) return 'Nothing is in compression under this combination, so nothing buckles.';
  return lookedTo === undefined
    ? 'Only members buckle, between nodes that stay where they are; the frame does not.'
    : `Up to a factor of ${lookedTo.toPrecision(3)} only members buckle, between nodes that stay where they are.`;
}
