import { attempt } from '../../base/problem.js';
import type { BuiltFrame } from '../../build/build.js';
import { Tagged } from '../../geometry/select.js';
import { conditionProgram } from '../../language/evaluate.js';
import type { Question } from './question.js';

/** What a condition selects, or why it cannot be read. */
export interface Selected {
  readonly ids: readonly string[];
  readonly problem?: string;
}

export function selectedBy(
  { geometry, names }: BuiltFrame,
  of: 'members' | 'nodes',
  condition: string,
): Selected {
  const outcome = attempt(() => {
    const matches = conditionProgram(condition, names, { what: 'the condition', where: {} });
    const tagged = Tagged.of(geometry);
    return of === 'members' ? tagged.selectMembers(matches) : tagged.selectNodes(matches);
  });
  if (!outcome.ok) return { ids: [], problem: outcome.problems[0]!.message };
  return { ids: outcome.value.map(({ id }) => id) };
}

/** The members or nodes that a condition selects, or why it selects none. */
export const selection: Question<
  { readonly of: 'members' | 'nodes'; readonly condition: string },
  Selected
> = ({ built }, { of, condition }) => (built ? selectedBy(built, of, condition) : { ids: [] });
