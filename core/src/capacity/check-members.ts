import type { Frame, MemberField } from '../analysis/index.js';
import type { FrameModel } from '../model/types.js';
import type { ResultSelection } from '../results/index.js';
import { aisc360 } from './aisc360/index.js';
import type { CheckStatus, CoveredItem, MemberCheck, MemberState } from './check.js';
import { en1993 } from './en1993/index.js';
import {
  joinedField,
  physicalMembers,
  type PhysicalMember,
  type UncoveredMember,
} from './physical-member.js';
import { runChecks, type RunOptions } from './run.js';
import { deflectionItems } from './serviceability/deflection.js';
import { memberState } from './stations.js';

/** Functions along a member of the frame under a combination. */
export type FieldSource = (selection: ResultSelection, member: number) => MemberField;

/** Buckling lengths of a frame's member in a combination, where its design asks for them. */
export type BucklingSource = (selection: ResultSelection, member: number) => MemberState['buckling'];

/** The checks of a model, ready to be run member by member. */
export class MemberChecker {
  /** In the order of their first pieces. */
  readonly members: readonly (PhysicalMember | UncoveredMember)[];
  /** What is wrong with groups and restraints. */
  readonly problems: ReturnType<typeof physicalMembers>['problems'];
  private readonly strength: readonly ResultSelection[];
  private readonly service: readonly ResultSelection[];
  private readonly fieldOf: FieldSource;
  private readonly bucklingOf: BucklingSource | undefined;

  constructor(
    model: FrameModel,
    frame: Frame,
    selections: readonly ResultSelection[],
    fieldOf: FieldSource,
    bucklingOf?: BucklingSource,
  ) {
    const { members, problems } = physicalMembers(model, frame);
    this.members = members;
    this.problems = problems;
    this.strength = selections.filter(({ state }) => state === 'strength');
    this.service = selections.filter(({ state }) => state === 'service');
    this.fieldOf = fieldOf;
    this.bucklingOf = bucklingOf;
  }

  /** Checks one physical member in every strength combination, and its deflection in every service combination. */
  check(index: number, options: RunOptions = {}): MemberCheck {
    const member = this.members[index]!;
    if ('reason' in member) return notCovered(member, member.reason);
    if (this.strength.length === 0) return notCovered(member, 'The model has no strength combination.');
    const states = this.strength.map((selection) => this.state(member, selection));
    const result = runChecks(member.code.name === 'AISC360' ? aisc360 : en1993, member, states, options);
    if (!member.design.deflection) return result;
    const service = this.service.map((selection) => ({
      id: selection.id,
      field: joinedField(member, (m) => this.fieldOf(selection, m)),
    }));
    return withItems(result, deflectionItems(member, service, options));
  }

  /** Checks every physical member. */
  checkAll(options: RunOptions = {}): MemberCheck[] {
    const { progress } = options;
    return this.members.map((_, index) => {
      progress?.step(index / this.members.length);
      return this.check(index, options);
    });
  }

  private state(member: PhysicalMember, selection: ResultSelection): MemberState {
    const field = joinedField(member, (m) => this.fieldOf(selection, m));
    if (member.design.lengths !== 'buckling-analysis' || !this.bucklingOf)
      return memberState(selection.id, field);
    // Of several pieces the one with the shortest length has the most compression
    const lengths = member.pieces.flatMap(({ member: m }) => {
      const found = this.bucklingOf!(selection, m);
      return found ? [found] : [];
    });
    const shortest = lengths.length === 0 ? undefined : lengths.reduce((a, b) => (b.y < a.y ? b : a));
    return memberState(selection.id, field, shortest);
  }
}

function notCovered({ id, of }: { id: string; of: readonly string[] }, reason: string): MemberCheck {
  return { member: id, of, status: 'not covered', items: [], reasons: [reason] };
}

/** A result with further items; the worst of all governs. */
function withItems(result: MemberCheck, added: readonly CoveredItem[]): MemberCheck {
  if (added.length === 0) return result;
  const items = [...result.items, ...added];
  const worst = [...(result.governs ? [result.governs] : []), ...added].reduce((a, b) =>
    b.utilisation > a.utilisation ? b : a,
  );
  const status: CheckStatus =
    worst.status === 'fail' ? 'fail' : result.reasons.length > 0 ? 'not covered' : 'pass';
  return { ...result, items, governs: worst, utilisation: worst.utilisation, status };
}
