import type { CheckItem, CheckStatus, MemberCheck } from '../../checks/index.js';
import type { Section } from '../../model/types.js';
import type { EvaluatedAlternative } from '../alternative.js';
import { titleOf } from '../member-sheet/named-member.js';
import { sectionGroups, type SectionGroup } from '../section-groups/groups.js';

/** How a member stands to its capacity: over, near it (from 0.9 on), in use, far too strong (below 0.5), or not covered. */
export type Standing = 'over' | 'near' | 'in use' | 'far too strong' | 'not covered';

/** Utilisation from which a member is near its capacity, and below which it is far too strong. */
const near = 0.9;
const farTooStrong = 0.5;

/** How a check stands. */
export function standingOf({ status, utilisation }: Pick<MemberCheck, 'status' | 'utilisation'>): Standing {
  if (status === 'fail') return 'over';
  if (status === 'not covered' || utilisation === undefined) return 'not covered';
  return utilisation >= near ? 'near' : utilisation < farTooStrong ? 'far too strong' : 'in use';
}

/** A physical member in the schedule. */
export interface ScheduledMember {
  readonly member: string;
  /** Its pieces. */
  readonly of: readonly string[];
  readonly title: string;
  readonly section: string;
  readonly status: CheckStatus;
  readonly standing: Standing;
  readonly utilisation?: number;
  /** The condition that governs. */
  readonly governs?: Pick<CheckItem, 'title' | 'clause' | 'axis' | 'combination' | 'situation' | 'x'>;
  /** Why it is not covered. */
  readonly reasons: readonly string[];
}

/** What gets its section from one place, with its members. */
export interface ScheduledGroup {
  /** Parameter or rule; absent for members that are in no group of the design. */
  readonly group: Pick<SectionGroup, 'id' | 'kind' | 'title' | 'section' | 'isOwn'>;
  /** Of the section that stands there; absent for one given by properties. */
  readonly shape?: Section['shape'];
  /** kg of its members. */
  readonly mass: number;
  /** The worst first: over, then not covered, then by utilisation. */
  readonly members: readonly ScheduledMember[];
}

const rank: Readonly<Record<Standing, number>> = {
  over: 2e9,
  'not covered': 1e9,
  near: 0,
  'in use': 0,
  'far too strong': 0,
};

/** The schedule of an alternative's members, by groups in the design's order; undefined before there are checks. */
export function scheduleOf({
  built,
  namer,
  evaluation,
}: EvaluatedAlternative): readonly ScheduledGroup[] | undefined {
  const { checks, forces } = evaluation ?? {};
  if (!built || !namer || !checks || !forces) return undefined;
  const { frame } = forces;
  const number = (id: string) => frame.memberIndex.get(id)!;
  return sectionGroups(built).map(({ id, kind, title, section, isOwn, pieces, members }) => {
    const own = new Set(members);
    const first = frame.sections[number(pieces[0]!)]!;
    return {
      group: { id, kind, title, section, isOwn },
      ...(first.shape ? { shape: first.shape } : {}),
      mass: pieces.reduce((sum, piece) => {
        const m = number(piece);
        return sum + frame.massPerLength[m]! * frame.length[m]!;
      }, 0),
      members: checks
        .filter(({ member }) => own.has(member))
        .map((check): ScheduledMember => {
          const { member, of, status, utilisation, governs, reasons } = check;
          return {
            member,
            of,
            title: titleOf({ id: member, of }, namer),
            section: frame.sections[number(of[0]!)]!.title,
            status,
            standing: standingOf(check),
            ...(utilisation === undefined ? {} : { utilisation }),
            ...(governs ? { governs: governedBy(governs) } : {}),
            reasons,
          };
        })
        .sort((a, b) => worth(b) - worth(a)),
    };
  });
}

const worth = ({ standing, utilisation = 0 }: ScheduledMember): number => rank[standing] + utilisation;

function governedBy({
  title,
  clause,
  axis,
  combination,
  situation,
  x,
}: CheckItem): NonNullable<ScheduledMember['governs']> {
  return {
    title,
    clause,
    ...(axis ? { axis } : {}),
    combination,
    ...(situation === undefined ? {} : { situation }),
    x,
  };
}
