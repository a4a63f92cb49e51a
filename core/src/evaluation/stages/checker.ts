import { ProblemError } from '../../base/problem.js';
import { MemberChecker } from '../../checks/index.js';
import { stateOf, type Analysed } from './forces.js';
import type { StabilityOfAll } from './stability.js';

/**
 * The checks of an analysed model, ready to be run member by member.
 *
 * @throws ProblemError for groups and restraints that are none
 */
export function checkerOf(stage: Analysed, lengths: StabilityOfAll['lengths'] = new Map()): MemberChecker {
  const combinations = stage.selections.filter(({ kind }) => kind === 'combination');
  const checker = new MemberChecker(
    stage.model,
    stage.frame,
    combinations,
    ({ id }, member) => {
      const state = stateOf(stage, id);
      return state.slack[member] === 1 ? undefined : state.field(member);
    },
    {
      bucklingOf: ({ id, situation }, member) =>
        (lengths.get(id) ?? lengths.get(situation?.combination ?? id))?.[member],
      notCovered: stage.notCovered,
    },
  );
  if (checker.problems.length > 0) throw new ProblemError(checker.problems);
  return checker;
}
