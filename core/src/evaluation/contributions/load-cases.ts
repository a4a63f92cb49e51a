import type { FrameState } from '../../analysis/index.js';
import type { ResultSelection } from '../../results/index.js';
import type { EvaluatedAlternative } from '../alternative.js';

/** What a load case gives to a force under a combination: its factor times what it gives alone. */
export interface CaseShare {
  readonly case: string;
  readonly title: string;
  readonly factor: number;
  readonly sum: number;
}

/** A force by load case where results may be added, else why they may not. */
export interface CaseShares {
  readonly cases: readonly CaseShare[];
  readonly notSummed?: string;
}

/** Greatest difference of a sum and the whole that is round-off, as a share of the greatest term. */
const roundOff = 1e-9;

/** A value under a combination or load case as the sum of its load cases. */
export function byLoadCase(
  { design, evaluation }: EvaluatedAlternative,
  { id, kind, factors }: ResultSelection,
  valueIn: (state: FrameState) => number,
): CaseShares {
  const { order, frame, states } = evaluation!.forces;
  if (order === 2)
    return {
      cases: [],
      notSummed:
        'Under second order the load cases do not add up: each makes the others larger. Take first order to see their shares.',
    };
  const titles = new Map(design.loadCases.map((one) => [one.id, one.title]));
  const acting = frame.loadCases.filter((_, c) => factors[c] !== 0);
  const cases = frame.loadCases.flatMap((one, c): CaseShare[] => {
    const state = states.get(one.id);
    if (factors[c] === 0 || !state) return [];
    const factor = factors[c]!;
    return [{ case: one.id, title: titles.get(one.id) ?? one.id, factor, sum: factor * valueIn(state) }];
  });
  const value = valueIn(states.get(id)!);
  const size = Math.max(Math.abs(value), ...cases.map(({ sum }) => Math.abs(sum)));
  const gap = value - cases.reduce((total, { sum }) => total + sum, 0);
  if (kind === 'case' || (cases.length === acting.length && Math.abs(gap) <= roundOff * size))
    return { cases: cases.sort((a, b) => Math.abs(b.sum) - Math.abs(a.sum)) };
  return {
    cases: [],
    notSummed: `The load cases do not add up under ${id}: other members are slack in it than in the load cases alone, or it has loads of its own.`,
  };
}
