import type { BuiltFrame } from '../../build/build.js';
import type { Namer } from '../../geometry/names.js';
import { proposeCondition } from '../../rules/propose.js';
import type { Question } from './question.js';

/** A condition for a selection, and what is selected in words: a name, or how many. */
export interface Proposal {
  /** Absent where no condition of a rule's length selects just that. */
  readonly condition?: string;
  readonly title: string;
}

export function proposalFor(
  { geometry }: BuiltFrame,
  namer: Namer,
  of: 'members' | 'nodes',
  ids: readonly string[],
): Proposal {
  const condition = proposeCondition(geometry, of, new Set(ids));
  const name = (id: string) => (of === 'members' ? namer.member(id) : namer.node(id));
  const title = ids.length === 1 ? name(ids[0]!) : `${ids.length} ${of}`;
  return condition === undefined ? { title } : { condition, title };
}

/** The shortest condition that selects just these members or nodes. */
export const proposal: Question<
  { readonly of: 'members' | 'nodes'; readonly ids: readonly string[] },
  Proposal | undefined
> = ({ built, namer }, { of, ids }) => built && namer && proposalFor(built, namer, of, ids);
