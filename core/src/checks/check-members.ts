import type { Frame, MemberField } from '../analysis/index.js';
import type { FrameModel } from '../model/types.js';
import { combinationOf, type ResultSelection } from '../results/index.js';
import { aisc360 } from './aisc360/index.js';
import { sectionChecksOf, utilisationAt, type PlaceAlong } from './members/along.js';
import type { BucklingLengths, CheckStatus, CoveredItem, MemberCheck, MemberState, Reach } from './check.js';
import { en1993 } from './en1993/index.js';
import {
  joinedField,
  joinedFieldOf,
  physicalMembers,
  type PhysicalMember,
  type UncoveredMember,
} from './members/physical-member.js';
import { reachOf, runChecks, type RunOptions } from './run.js';
import { deflectionItems } from './serviceability/deflection.js';
import { withoutIdleBreaks } from './members/idle-breaks.js';
import { memberState } from './members/stations.js';

/** Functions along a member of the frame under a combination; undefined where it is slack. */
export type FieldSource = (selection: ResultSelection, member: number) => MemberField | undefined;

/** Buckling lengths of a frame's member in a combination, where its design asks for them. */
export type BucklingSource = (selection: ResultSelection, member: number) => MemberState['buckling'];

/** How members are checked. */
export interface CheckOptions extends RunOptions {
  /** Only this strength combination, without deflections. */
  readonly under?: string;
}

/** What checks need besides forces, where there is such. */
export interface CheckSources {
  /** Buckling lengths by combination and member. */
  readonly bucklingOf?: BucklingSource;
  /** Why no member is covered, although it is checked. */
  readonly notCovered?: string | undefined;
}

/** A physical member's strength states. */
interface KnownStates {
  readonly index: number;
  readonly states: ReadonlyMap<string, MemberState>;
  readonly reach: Reach;
}

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
  private readonly notCovered: string | undefined;
  private recent: KnownStates | undefined;

  constructor(
    model: FrameModel,
    private readonly frame: Frame,
    selections: readonly ResultSelection[],
    fieldOf: FieldSource,
    { bucklingOf, notCovered }: CheckSources = {},
  ) {
    const { members, problems } = physicalMembers(model, frame);
    this.members = members;
    this.problems = problems;
    this.strength = selections.filter(({ state }) => state === 'strength');
    this.service = selections.filter(({ state }) => state === 'service');
    this.fieldOf = fieldOf;
    this.bucklingOf = bucklingOf;
    this.notCovered = notCovered;
  }

  /** Checks one physical member in every strength combination, and its deflection in every service combination. */
  check(index: number, options: CheckOptions = {}): MemberCheck {
    const member = this.members[index]!;
    const { under } = options;
    if ('reason' in member) return uncheckedMember(member, member.reason);
    if (this.strength.length === 0) return uncheckedMember(member, 'The model has no strength combination.');
    const states = this.statesOf(index, under);
    const result = withReason(runChecks(rulesOf(member), member, states, options), this.notCovered);
    if (!member.design.deflection || under !== undefined) return result;
    const service = this.service.flatMap((selection) => {
      const field = this.field(member, selection);
      return field ? [{ id: combinationOf(selection), field }] : [];
    });
    return withItems(result, deflectionItems(member, service, options));
  }

  /** Checks every physical member. */
  checkAll(options: CheckOptions = {}): MemberCheck[] {
    const { progress } = options;
    return this.members.map((_, index) => {
      progress?.step(index / this.members.length);
      return this.check(index, options);
    });
  }

  /** The states of a physical member under a combination, or under all strength combinations; none where it is slack. */
  statesOf(index: number, under?: string): MemberState[] {
    const asked = this.strength.filter((one) => under === undefined || combinationOf(one) === under);
    const { states } = this.known(index);
    return asked.flatMap(({ id }) => states.get(id) ?? []);
  }

  /** Greatest utilisation of the cross-section's conditions at places along a physical member; null where one is not covered. */
  utilisationUnder(index: number, { id }: ResultSelection, places: readonly PlaceAlong[]): (number | null)[] {
    const member = this.members[index]!;
    if ('reason' in member || this.notCovered !== undefined) return places.map(() => null);
    const { states, reach } = this.known(index);
    const state = states.get(id);
    // What is slack uses nothing of its capacity
    if (!state) return places.map(() => 0);
    const checks = sectionChecksOf(rulesOf(member), member, reach);
    return places.map((place) => utilisationAt(checks, member, state, place) ?? null);
  }

  /** The strength states of a physical member by their ids, and the greatest forces of all; kept for the member asked about last. */
  private known(index: number): KnownStates {
    if (this.recent?.index === index) return this.recent;
    const member = this.members[index]!;
    const states = new Map<string, MemberState>();
    if (!('reason' in member))
      for (const selection of this.strength) {
        const state = this.state(member, selection);
        if (state) states.set(selection.id, state);
      }
    return (this.recent = { index, states, reach: reachOf([...states.values()]) });
  }

  /** The functions along a physical member in one state; zero forces, and a straight line, where it is slack. */
  fieldOrSlack(index: number, selection: ResultSelection): MemberField {
    const { of } = this.members[index]!;
    const numbers = of.map((id) => this.frame.memberIndex.get(id)!);
    return joinedFieldOf(
      numbers,
      this.frame.length,
      (m) => this.fieldOf(selection, m) ?? slackField(this.frame.length[m]!),
    );
  }

  /** The functions along a physical member in a state of a combination that can govern it; undefined where it is slack. */
  private field(member: PhysicalMember, selection: ResultSelection): MemberField | undefined {
    const { situation } = selection;
    if (situation?.members && !member.pieces.some(({ member: m }) => situation.members!.has(m)))
      return undefined;
    const fields = new Map<number, MemberField>();
    for (const { member: m } of member.pieces) {
      const field = this.fieldOf(selection, m);
      if (!field) return undefined;
      fields.set(m, field);
    }
    return joinedField(member, (m) => fields.get(m)!);
  }

  private state(member: PhysicalMember, selection: ResultSelection): MemberState | undefined {
    const whole = this.field(member, selection);
    if (!whole) return undefined;
    const field = selection.situation ? withoutIdleBreaks(whole) : whole;
    const combination = combinationOf(selection);
    const words = selection.situation ? { situation: selection.situation.words } : {};
    if (member.design.lengths !== 'buckling-analysis' || !this.bucklingOf)
      return memberState(combination, field, words);
    // Of several pieces the one with the shortest length has the most compression
    const lengths = member.pieces.flatMap(({ member: m }) => {
      const found = this.bucklingOf!(selection, m);
      return found ? [found] : [];
    });
    const of = ({ y, z }: BucklingLengths) => y ?? z ?? Infinity;
    const shortest = lengths.length === 0 ? undefined : lengths.reduce((a, b) => (of(b) < of(a) ? b : a));
    return memberState(combination, field, { ...words, ...(shortest ? { buckling: shortest } : {}) });
  }
}

/** A member that does not act. */
const slackField = (length: number): MemberField => ({
  breaks: Float64Array.of(0, length),
  forceTerms: 1,
  forces: new Float64Array(6),
  displacementTerms: 1,
  displacements: new Float64Array(4),
});

const rulesOf = ({ code }: PhysicalMember) => (code.name === 'AISC360' ? aisc360 : en1993);

/** A result of which some loads are not in: never a pass. */
function withReason(result: MemberCheck, reason: string | undefined): MemberCheck {
  if (reason === undefined) return result;
  const status: CheckStatus = result.status === 'fail' ? 'fail' : 'not covered';
  return { ...result, status, reasons: [...result.reasons, reason] };
}

function uncheckedMember({ id, of }: { id: string; of: readonly string[] }, reason: string): MemberCheck {
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
