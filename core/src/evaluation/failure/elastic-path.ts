import { fail } from '../../base/problem.js';
import type { Namer } from '../../geometry/names.js';
import type { FrameModel } from '../../model/types.js';
import { titleOf } from '../member-sheet/named-member.js';
import {
  conditionBetween,
  findInstability,
  LoadPath,
  oneSided,
  slackBetween,
  type PathState,
} from './elastic.js';
import type {
  FailureEvent,
  FailureFile,
  FailureOptions,
  FailureProgress,
  FollowedPlace,
} from './failure-file.js';
import { followedAs, greatestDisplacement, type Followed } from './followed.js';
import type { RaisedLoads } from './loads.js';
import { pictureOf } from './picture.js';
import { conditionText, factorWords, verdictWords } from './words.js';

/** Steps of a path of first and of second order. */
const steps = { 1: 24, 2: 44 } as const;

/** How near to its critical load a path of second order is followed. */
const nearEnd = [0.99, 0.999];

/** What is known of a path. */
interface Known {
  readonly events: FailureEvent[];
  readonly curve: Map<number, PathState['state']>;
  readonly notes: Set<string>;
}

/** Follows a path while all is elastic, up to instability or the greatest factor. */
export function* elasticPath(
  model: FrameModel,
  namer: Namer,
  loads: RaisedLoads,
  options: FailureOptions & { readonly order: 1 | 2; readonly most: number; readonly alternative: string },
): Generator<FailureProgress, FailureFile> {
  const { order, most, alternative } = options;
  const path = new LoadPath(model, loads, order);
  const start = path.at(0);
  const { frame } = start.forces;
  const asked = options.follow === undefined ? undefined : followedAs(options.follow, frame, namer);
  const known: Known = { events: [], curve: new Map(), notes: new Set(start.forces.notes.map(withoutName)) };
  const instability = findInstability(path, order, most);
  const end = instability?.factor ?? most;
  const factors = gridOf(order, end, instability !== undefined);
  const members = start.checker().members;
  const open = new Set(members.keys());
  const sided = oneSided(start);
  const acting = path.tryAt(factors[0]! * 1e-3) ?? start;
  const slack = sided.filter((m) => acting.state.slack[m] === 1);
  refuseWithoutStrain(path, factors[0]!);
  const file = (more: Partial<FailureFile> = {}): FailureFile =>
    told({ alternative, order, loads, most, known, instability, slack, namer, asked, frame, options }, more);
  keep(known, start);
  let before = start;
  collectAtStart(start, open, known, namer);
  for (const [k, factor] of factors.entries()) {
    const now = path.tryAt(factor);
    if (!now) break;
    const span = [before.factor, factor] as const;
    for (const m of sided)
      if (before.factor > 0 && now.state.slack[m] !== before.state.slack[m]) {
        const change = slackBetween(path, m, span);
        keep(known, path.at(change.factor));
        const id = frame.memberIds[m]!;
        const title = namer.member(id);
        const kind = change.slack ? 'slack' : 'taut';
        known.events.push({ factor: change.factor, kind, member: id, title, text: `${title} goes ${kind}` });
      }
    for (const index of [...open]) {
      const check = now.checker().check(index);
      for (const reason of check.reasons)
        known.notes.add(`${titleOf(members[index]!, namer)} is not covered: ${reason}`);
      if ((check.utilisation ?? 0) < 1) continue;
      const { factor: at, item } = conditionBetween(path, index, span);
      open.delete(index);
      keep(known, path.at(at));
      known.events.push(conditionEvent(at, members[index]!, item, namer));
    }
    keep(known, now);
    before = now;
    yield { done: (k + 1) / factors.length, soFar: () => file({ status: 'stopped' }) };
  }
  if (instability) {
    const text = instability.reason
      ? `the frame finds no equilibrium any more: ${instability.reason}`
      : `the frame becomes unstable at ${factorWords(instability.factor)} times what is raised`;
    known.events.push({ factor: instability.factor, kind: 'instability', text });
  }
  return file();
}

/** A note without the name that the path's loads have as a combination. */
const withoutName = (note: string): string => note.replace(/^path: /, 'Under the constant part: ');

/** Even steps; in second order the last ones close in on the critical load. */
function gridOf(order: 1 | 2, end: number, critical: boolean): number[] {
  const count = steps[order];
  const even = Array.from({ length: count }, (_, k) => (end * (k + 1)) / count);
  if (order === 1 || !critical) return even;
  return [...even.slice(0, -1), ...nearEnd.map((share) => share * end)];
}

/** @throws ProblemError `no-load` where what is raised strains no member */
function refuseWithoutStrain(path: LoadPath, factor: number): void {
  const [a, b] = [path.at(0).state, path.tryAt(factor)?.state];
  if (!b) return;
  const strained = b.memberForces.some(
    (value, k) => Math.abs(value - a.memberForces[k]!) > 1e-9 * Math.max(1, Math.abs(value)),
  );
  if (!strained)
    fail(
      'no-load',
      'What is raised strains no member of the frame; raise loads that act on members or free nodes.',
      {},
    );
}

/** Conditions beyond 1 under the constant part alone. */
function collectAtStart(start: PathState, open: Set<number>, known: Known, namer: Namer): void {
  const checker = start.checker();
  for (const index of [...open]) {
    const { utilisation = 0, governs } = checker.check(index);
    if (utilisation < 1 || !governs) continue;
    open.delete(index);
    known.events.push(conditionEvent(0, checker.members[index]!, governs, namer));
  }
}

export function conditionEvent(
  factor: number,
  member: { readonly id: string; readonly of: readonly string[] },
  item: Parameters<typeof conditionText>[1],
  namer: Namer,
): FailureEvent {
  const title = titleOf(member, namer);
  const { x, clause, axis } = item;
  return {
    factor,
    kind: 'condition',
    member: member.id,
    title,
    x,
    clause,
    ...(axis ? { axis } : {}),
    text: conditionText(title, item),
  };
}

const keep = ({ curve }: Known, { factor, state }: PathState): void => void curve.set(factor, state);

/** What is known, as a document. */
function told(
  of: {
    readonly alternative: string;
    readonly order: 1 | 2;
    readonly loads: RaisedLoads;
    readonly most: number;
    readonly known: Known;
    readonly instability: { readonly factor: number; readonly reason?: string } | undefined;
    readonly slack: readonly number[];
    readonly namer: Namer;
    readonly asked: Followed | undefined;
    readonly options: FailureOptions;
    readonly frame: PathState['forces']['frame'];
  },
  more: Partial<FailureFile>,
): FailureFile {
  const { known, instability, most, namer, frame, loads } = of;
  const events = [...known.events].sort((a, b) => a.factor - b.factor);
  const first = events.find(({ kind }) => kind !== 'slack' && kind !== 'taut');
  const factors = [...known.curve.keys()].sort((a, b) => a - b);
  const lastKnown = factors[factors.length - 1]!;
  const followed = of.asked ?? greatestDisplacement(frame, namer, known.curve.get(lastKnown)!);
  const last: FailureFile['last'] = instability
    ? { factor: instability.factor, kind: 'instability' }
    : { factor: most, code: 'no-failure', reason: `carries ${factorWords(most)} times the load` };
  return {
    format: 'hashira-failure',
    version: 1,
    alternative: of.alternative,
    path: 'elastic',
    order: of.order,
    ...loads,
    events,
    ...(first ? { first: first.factor } : {}),
    last,
    curve: followed
      ? factors.map((factor) => ({
          factor,
          displacement: known.curve.get(factor)!.displacements[followed.freedom]!,
        }))
      : [],
    ...(followed ? { followed: placeOf(followed) } : {}),
    slack: of.slack.map((m) => ({ member: frame.memberIds[m]!, title: namer.member(frame.memberIds[m]!) })),
    verdict: verdictWords(events, last),
    notes: [...known.notes],
    ...(of.options.picture
      ? { picture: pictureOf(frame, factors, (factor) => (m) => known.curve.get(factor)!.field(m)) }
      : {}),
    ...more,
  };
}

const placeOf = ({ node, title, component }: Followed): FollowedPlace => ({ node, title, component });
