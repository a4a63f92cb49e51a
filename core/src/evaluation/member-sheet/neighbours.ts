import { ProblemError, type Problem } from '../../base/problem.js';
import type { BuiltFrame } from '../../build/build.js';
import type { CheckStatus, MemberCheck } from '../../checks/index.js';
import { Namer } from '../../geometry/names.js';
import { ChangedSections, massOfMembers } from '../section-groups/changed-sections.js';
import { sectionGroups, type SectionGroup } from '../section-groups/groups.js';
import { familyOf, ownFamily } from '../section-groups/pools.js';
import { evaluate } from '../stages/index.js';
import { governing, type Governing } from '../suggestions/index.js';

/** What a member comes to when its group has another section of the family. */
export interface NeighbourSection {
  readonly section: string;
  /** kg of all members. */
  readonly mass: number;
  readonly status: CheckStatus | 'failed';
  readonly utilisation?: number;
  readonly governs?: Governing;
  /** The worst of its group. */
  readonly group?: { readonly utilisation?: number; readonly status: CheckStatus };
  /** Why the frame has no forces with it. */
  readonly problem?: Problem;
}

/** Sections lighter, and heavier, that are looked at. */
const each = 2;

/** The group that gives a member its section. */
export const groupOfMember = (built: BuiltFrame, pieces: readonly string[]): SectionGroup | undefined =>
  sectionGroups(built).find((group) => group.pieces.includes(pieces[0]!));

/** Names of the sections of a group's family beside the one that stands there: two lighter and two heavier, by mass per metre. */
export function neighbouringSections(group: SectionGroup): string[] {
  const family = familyOf(ownFamily(group));
  const at = family.findIndex(({ name }) => name === group.section);
  return [...family.slice(Math.max(0, at - each), at), ...family.slice(at + 1, at + 1 + each)].map(
    ({ name }) => name,
  );
}

/** What a member comes to with the sections beside its own; each analyses the frame again. */
export function* neighboursOf(
  built: BuiltFrame,
  member: { readonly id: string; readonly of: readonly string[] },
  group: SectionGroup,
): Generator<NeighbourSection> {
  const frames = new ChangedSections(built, [group]);
  for (const section of neighbouringSections(group))
    yield neighbour(frames.with(new Map([[group.id, section]])), member, group, section);
}

function neighbour(
  built: BuiltFrame,
  member: { readonly id: string; readonly of: readonly string[] },
  group: SectionGroup,
  section: string,
): NeighbourSection {
  const mass = massOfMembers(built);
  const outcome = evaluate(built.model, { secondOrder: built.design.analysis.order === 2, upTo: 'checks' });
  if (!outcome.ok) return { section, mass, status: 'failed', problem: outcome.problems[0]! };
  const checks = outcome.value.checks!;
  const own = checks.find((one) => one.member === member.id);
  if (!own) throw new ProblemError([]);
  const others = checks.filter((one) => group.members.includes(one.member));
  return {
    section,
    mass,
    status: own.status,
    ...(own.utilisation === undefined ? {} : { utilisation: own.utilisation }),
    ...(own.governs ? { governs: governing(own, own.governs, new Namer(built.geometry)) } : {}),
    group: worstOf(others),
  };
}

function worstOf(checks: readonly MemberCheck[]): NonNullable<NeighbourSection['group']> {
  const known = checks.flatMap(({ utilisation }) => utilisation ?? []);
  const of = (status: CheckStatus) => checks.some((one) => one.status === status);
  return {
    ...(known.length > 0 ? { utilisation: Math.max(...known) } : {}),
    status: of('fail') ? 'fail' : of('not covered') ? 'not covered' : 'pass',
  };
}
