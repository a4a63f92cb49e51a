import type { Problem } from '../../base/problem.js';
import type { CoveredItem, MemberCheck } from '../../checks/index.js';
import type { CatalogueEntry } from '../../sections/catalogue/index.js';
import type { Namer } from '../../geometry/names.js';
import type { EvaluatedAlternative } from '../alternative.js';
import type { SectionGroup } from '../section-groups/groups.js';
import { verdictOn } from '../stages/index.js';
import { summaryOf } from '../summaries/summary-of.js';
import type { SummaryStatus } from '../summaries/summary.js';

/** What governs a group: its worst member's condition. */
export interface Governing extends Pick<CoveredItem, 'clause' | 'axis' | 'combination' | 'x'> {
  readonly member: string;
  readonly title: string;
  readonly condition: string;
}

/** A group with one section. */
export interface GroupState {
  readonly section: string;
  /** kg of its members. */
  readonly mass: number;
  /** Of its worst member; absent where none is covered, or the frame has no forces. */
  readonly utilisation?: number;
  readonly governs?: Governing;
}

/** A frame with one set of sections. */
export interface SetState {
  /** kg of all members. */
  readonly mass: number;
  readonly utilisation?: number;
  readonly status: SummaryStatus;
  /** Members over capacity and figures beyond their limits. */
  readonly over?: readonly string[];
  /** Why it has no forces. */
  readonly problem?: Problem;
}

export function setState(mass: number, of: EvaluatedAlternative): SetState {
  const [problem] = of.problems;
  if (problem) return { mass, status: 'failed', problem };
  const { worst, over = [] } = verdictOn(of.evaluation!) ?? {};
  const { status, figures } = summaryOf(of, '');
  return {
    mass,
    ...(worst?.utilisation === undefined ? {} : { utilisation: worst.utilisation }),
    status,
    over: [...over, ...figures.flatMap((figure) => (figure.status === 'fail' ? [figure.id] : []))],
  };
}

export function groupState(
  { members }: SectionGroup,
  section: string,
  mass: number,
  checks: readonly MemberCheck[],
  namer: Namer,
): GroupState {
  const own = new Set(members);
  const worst = checks
    .filter(({ member, utilisation }) => own.has(member) && utilisation !== undefined)
    .reduce<MemberCheck | undefined>((a, b) => (a && a.utilisation! >= b.utilisation! ? a : b), undefined);
  return {
    section,
    mass,
    ...(worst?.utilisation === undefined ? {} : { utilisation: worst.utilisation }),
    ...(worst?.governs ? { governs: governing(worst, worst.governs, namer) } : {}),
  };
}

export function governing(
  { member, of }: Pick<MemberCheck, 'member' | 'of'>,
  { clause, axis, combination, x, title }: CoveredItem,
  namer: Namer,
): Governing {
  return {
    member,
    title: namer.member(of.length > 1 ? member : of[0]!),
    condition: title,
    clause,
    ...(axis ? { axis } : {}),
    combination,
    x,
  };
}

/** Why a section is the one that is suggested. */
export function reasonOf(entries: readonly CatalogueEntry[], index: number, exact: boolean): string {
  const series = [...new Set(entries.map((entry) => entry.series))].join(', ');
  const others = exact ? 'passes with the others' : 'was found to pass with the others';
  return `lightest of ${entries.length} ${series} that ${others}; ${index} are lighter`;
}
