import {
  analyse,
  isUnilateral,
  prepareFrame,
  type Frame,
  type FrameState,
  type Progress,
} from '../analysis/index.js';
import type { FrameModel, Load, LoadCase, TrainLoad } from '../model/types.js';
import { unwrapped } from '../problem.js';
import {
  displacementAt,
  forceAt,
  forceNames,
  resultSelections,
  type CombinedState,
  type ExpandedModel,
} from '../results/index.js';

/** Places of a train's first force that are looked at on one member for each of its forces, and how many at most on all of them. */
const placesOnMember = 24;
const mostPlaces = 600;
/** How near to a member's ends a force stands beside those places, as a share of its length: shear jumps there. */
const besideEnd = 1e-6;
/** Places along a member at which extremes are looked for: of those that trains travel, and of the others. */
const stationsTravelled = 25;
const stationsElse = 5;
/** An extreme that is smaller than this share of the greatest in the frame is none. */
const negligible = 1e-6;

/** A model in which trains stand where they bring an extreme. */
export interface Placed {
  readonly model: ExpandedModel;
  readonly notes: readonly string[];
  /** Load cases of the position that is shown of a case with trains, by that case. */
  readonly shownOf: ReadonlyMap<string, readonly string[]>;
}

/** Trains that some combination names, by its load case. */
export const actingTrains = ({ trains = [], combinations = [] }: FrameModel): TrainLoad[] =>
  trains.filter(({ case: id }) => combinations.some(({ factors }) => (factors[id] ?? 0) !== 0));

/** Why trains cannot be evaluated; undefined where they can. */
export function whyTrainsAreNotCovered(
  model: FrameModel,
  frame: Frame,
  secondOrder: boolean,
): string | undefined {
  if (actingTrains(model).length === 0) return undefined;
  const what = 'Travelling load: the positions of a train are superposed, which';
  if (secondOrder) return `${what} second order does not allow; calculate this design in first order.`;
  return isUnilateral(frame)
    ? `${what} members of one sign do not allow; give them the action "axial".`
    : undefined;
}

/** A train on its line: where each of its forces stands behind the first, and the members that it travels. */
class Travel {
  readonly length: number;
  private readonly behind: number[] = [];
  private readonly from: number[] = [];

  constructor(
    readonly train: TrainLoad,
    private readonly frame: Frame,
  ) {
    let at = 0;
    for (const id of train.members) {
      this.from.push(at);
      at += frame.length[frame.memberIndex.get(id)!]!;
    }
    this.length = at;
    let gap = 0;
    train.forces.forEach((_, i) => {
      gap += i === 0 ? 0 : train.gaps[i - 1]!;
      this.behind.push(gap);
    });
  }

  /** Places of the first force at which one of the forces stands at a place that is looked at. */
  places(): number[] {
    const { train, frame, from, behind } = this;
    const on = Math.max(
      4,
      Math.min(placesOnMember, Math.floor(mostPlaces / (train.members.length * behind.length))),
    );
    const marks = train.members.flatMap((id, k) => {
      const L = frame.length[frame.memberIndex.get(id)!]!;
      const shares = Array.from({ length: on + 1 }, (_, i) =>
        Math.min(1 - besideEnd, Math.max(besideEnd, i / on)),
      );
      return shares.map((share) => from[k]! + share * L);
    });
    const all = behind.flatMap((gap) => marks.map((mark) => mark + gap)).sort((a, b) => a - b);
    return all.filter((s, i) => i === 0 || s - all[i - 1]! > besideEnd * this.length * 0.5);
  }

  /** The loads while the first force stands at s. Forces beside the line do not count. */
  loadsAt(s: number): Load[] {
    const { train, frame, from, behind } = this;
    const size = Math.hypot(...train.direction);
    return train.forces.flatMap((force, i): Load[] => {
      const at = s - behind[i]!;
      if (at < 0 || at > this.length) return [];
      let k = from.length - 1;
      while (k > 0 && at < from[k]!) k--;
      const member = train.members[k]!;
      const share = (at - from[k]!) / frame.length[frame.memberIndex.get(member)!]!;
      const F = train.direction.map((c) => (c / size) * force) as [number, number, number];
      return [{ kind: 'point', member, at: Math.min(1, Math.max(0, share)), F }];
    });
  }

  words(s: number): string {
    return `first force of ${this.train.id} at ${s.toFixed(2)} m`;
  }

  caseAt(s: number): string {
    return `${this.train.id} at ${s.toFixed(4)} m`;
  }
}

/** A place for each acting train, by its number among them. */
type Placement = readonly number[];

/**
 * The model in which every combination that names a case with trains has a state for each position of them that brings an extreme of an
 * internal force or a displacement somewhere on a member, or of a reaction or a node's displacement. The first state is that of the
 * greatest moment (force, where nothing bends) on the members that trains travel; the further ones can govern only the members whose
 * extreme they bring. The model as it is where no train acts.
 *
 * @throws ProblemError where the frame cannot be analysed
 */
export function withPlacedTrains(model: ExpandedModel, progress?: Progress): Placed {
  const trains = actingTrains(model);
  const combinations = model.combinations ?? [];
  if (trains.length === 0) return { model, notes: [], shownOf: new Map() };
  progress?.stage?.('Positions of trains');
  const frame = prepareFrame(model);
  const travels = trains.map((train) => new Travel(train, frame));
  const effects = travels.map((travel) => effectsOf(model, travel, progress));
  const cases = new Map<string, LoadCase>();
  const shownOf = new Map<string, string[]>();
  const placed = combinations.flatMap((combination): CombinedState[] => {
    const acting = travels.flatMap((travel, t) => {
      const factor = combination.factors[travel.train.case] ?? 0;
      return factor === 0 ? [] : [{ travel, effects: effects[t]!, factor }];
    });
    if (acting.length === 0) return [combination];
    const found = placementsOf(acting);
    const [main] = found.values();
    for (const [i, { travel }] of acting.entries())
      if (main && !shownOf.get(travel.train.case)?.some((id) => id.startsWith(`${travel.train.id} at `)))
        shownOf.set(travel.train.case, [
          ...(shownOf.get(travel.train.case) ?? []),
          travel.caseAt(main.placement[i]!),
        ]);
    return [...found].map(([, { placement, members }], k): CombinedState => {
      const factors = { ...combination.factors };
      const words = acting.map(({ travel, factor }, i) => {
        const s = placement[i]!;
        const id = travel.caseAt(s);
        cases.set(id, { id, category: 'crane', loads: travel.loadsAt(s) });
        factors[id] = (factors[id] ?? 0) + factor;
        return travel.words(s);
      });
      const situation = {
        combination: combination.id,
        words: words.join(', '),
        // The first stands for the combination: it is looked at for every member
        ...(k === 0 || members === undefined ? {} : { members }),
      };
      return {
        ...combination,
        id: k === 0 ? combination.id : `${combination.id}, ${words.join(', ')}`,
        factors,
        situation,
      };
    });
  });
  return {
    model: { ...model, loadCases: [...(model.loadCases ?? []), ...cases.values()], combinations: placed },
    notes: [
      `Trains stand at the ${cases.size} positions that bring an extreme somewhere; what is shown of a combination is that of the greatest moment on the members that they travel.`,
    ],
    shownOf,
  };
}

/** What a train brings at each of its places. */
interface Effects {
  readonly places: readonly number[];
  readonly states: readonly FrameState[];
  readonly frame: Frame;
  readonly travelled: ReadonlySet<number>;
}

function effectsOf(model: FrameModel, travel: Travel, progress: Progress | undefined): Effects {
  const places = travel.places();
  const loadCases = places.map((s): LoadCase => ({ id: travel.caseAt(s), loads: travel.loadsAt(s) }));
  const alone = { ...model, loadCases, combinations: [] };
  const frame = prepareFrame(alone);
  const analysis = unwrapped(analyse(frame, resultSelections(alone), progress ? { progress } : {}));
  return {
    places,
    states: loadCases.map(({ id }) => analysis.states.get(id)!),
    frame,
    travelled: new Set(travel.train.members.map((id) => frame.memberIndex.get(id)!)),
  };
}

interface Acting {
  readonly travel: Travel;
  readonly effects: Effects;
  readonly factor: number;
}

interface Found {
  readonly placement: Placement;
  /** Members whose extreme it brings; absent: it counts for the frame as a whole. */
  members?: Set<number>;
}

/** Every placement that brings an extreme, the first the one of the greatest moment on what is travelled. */
function placementsOf(acting: readonly Acting[]): Map<string, Found> {
  const { frame } = acting[0]!.effects;
  const found = new Map<string, Found>();
  const travelled = new Set(acting.flatMap(({ effects }) => [...effects.travelled]));
  const scale = new Map<string, number>();
  const keep = (placement: Placement, member: number | undefined): void => {
    const key = placement.join(' ');
    let one = found.get(key);
    if (!one)
      found.set(key, (one = member === undefined ? { placement } : { placement, members: new Set() }));
    if (member === undefined) delete one.members;
    else one.members?.add(member);
  };
  const values = acting.map(({ effects }) =>
    effects.states.map((state) => seriesOf(frame, state, travelled)),
  );
  const series = values[0]![0]!;
  series.forEach(({ kind }, i) => {
    for (const [t, { factor }] of acting.entries())
      for (const state of values[t]!)
        scale.set(kind, Math.max(scale.get(kind) ?? 0, Math.abs(factor * state[i]!.value)));
  });
  let governing: { placement: Placement; size: number } | undefined;
  const main = (scale.get('My') ?? 0) + (scale.get('Mz') ?? 0) > 0 ? ['My', 'Mz'] : ['N'];
  series.forEach(({ kind, member }, i) => {
    for (const sign of [1, -1]) {
      let sum = 0;
      const placement = acting.map(({ effects, factor }, t) => {
        let [best, most] = [0, -Infinity];
        values[t]!.forEach((state, p) => {
          const value = sign * factor * state[i]!.value;
          if (value > most * (most > 0 ? 1 + 1e-9 : 1)) [best, most] = [p, value];
        });
        sum += Math.max(0, most);
        return effects.places[best]!;
      });
      if (!(sum > negligible * scale.get(kind)!)) continue;
      keep(placement, member);
      if (
        member !== undefined &&
        travelled.has(member) &&
        main.includes(kind) &&
        sum > (governing?.size ?? 0) * (1 + 1e-9)
      )
        governing = { placement, size: sum };
    }
  });
  if (!governing) return found;
  const key = governing.placement.join(' ');
  return new Map([[key, found.get(key)!], ...[...found].filter(([other]) => other !== key)]);
}

/** A number that a train changes: what of, and of which member. */
interface Value {
  readonly kind: string;
  readonly value: number;
  readonly member?: number;
}

/** Everything whose extremes are looked for in one state, always in the same order. */
function seriesOf(frame: Frame, state: FrameState, travelled: ReadonlySet<number>): Value[] {
  const names = frame.plane ? (['N', 'Vz', 'My'] as const) : forceNames;
  const out: Value[] = [];
  frame.memberIds.forEach((_, member) => {
    const field = state.field(member);
    const count = travelled.has(member) ? stationsTravelled : stationsElse;
    for (let i = 0; i < count; i++) {
      const x = (i / (count - 1)) * frame.length[member]!;
      for (const kind of names)
        for (const before of [false, true])
          out.push({ kind, member, value: forceAt(field, kind, x, before) });
      for (const kind of ['v', 'w'] as const)
        out.push({ kind, member, value: displacementAt(field, kind, x) });
    }
  });
  for (let i = 0; i < state.reactions.length; i++)
    if (frame.restraint[i]! > 0)
      out.push({ kind: i % 6 < 3 ? 'reaction' : 'held', value: state.reactions[i]! });
  for (let i = 0; i < state.displacements.length; i++)
    if (i % 6 < 3) out.push({ kind: 'u', value: state.displacements[i]! });
  return out;
}
