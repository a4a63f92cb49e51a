import { fail, ProblemError } from '../../base/problem.js';
import type { Frame } from '../../analysis/index.js';
import type { Namer } from '../../geometry/names.js';
import type { CheckItem, MemberCheck } from '../../checks/index.js';
import { combinationOf } from '../../results/index.js';
import type { EvaluatedAlternative } from '../alternative.js';
import type { Section } from '../../model/types.js';
import type { SectionGroup } from '../section-groups/groups.js';
import { alongMember, type Curve, type Envelope } from './curves.js';
import { lengthsOf, restraintsAlong, type LengthsTaken, type RestraintAlong } from './holds.js';
import { memberNamed, titleOf } from './named-member.js';
import { groupOfMember, neighboursOf, type NeighbourSection } from './neighbours.js';

/** The `hashira-member` document but for what takes further analyses: all of one physical member in an alternative. */
export interface MemberSheet {
  readonly format: 'hashira-member';
  readonly version: 1;
  readonly alternative: string;
  /** Its id, or its group's name. */
  readonly member: string;
  readonly title: string;
  /** Ids of its pieces, from its start on. */
  readonly of: readonly string[];
  /** m. */
  readonly length: number;
  readonly section: string;
  readonly material: string;
  /** What gives its section; absent for one of which the rules say nothing. */
  readonly group?: Pick<SectionGroup, 'id' | 'kind' | 'title' | 'section' | 'isOwn'>;
  readonly shape?: Section['shape'];
  readonly status: MemberCheck['status'];
  readonly utilisation?: number;
  readonly restraints: readonly RestraintAlong[];
  /** Nodes between its pieces, where it can be held. */
  readonly nodes: readonly { readonly x: number; readonly node: string; readonly title: string }[];
  /** Absent for a section that the checks do not cover. */
  readonly lengths?: LengthsTaken;
  readonly curves: readonly Curve[];
  readonly envelope: Envelope;
  /** The worst first, those not covered before all. */
  readonly conditions: readonly CheckItem[];
  readonly notes: readonly string[];
}

/** A sheet with what its member comes to with other sections. */
export interface MemberFile extends MemberSheet {
  readonly neighbours: readonly NeighbourSection[];
}

export interface SheetOptions {
  /** Id, piece or title of the member. */
  readonly member: string;
  /** A combination; absent: all of strength, then of service. */
  readonly combination?: string;
  /** Equally spaced places along it; 21 where left out. */
  readonly stations?: number;
  /** The steps of every condition. */
  readonly steps?: boolean;
}

/**
 * All of a physical member of an alternative that has its checks.
 *
 * @throws ProblemError `unknown-member`, `unknown-combination`, and the alternative's problems where it has no checks
 */
export function memberSheet(of: EvaluatedAlternative, options: SheetOptions): MemberSheet {
  const { built, namer, evaluation, problems, alternative } = of;
  const checker = evaluation?.checker;
  if (!built || !namer || !checker) throw new ProblemError(problems);
  const { forces } = evaluation;
  const { combination: under, stations = 21, steps = false } = options;
  const known = forces.selections.filter(({ kind }) => kind === 'combination').map(combinationOf);
  if (under !== undefined && !known.includes(under))
    fail(
      'unknown-combination',
      `There is no combination "${under}"; the design has ${[...new Set(known)].join(', ')}.`,
      { combination: under },
    );
  const index = memberNamed(checker, options.member, namer);
  const member = checker.members[index]!;
  const check = checker.check(index, { steps, ...(under === undefined ? {} : { under }) });
  const [piece] = member.of;
  const m = forces.frame.memberIndex.get(piece!)!;
  const group = groupOfMember(built, member.of);
  const isCovered = !('reason' in member);
  return {
    format: 'hashira-member',
    version: 1,
    alternative: alternative.id,
    member: member.id,
    title: titleOf(member, namer),
    of: member.of,
    length: member.of.reduce((sum, id) => sum + forces.frame.length[forces.frame.memberIndex.get(id)!]!, 0),
    section: forces.frame.sections[m]!.title,
    material: forces.frame.sections[m]!.material.id,
    ...(group ? { group: headOf(group) } : {}),
    ...(forces.frame.sections[m]!.shape ? { shape: forces.frame.sections[m]!.shape } : {}),
    status: check.status,
    ...(check.utilisation === undefined ? {} : { utilisation: check.utilisation }),
    restraints: isCovered ? restraintsAlong(member, built, forces, namer) : [],
    nodes: innerNodes(member.of, forces.frame, namer),
    ...(isCovered ? { lengths: lengthsOf(checker, index, member, check.governs) } : {}),
    ...alongMember(forces, checker, index, { stations, under }),
    conditions: [...check.items].sort((a, b) => (b.utilisation ?? Infinity) - (a.utilisation ?? Infinity)),
    notes: check.reasons,
  };
}

const headOf = ({ id, kind, title, section, isOwn }: SectionGroup) => ({ id, kind, title, section, isOwn });

/** Nodes between the pieces of a member, from its start on. */
function innerNodes(of: readonly string[], frame: Frame, namer: Namer): MemberSheet['nodes'] {
  let x = 0;
  return of.slice(0, -1).map((id) => {
    const m = frame.memberIndex.get(id)!;
    x += frame.length[m]!;
    const node = frame.nodeIds[frame.end[m]!]!;
    return { x, node, title: namer.node(node) };
  });
}

/** The same with the neighbours of its section in its family. */
export function memberFile(of: EvaluatedAlternative, options: SheetOptions): MemberFile {
  const sheet = memberSheet(of, options);
  const built = of.built!;
  const group = groupOfMember(built, sheet.of);
  if (!group || group.isOwn)
    return {
      ...sheet,
      neighbours: [],
      notes: [...sheet.notes, `"${sheet.section}" is an own section and of no series: it has no neighbours.`],
    };
  const member = { id: sheet.member, of: sheet.of };
  return { ...sheet, neighbours: [...neighboursOf(built, member, group)] };
}
