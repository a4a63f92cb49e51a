import { ownValue } from '../../base/own-value.js';
import {
  analyse,
  isUnilateral,
  prepareFrame,
  type Frame,
  type FrameState,
  type Progress,
} from '../../analysis/index.js';
import type { FrameModel, Load, LoadCase, TrainLoad } from '../../model/types.js';
import { unwrapped } from '../../base/problem.js';
import {
  displacementAt,
  forceAt,
  forceNames,
  resultSelections,
  type CombinedState,
  type ExpandedModel,
} from '../../results/index.js';

/** Places of a train's first force that are looked at on one member for each of its forces, and how many at most on all of them. */
const placesOnMember = 24;
const mostPlaces = 600;
/** How near to a member's ends a force stands beside those places, as a fraction of its length: shear jumps there. */
const besideEnd = 1e-6;
/** Places along a member at which extremes are looked for: of those that trains travel, and of the others. */
const stationsTravelled = 25;
const stationsElse = 5;
/** An extreme that is smaller than this fraction of the greatest in the frame is none. */
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
  trains.filter(({ case: id }) => combinations.some(({ factors }) => (ownValue(factors, id) ?? 0) !== 0));

/** Why trains cannot be evaluated; undefined where they can. */
export function whyTrainsAreNotCovered(model: FrameModel, secondOrder: boolean): string | undefined {
  if (actingTrains(model).length === 0) return undefined;
  const what = 'Travelling load: the positions of a train are superposed, which';
  if (secondOrder) return `${what} second order does not allow; calculate this design in first order.`;
  return isUnilateral(prepareFrame(model))
    ? `${what} members of one sign do not allow; give them the action "axial".`
    : undefined;
}

/** A train on its line: where each of its forces stands behind the first, and the members that it travels. */
class Travel {
  readonly length: number;
  readonly places: readonly number[];
  private readonly behind: number[] = [];
  private readonly from: number[] = [];
  /** Each place with as many decimals as tell it from its neighbours, two at least. */
  private readonly written: ReadonlyMap<number, string>;

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
    this.places = this.placesInOrder();
    this.written = new Map(
      this.places.map((s, i, all) => {
        let decimals = 2;
        const isNot = (other: number | undefined) => other?.toFixed(decimals) !== s.toFixed(decimals);
        while (decimals < 15 && !(isNot(all[i - 1]) && isNot(all[i + 1]))) decimals++;
        return [s, s.toFixed(decimals)];
      }),
    );
  }

  /** Places of the first force at which one of the forces stands at a place that is looked at, in order. */
  private placesInOrder(): number[] {
    const { train, frame, from, behind } = this;
    const on = Math.max(
      4,
      Math.min(placesOnMember, Math.floor(mostPlaces / (train.members.length * behind.length))),
    );
    const marks = train.members.flatMap((id, k) => {
      const L = frame.length[frame.memberIndex.get(id)!]!;
      const fractions = Array.from({ length: on + 1 }, (_, i) =>
        Math.min(1 - besideEnd, Math.max(besideEnd, i / on)),
      );
      return fractions.map((fraction) => from[k]! + fraction * L);
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
      const fraction = (at - from[k]!) / frame.length[frame.memberIndex.get(member)!]!;
      const F = train.direction.map((c) => (c / size) * force) as [number, number, number];
      return [{ kind: 'point', member, at: Math.min(1, Math.max(0, fraction)), F }];
    });
  }

  words(s: number): string {
    return `first force of ${this.caseAt(s)}`;
  }

  /** The train and a place of its first force: another text for every place. */
  caseAt(s: number): string {
    return `${this.train.id} at ${this.written.get(s)!} m`;
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
  const travelled = new Set(trains.flatMap(({ members }) => members.map((id) => frame.memberIndex.get(id)!)));
  const watch = watchedIn(frame, travelled);
  const effects = travels.map((travel) => effectsOf(model, travel, watch, progress));
  const cases = new Map<string, LoadCase>();
  const shownOf = new Map<string, string[]>();
  const placed = combinations.flatMap((combination): CombinedState[] => {
    const acting = travels.flatMap((travel, t) => {
      const factor = ownValue(combination.factors, travel.train.case) ?? 0;
      return factor === 0 ? [] : [{ travel, effects: effects[t]!, factor }];
    });
    if (acting.length === 0) return [combination];
    const found = placementsOf(acting, watch.watched, travelled);
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

/** A number that a train changes: what of, and of which member. */
interface Watched {
  readonly kind: string;
  readonly member?: number;
}

/** Everything whose extremes are looked for, and how all of it is read from a state. */
interface Watch {
  readonly watched: readonly Watched[];
  readonly valuesIn: (state: FrameState) => Float64Array;
}

/** The greatest values of what is watched, and the place at which the train brings each. */
interface Extremes {
  readonly value: Float64Array;
  readonly at: Float64Array;
}

/** What a train brings, over all its places: the greatest of each value, and of its opposite. */
interface Effects {
  readonly most: Extremes;
  readonly least: Extremes;
}

const nothingYet = (count: number): Extremes => ({
  value: new Float64Array(count).fill(-Infinity),
  at: new Float64Array(count),
});

/** Of values that are equal within rounding the first place counts. */
function raise({ value, at }: Extremes, i: number, one: number, place: number): void {
  const most = value[i]!;
  if (one > most * (most > 0 ? 1 + 1e-9 : 1)) [value[i], at[i]] = [one, place];
}

function effectsOf(
  model: FrameModel,
  travel: Travel,
  { watched, valuesIn }: Watch,
  progress: Progress | undefined,
): Effects {
  const { places } = travel;
  const loadCases = places.map((s): LoadCase => ({ id: travel.caseAt(s), loads: travel.loadsAt(s) }));
  const alone = { ...model, loadCases, combinations: [] };
  const analysis = unwrapped(
    analyse(prepareFrame(alone), resultSelections(alone), progress ? { progress } : {}),
  );
  const [most, least] = [nothingYet(watched.length), nothingYet(watched.length)];
  for (const s of places) {
    valuesIn(analysis.states.get(travel.caseAt(s))!).forEach((value, i) => {
      raise(most, i, value, s);
      raise(least, i, -value, s);
    });
  }
  return { most, least };
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
function placementsOf(
  acting: readonly Acting[],
  watched: readonly Watched[],
  travelled: ReadonlySet<number>,
): Map<string, Found> {
  const found = new Map<string, Found>();
  const keep = (placement: Placement, member: number | undefined): void => {
    const key = placement.join(' ');
    let one = found.get(key);
    if (!one)
      found.set(key, (one = member === undefined ? { placement } : { placement, members: new Set() }));
    if (member === undefined) delete one.members;
    else one.members?.add(member);
  };
  const scale = new Map<string, number>();
  watched.forEach(({ kind }, i) => {
    for (const { factor, effects } of acting)
      for (const { value } of [effects.most, effects.least])
        scale.set(kind, Math.max(scale.get(kind) ?? 0, Math.abs(factor * value[i]!)));
  });
  let governing: { placement: Placement; size: number } | undefined;
  const main = (scale.get('My') ?? 0) + (scale.get('Mz') ?? 0) > 0 ? ['My', 'Mz'] : ['N'];
  watched.forEach(({ kind, member }, i) => {
    for (const sign of [1, -1]) {
      let sum = 0;
      const placement = acting.map(({ effects, factor }) => {
        const { value, at } = sign * factor > 0 ? effects.most : effects.least;
        sum += Math.max(0, Math.abs(factor) * value[i]!);
        return at[i]!;
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

/** Forces and displacements along members, reactions, and displacements of nodes. */
function watchedIn(frame: Frame, travelled: ReadonlySet<number>): Watch {
  const forces = frame.plane ? (['N', 'Vz', 'My'] as const) : forceNames;
  const displacements = ['v', 'w'] as const;
  const places = frame.memberIds.map((_, member) => {
    const count = travelled.has(member) ? stationsTravelled : stationsElse;
    return Array.from({ length: count }, (_, i) => (i / (count - 1)) * frame.length[member]!);
  });
  const held = [...frame.restraint.keys()].filter((i) => frame.restraint[i]! > 0);
  const moving = Array.from({ length: 6 * frame.nodeIds.length }, (_, i) => i).filter((i) => i % 6 < 3);
  const watched = [
    ...places.flatMap((xs, member) =>
      xs.flatMap(() =>
        [...forces.flatMap((kind) => [kind, kind]), ...displacements].map((kind): Watched => ({
          kind,
          member,
        })),
      ),
    ),
    ...held.map((i): Watched => ({ kind: i % 6 < 3 ? 'reaction' : 'held' })),
    ...moving.map((): Watched => ({ kind: 'u' })),
  ];
  const valuesIn = (state: FrameState): Float64Array => {
    const out = new Float64Array(watched.length);
    let at = 0;
    places.forEach((xs, member) => {
      const field = state.field(member);
      for (const x of xs) {
        for (const kind of forces)
          for (const before of [false, true]) out[at++] = forceAt(field, kind, x, before);
        for (const kind of displacements) out[at++] = displacementAt(field, kind, x);
      }
    });
    for (const i of held) out[at++] = state.reactions[i]!;
    for (const i of moving) out[at++] = state.displacements[i]!;
    return out;
  };
  return { watched, valuesIn };
}
