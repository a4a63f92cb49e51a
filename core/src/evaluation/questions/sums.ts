import type { Analysed } from '../stages/index.js';
import type { Question } from './question.js';
import { stateEquilibrium } from '../../results/index.js';

/** Sum of a load case's loads, N, global. */
export interface CaseSum {
  readonly id: string;
  readonly force: readonly [x: number, y: number, z: number];
}

/** The sums of the loads of every load case, in the order of the design. */
export function caseSums({ frame, states, selections }: Analysed): CaseSum[] {
  return selections
    .filter(({ kind }) => kind === 'case')
    .flatMap(({ id, factors }) => {
      const state = states.get(id);
      if (!state) return [];
      const [x, y, z] = stateEquilibrium(frame, state, factors).applied as unknown as CaseSum['force'];
      return [{ id, force: [x, y, z] as const }];
    });
}

/** What each load case comes to. */
export const sums: Question<object, CaseSum[]> = ({ evaluation }) =>
  evaluation ? caseSums(evaluation.forces) : [];
