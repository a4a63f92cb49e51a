import type { MemberCheck, Stability } from '../../checks/index.js';
import { unloadedCombinations } from '../../model/unloaded.js';
import type { Analysed } from './forces.js';

/** What an alternative's checks come to. */
export type VerdictStatus =
  | 'pass'
  | 'fail'
  | 'not covered'
  | 'needs second order'
  | 'no load'
  | 'nothing to check';

export interface Verdict {
  readonly status: VerdictStatus;
  readonly over: readonly string[];
  readonly notCovered: readonly string[];
  /** The worst member that is covered. */
  readonly worst?: MemberCheck;
  /** Least critical factor of the frame in the strength combinations, and whose; absent where it does not buckle. */
  readonly alphaCr?: number;
  readonly alphaCrOf?: string;
  /** Least critical factor at which members buckle between nodes that stay. */
  readonly alphaCrMember?: number;
  /** Strength combinations without any load. */
  readonly unloaded: readonly string[];
  /** The forces are of first order where their code asks for second. */
  readonly secondOrderNeeded: boolean;
}

/** The combination with the least αcr; undefined where none can buckle. */
export function nearestToInstability(
  stability: ReadonlyMap<string, Stability>,
): { id: string; alphaCr: number } | undefined {
  const critical = [...stability].flatMap(([id, { alphaCr }]) => (alphaCr === null ? [] : [{ id, alphaCr }]));
  return critical.length === 0 ? undefined : critical.reduce((a, b) => (b.alphaCr < a.alphaCr ? b : a));
}

/**
 * What the checks come to. A pass by forces of first order is none where αcr asks for second order (EN 1993-1-1 5.2.1, 5.2.2; AISC
 * 360 C1) and not every member in compression has its buckling lengths from the frame; nor one under combinations without any load.
 */
export function verdictOf(
  forces: Analysed,
  checks: readonly MemberCheck[],
  stability: ReadonlyMap<string, Stability>,
): Verdict {
  const covered = checks.filter(({ utilisation }) => utilisation !== undefined);
  const worst =
    covered.length === 0 ? undefined : covered.reduce((a, b) => (b.utilisation! > a.utilisation! ? b : a));
  const over = checks.filter(({ status }) => status === 'fail').map(({ member }) => member);
  const notCovered = checks.filter(({ reasons }) => reasons.length > 0).map(({ member }) => member);
  const least = nearestToInstability(stability);
  const members = [...stability.values()].flatMap(({ alphaCrMember }) => alphaCrMember ?? []);
  const asked = [...stability.values()].some(
    ({ secondOrderNeeded, inLengths }) => secondOrderNeeded && !inLengths,
  );
  const secondOrderNeeded = forces.order === 1 && asked;
  const unloaded = unloadedCombinations(forces.given).map(({ id }) => id);
  const status: VerdictStatus =
    over.length > 0
      ? 'fail'
      : checks.length === 0 || covered.length + notCovered.length === 0
        ? 'nothing to check'
        : notCovered.length > 0
          ? 'not covered'
          : unloaded.length > 0
            ? 'no load'
            : secondOrderNeeded
              ? 'needs second order'
              : 'pass';
  return {
    status,
    over,
    notCovered,
    ...(worst ? { worst } : {}),
    ...(least ? { alphaCr: least.alphaCr, alphaCrOf: least.id } : {}),
    ...(members.length > 0 ? { alphaCrMember: Math.min(...members) } : {}),
    unloaded,
    secondOrderNeeded,
  };
}
