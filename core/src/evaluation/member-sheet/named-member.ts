import { fail } from '../../base/problem.js';
import type { MemberChecker } from '../../checks/index.js';
import type { Namer } from '../../geometry/names.js';

/** What a physical member is called: by its line where it has several pieces. */
export const titleOf = (
  { id, of }: { readonly id: string; readonly of: readonly string[] },
  namer: Namer,
): string => namer.member(of.length > 1 ? id : of[0]!);

/**
 * Number of the physical member that is meant: by its id, that of a piece, or its title.
 *
 * @throws ProblemError `unknown-member`
 */
export function memberNamed({ members }: MemberChecker, name: string, namer: Namer): number {
  const asked = name.trim().toLowerCase();
  const ways: ((one: MemberChecker['members'][number]) => boolean)[] = [
    ({ id, of }) => id === name || of.includes(name),
    (one) => titleOf(one, namer) === name,
    (one) => titleOf(one, namer).toLowerCase() === asked,
  ];
  for (const way of ways) {
    const index = members.findIndex(way);
    if (index >= 0) return index;
  }
  const titles = members.slice(0, 12).map((one) => `"${titleOf(one, namer)}"`);
  const others = members.length > 12 ? ` and ${members.length - 12} others` : '';
  return fail('unknown-member', `The frame has no member "${name}"; it has ${titles.join(', ')}${others}.`, {
    member: name,
  });
}
