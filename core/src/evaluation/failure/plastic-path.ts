import {
  plasticGrowth,
  prepareFrame,
  sumOfFields,
  type Frame,
  type MemberField,
  type PlasticGrowth,
} from '../../analysis/index.js';
import { ProblemError } from '../../base/problem.js';
import { hingeRemarks, MemberChecker } from '../../checks/index.js';
import type { Namer } from '../../geometry/names.js';
import type { FrameModel } from '../../model/types.js';
import { forceAt, type ForceName, type ResultSelection } from '../../results/index.js';
import { titleOf } from '../member-sheet/named-member.js';
import { stabilityOf, usesDirectAnalysis, wantsLengths } from '../stages/index.js';
import { conditionBetween, LoadPath } from './elastic.js';
import { conditionEvent } from './elastic-path.js';
import type { FailureEvent, FailureFile, FailureOptions, FailureProgress } from './failure-file.js';
import { followedAs, greatestDisplacement } from './followed.js';
import type { RaisedLoads } from './loads.js';
import { pictureOf } from './picture.js';
import { withImperfections } from './plastic-loads.js';
import { uniformPieces, type UniformModel } from './uniform-pieces.js';
import { factorWords, verdictWords } from './words.js';

/** Places at which conditions are looked at, and points of the curve. */
const steps = { 1: 24, 2: 44 } as const;

type Asked = FailureOptions & {
  readonly order: 1 | 2;
  readonly most: number;
  readonly alternative: string;
};

/** Follows a path by plastic hinges up to collapse or the greatest factor. */
export function* plasticPath(
  given: FrameModel,
  namer: Namer,
  loads: RaisedLoads,
  options: Asked,
): Generator<FailureProgress, FailureFile> {
  const { order, most, alternative } = options;
  const own = withImperfections(given, loads, order === 2);
  const uniform = uniformPieces(own.model);
  const frame = prepareFrame(own.model);
  const asked = options.follow === undefined ? undefined : followedAs(options.follow, frame, namer);
  const checks = new PlasticChecks(own.model, frame, uniform, new LoadPath(given, loads, order));
  const notes = new Set([...own.notes.map(sentence), ...uniform.notes, ...whatIsTaken(given, order)]);
  const file = (
    events: readonly FailureEvent[],
    more: Pick<FailureFile, 'last' | 'curve'> & Partial<FailureFile>,
  ): FailureFile => {
    const first = events.find(({ kind }) => kind !== 'closed');
    return {
      format: 'hashira-failure',
      version: 1,
      alternative,
      path: 'plastic',
      order,
      ...loads,
      events,
      ...(first ? { first: first.factor } : {}),
      slack: [],
      verdict: verdictWords(events, more.last),
      notes: [...notes],
      ...more,
    };
  };
  const parts = plasticGrowth(uniform.model, own.loads, {
    most,
    gammaM0: given.code?.gammaM0 ?? 1,
    secondOrder: order === 2,
  });
  let growth: PlasticGrowth | undefined;
  while (!growth) {
    const { done, value } = parts.next();
    if (done) growth = value;
    else
      yield {
        done: 0.5 * Math.min(1, value.factor / most),
        soFar: () => file([], { status: 'stopped', last: { factor: value.factor }, curve: [] }),
      };
  }
  checks.follow(growth);
  const hinges = hingeEvents(growth, checks, namer, notes);
  const factors = [
    ...new Set([...gridOf(growth.factor, steps[order]), ...hinges.map(({ factor }) => factor)]),
  ].sort((a, b) => a - b);
  const conditions: FailureEvent[] = [];
  for (const [k, factor] of factors.entries()) {
    conditions.push(...checks.reachedBetween(k === 0 ? undefined : factors[k - 1]!, factor, namer));
    yield {
      done: 0.5 + (0.5 * (k + 1)) / factors.length,
      soFar: () =>
        file(inOrder([...hinges, ...conditions]), { status: 'stopped', last: { factor }, curve: [] }),
    };
  }
  for (const reason of checks.reasons) notes.add(reason);
  const events = inOrder([...hinges, ...conditions]);
  const displacementsAt = (factor: number) => growth.stateAt(factor).displacements;
  const end = { displacements: displacementsAt(growth.factor) } as Parameters<typeof greatestDisplacement>[2];
  const followed = asked ?? greatestDisplacement(frame, namer, end);
  return file(growth.end === 'collapse' ? [...events, collapseEvent(growth.factor, order)] : events, {
    last: lastOf(growth, most),
    curve: followed
      ? factors.map((factor) => ({ factor, displacement: displacementsAt(factor)[followed.freedom]! }))
      : [],
    ...(followed
      ? { followed: { node: followed.node, title: followed.title, component: followed.component } }
      : {}),
    ...(options.picture
      ? { picture: pictureOf(frame, factors, (factor) => (m) => checks.fieldAt(factor, m)) }
      : {}),
  });
}

const sentence = (note: string): string => note.charAt(0).toUpperCase() + note.slice(1);

/** What hinges are taken by, where another code or analysis would expect otherwise. */
function whatIsTaken({ code }: FrameModel, order: 1 | 2): string[] {
  const isAisc = code?.name === 'AISC360';
  return [
    ...(isAisc
      ? ['Plastic moments under axial force are those of EN 1993-1-1 6.2.9, whatever the code of the checks.']
      : []),
    ...(order === 2 && isAisc && usesDirectAnalysis({ code } as FrameModel)
      ? ['Stiffnesses are not reduced while hinges form.']
      : []),
  ];
}

const collapseEvent = (factor: number, order: 1 | 2): FailureEvent => ({
  factor,
  kind: 'collapse',
  text: `the frame ${order === 1 ? 'is a mechanism' : 'carries no more'} at ${factorWords(factor)} times what is raised`,
});

const lastOf = ({ end, factor }: PlasticGrowth, most: number): FailureFile['last'] =>
  end === 'collapse'
    ? { factor, kind: 'collapse' }
    : { factor: most, code: 'no-failure', reason: `carries ${factorWords(most)} times the load` };

const inOrder = (events: readonly FailureEvent[]): FailureEvent[] =>
  [...events].sort((a, b) => a.factor - b.factor);

const gridOf = (end: number, count: number): number[] =>
  Array.from({ length: count + 1 }, (_, k) => (end * k) / count);

/** The members' conditions along a path of plastic hinges. */
class PlasticChecks {
  private growth: PlasticGrowth | undefined;
  private readonly checkers = new Map<number, MemberChecker>();
  private readonly open: Set<number>;
  readonly reasons = new Set<string>();
  /** Members as the checks see them. */
  readonly members: MemberChecker['members'];

  constructor(
    private readonly model: FrameModel,
    readonly frame: Frame,
    private readonly uniform: UniformModel,
    /** The same loads on the elastic frame, for buckling lengths that come from the frame. */
    private readonly elastic: LoadPath,
  ) {
    const checker = new MemberChecker(model, frame, [], () => undefined);
    if (checker.problems.length > 0) throw new ProblemError(checker.problems);
    this.members = checker.members;
    this.open = new Set(checker.members.keys());
  }

  follow(growth: PlasticGrowth): void {
    this.growth = growth;
  }

  /** The checks at a factor, as a path gives them. */
  at(factor: number): { checker(): MemberChecker } {
    return { checker: () => this.checkerAt(factor) };
  }

  private checkerAt(factor: number): MemberChecker {
    let checker = this.checkers.get(factor);
    if (!checker) {
      const selection: ResultSelection = {
        id: 'path',
        kind: 'combination',
        state: 'strength',
        factors: new Float64Array(0),
      };
      const lengths = this.lengthsAt(factor);
      checker = new MemberChecker(
        this.model,
        this.frame,
        [selection],
        (_, member) => this.fieldAt(factor, member),
        lengths ? { bucklingOf: (_, member) => lengths[member] } : {},
      );
      this.checkers.set(factor, checker);
    }
    return checker;
  }

  private lengthsAt(factor: number) {
    const forces = this.elastic.tryAt(factor)?.forces;
    return forces && wantsLengths(forces) ? [...stabilityOf(forces).lengths.values()][0] : undefined;
  }

  /** The functions along a member of the model with its tapers whole. */
  fieldAt(factor: number, member: number): MemberField {
    const state = this.growth!.stateAt(factor);
    const pieces = this.uniform.pieces[member]!;
    return pieces.length === 1
      ? state.field(pieces[0]!.m)
      : sumOfFields(
          pieces.map(({ m, from }) => ({ field: state.field(m), factor: 1, from })),
          this.frame.length[member]!,
        );
  }

  /** The member that a uniform piece is of, and where the piece begins. */
  pieceOf(id: string): { readonly number: number; readonly from: number } {
    const m = this.uniform.model.members.findIndex((one) => one.id === id);
    const number = this.uniform.pieces.findIndex((pieces) => pieces.some((piece) => piece.m === m));
    return { number, from: this.uniform.pieces[number]!.find((piece) => piece.m === m)!.from };
  }

  /** Conditions that reach 1 between two factors: of whole members, and all of those that do not yield. */
  reachedBetween(from: number | undefined, to: number, namer: Namer): FailureEvent[] {
    const events: FailureEvent[] = [];
    for (const index of [...this.open]) {
      const member = this.members[index]!;
      if ('reason' in member) {
        this.reasons.add(`${titleOf(member, namer)} is not covered: ${member.reason}`);
        this.open.delete(index);
        continue;
      }
      const wholeMembers = member.pieces.some(({ member: m }) => this.frame.axialOnly[m] === 0);
      const check = this.checkerAt(to).check(index, { wholeMembers });
      for (const reason of check.reasons)
        this.reasons.add(`${titleOf(member, namer)} is not covered: ${reason}`);
      if ((check.utilisation ?? 0) < 1 || !check.governs) continue;
      this.open.delete(index);
      const reached =
        from === undefined
          ? { factor: to, item: check.governs }
          : conditionBetween(this, index, [from, to], wholeMembers);
      const event = conditionEvent(reached.factor, member, reached.item, namer);
      events.push(wholeMembers ? { ...event, of: 'member' } : event);
    }
    return events;
  }
}

/** Forces at a place, just before it. */
function forcesAlong(field: MemberField, x: number) {
  const of = (name: ForceName) => forceAt(field, name, x, x > 0);
  return { N: of('N'), Vy: of('Vy'), Vz: of('Vz'), T: of('T'), My: of('My'), Mz: of('Mz') };
}

/** Hinges by the physical members that they are in. */
function hingeEvents(
  { events }: PlasticGrowth,
  checks: PlasticChecks,
  namer: Namer,
  notes: Set<string>,
): FailureEvent[] {
  return events.map(({ factor, kind, member: piece, x: inPiece, moment, axial }) => {
    const { member, x, number, at } = placeOf(checks, piece, inPiece);
    const title = titleOf(member, namer);
    if (kind === 'hinge' && !('reason' in member)) {
      const field = checks.fieldAt(factor, number);
      const forces = forcesAlong(field, at);
      for (const remark of hingeRemarks(member, x, forces)) notes.add(`${title}: ${remark}.`);
    }
    const where = x <= 1e-6 ? 'at its start' : `${x.toPrecision(3)} m from its start`;
    const text = `${title}: a plastic hinge ${kind === 'hinge' ? 'forms' : 'closes'} ${where}`;
    return { factor, kind, member: member.id, title, x, moment, axial, text };
  });
}

function placeOf(checks: PlasticChecks, piece: string, inPiece: number) {
  const { frame } = checks;
  const { number, from } = checks.pieceOf(piece);
  const id = frame.memberIds[number]!;
  const member = checks.members.find(({ of }) => of.includes(id))!;
  const before = member.of
    .slice(0, member.of.indexOf(id))
    .reduce((sum, one) => sum + frame.length[frame.memberIndex.get(one)!]!, 0);
  const at = from + inPiece;
  return { member, number, at, x: before + at };
}
