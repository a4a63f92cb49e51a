import type { MemberCheck } from '../../checks/index.js';
import {
  nearestToInstability,
  type Analysed,
  type StabilityOfAll,
  type VerdictStatus,
} from '../stages/index.js';
import { stateEquilibrium } from '../../results/index.js';
import type { AlternativeSummary, FigureSummary, SummaryStatus } from './summary.js';

/** Least αcr of the frame, and whose, as soon as it is known. */
export function nearness(
  stability: StabilityOfAll | undefined,
): Pick<AlternativeSummary, 'alphaCr' | 'alphaCrOf'> {
  const nearest = stability && nearestToInstability(stability.stability);
  return nearest ? { alphaCr: nearest.alphaCr, alphaCrOf: nearest.id } : {};
}

/** Combinations that govern a member or a figure. */
export function governing(
  checks: readonly MemberCheck[] | undefined,
  figures: readonly FigureSummary[],
): string[] {
  const ofMembers = (checks ?? []).flatMap(({ governs }) => governs?.combination ?? []);
  return [...new Set([...ofMembers, ...figures.flatMap(({ combination }) => combination ?? [])])];
}

/** A pass of the checks is one only when all is known, and no figure is beyond its limit. */
export function summaryStatus(
  checks: VerdictStatus | undefined,
  figures: readonly FigureSummary[],
  { failed, complete }: { readonly failed: boolean; readonly complete: boolean },
): SummaryStatus {
  if (failed) return 'failed';
  if (checks === undefined) return 'pending';
  if (checks !== 'pass') return checks;
  if (figures.some(({ status }) => status === 'fail')) return 'beyond limits';
  return complete ? 'pass' : 'pending';
}

/** Loads and reactions of the load case or combination that is shown. */
export function balanceOf(forces: Analysed | undefined, shown: string): Pick<AlternativeSummary, 'balance'> {
  const selection = forces?.selections.find(({ id }) => id === shown);
  const state = forces?.states.get(shown);
  if (!forces || !selection || !state) return {};
  const { applied, reactions, residual } = stateEquilibrium(forces.frame, state, selection.factors);
  return { balance: { result: shown, applied: [...applied], reactions: [...reactions], residual } };
}
