import { groupOfMember, neighboursOf, type NeighbourSection } from '../member-sheet/index.js';
import type { Question } from './question.js';

/** What a member comes to with the sections beside its own in their series; none for an own section. */
export const neighbours: Question<{ readonly member: string }, readonly NeighbourSection[] | undefined> = (
  { built, evaluation },
  { member },
) => {
  const found = evaluation?.checks?.find((one) => one.member === member);
  const group = built && found && groupOfMember(built, found.of);
  if (!built || !found || !group) return undefined;
  return group.isOwn ? [] : [...neighboursOf(built, { id: found.member, of: found.of }, group)];
};
