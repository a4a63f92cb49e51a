import type { MemberField, Progress } from '../analysis/index.js';
import {
  isCovered,
  logInto,
  type CalculationStep,
  type Check,
  type CheckItem,
  type CodeRules,
  type CoveredItem,
  type Extreme,
  type MemberCheck,
  type MemberCheckRule,
  type MemberState,
  type Reach,
  type SectionCheck,
  type Verdict,
} from './check.js';
import type { PhysicalMember } from './members/physical-member.js';
import { forcesAt, placeOf, places, withChanges, worstBetween, type Place } from './members/stations.js';

export interface RunOptions {
  /** Write down the steps of every item. */
  readonly steps?: boolean;
  /** An item for each combination, not only the worst. */
  readonly all?: boolean;
  /** Only conditions of whole members. */
  readonly wholeMembers?: boolean;
  readonly progress?: Progress;
}

/** What a check found in one combination. */
interface Found {
  readonly state: MemberState;
  readonly x: number;
  readonly place?: Place;
  readonly verdict: NonNullable<Verdict>;
  readonly utilisation: number;
}

/** Utilisation up to which a condition passes: 1, and what rounding leaves. */
const limit = 1 + 1e-9;

/** Of utilisations nearer to one another than this the first combination of the model counts. */
const alike = 1e-9;

/**
 * Runs a code's checks over one physical member under its combinations.
 *
 * @returns the items, each at its worst combination and place, and the worst of them
 */
export function runChecks(
  code: CodeRules,
  member: PhysicalMember,
  states: readonly MemberState[],
  options: RunOptions = {},
): MemberCheck {
  const items: CheckItem[] = [];
  const stateOf = new Map<CheckItem, MemberState>();
  const run = new MemberRun(code, member, states, options.all ?? false);
  for (const check of code.checks) {
    if (options.wholeMembers && check.scope !== 'member') continue;
    const covered = check.covers(member);
    if (covered === false) continue;
    if (covered !== true) {
      items.push(uncovered(check, states[0]?.id ?? '', 0, covered));
      continue;
    }
    const found = check.scope === 'member' ? run.ofMember(check) : run.ofSections(check);
    for (const one of options.all ? worstOfEach(found) : found) {
      const item = itemOf(check, member, one, options);
      items.push(item);
      stateOf.set(item, one.state);
    }
  }
  return summary(code, member, items, stateOf);
}

/** Of a combination with several states the worst one. */
function worstOfEach(found: readonly Found[]): Found[] {
  const worst = new Map<string, Found>();
  for (const one of found) {
    const known = worst.get(one.state.id);
    if (!known || one.utilisation > known.utilisation) worst.set(one.state.id, one);
  }
  return [...worst.values()];
}

/** The worst of the places that are looked at first, by its number among them. */
interface Coarse {
  readonly index: number;
  readonly verdict: NonNullable<Verdict>;
  readonly utilisation: number;
}

/** One physical member under its combinations while the checks go over it. */
class MemberRun {
  private readonly reach: Reach;
  /** The resistance of the cross-section is the same everywhere and in every combination. */
  private readonly uniform: boolean;
  private readonly placesOf: (Place[] | undefined)[] = [];
  /** What a check can come to in each combination at most; −2 once the combination was taken. */
  private readonly bounds: Float64Array;
  /** The same, kept. */
  private readonly limits: Float64Array;

  constructor(
    private readonly code: CodeRules,
    private readonly member: PhysicalMember,
    private readonly states: readonly MemberState[],
    private readonly all: boolean,
  ) {
    this.reach = reachOf(states);
    this.uniform = !member.tapered && code.sameResistance(member.section);
    this.bounds = new Float64Array(states.length);
    this.limits = new Float64Array(states.length);
  }

  /** A check of the whole member: in its worst combination, or in every one. */
  ofMember(check: MemberCheckRule): Found[] {
    const { member, states, all } = this;
    if (all) return states.flatMap((state) => verdictOf(check, member, state) ?? []);
    const { by } = check;
    if (by && this.uniform && member.design.lengths !== 'buckling-analysis') {
      const state = decisive(states, by);
      const found = state && verdictOf(check, member, state);
      return found ? [found] : [];
    }
    let worst: Found | undefined;
    let worstOrder = 0;
    this.bound(check.atMost && ((state) => check.atMost!(member, state)));
    for (let order = this.next(0); order >= 0; order = this.next(worst?.utilisation ?? 0)) {
      const one = verdictOf(check, member, states[order]!);
      if (one && isWorse(one.utilisation, order, worst?.utilisation, worstOrder)) {
        worst = one;
        worstOrder = order;
      }
    }
    return worst ? [worst] : [];
  }

  /** A check of cross-sections: at its worst combination and place, or at the worst place of every combination. */
  ofSections(check: SectionCheck): Found[] {
    const { member, states, all } = this;
    if (check.concerns && !member.tapered && !check.concerns(member, this.reach)) return [];
    if (check.by && !all && !member.tapered && (this.uniform || check.steady)) {
      const found = this.atExtreme(check, check.by);
      return found ? [found] : [];
    }
    const bounded = !all && !member.tapered && check.atMost !== undefined;
    this.bound(bounded ? (state) => check.atMost!(member, state) : undefined);
    const coarse: (Coarse & { order: number })[] = [];
    let top = 0;
    for (let order = this.next(0); order >= 0; order = this.next(all ? 0 : top)) {
      const list = this.places(order);
      let worst: NonNullable<Verdict> | undefined;
      let [index, utilisation] = [0, 0];
      for (let i = 0; i < list.length; i++) {
        const place = list[i]!;
        const verdict = check.evaluate(member.sectionAt(place.x), place.forces, member);
        if (!verdict) continue;
        const value = utilisationOf(verdict);
        if (worst && value <= utilisation * (1 + alike)) continue;
        [worst, index, utilisation] = [verdict, i, value];
      }
      if (!worst) continue;
      coarse.push({ order, index, verdict: worst, utilisation });
      if (utilisation > top) top = utilisation;
    }
    const found: Found[] = [];
    let best = -1;
    if (!all) coarse.sort((a, b) => b.utilisation - a.utilisation || a.order - b.order);
    for (const one of coarse) {
      const { order } = one;
      // A combination's bound holds for every place along the member, those between the places looked at too
      if (!all && this.limits[order]! < (found[0]?.utilisation ?? 0) * (1 - alike)) continue;
      const fine = this.refined(check, states[order]!, this.places(order), one);
      if (all) found.push(fine);
      else if (isWorse(fine.utilisation, order, found[0]?.utilisation, best)) {
        found[0] = fine;
        best = order;
      }
    }
    return found;
  }

  /** Sets the bounds of all combinations by a function of one; without it none can be left out. */
  private bound(atMost: ((state: MemberState) => number) | undefined): void {
    const { bounds, states } = this;
    if (!atMost || states.length === 1) bounds.fill(Infinity);
    else for (let i = 0; i < bounds.length; i++) bounds[i] = atMost(states[i]!);
    this.limits.set(bounds);
  }

  /** The combination not yet taken with the greatest bound, the first of equals; −1 when none is left above `floor`. */
  private next(floor: number): number {
    const { bounds } = this;
    let order = -1;
    let most = -1;
    for (let i = 0; i < bounds.length; i++)
      if (bounds[i]! > most) {
        most = bounds[i]!;
        order = i;
      }
    if (order < 0 || most <= floor) return -1;
    bounds[order] = -2;
    return order;
  }

  private places(order: number): Place[] {
    return (this.placesOf[order] ??= this.findPlaces(this.states[order]!.field));
  }

  private findPlaces(field: MemberField): Place[] {
    const { code, member, uniform } = this;
    if (uniform || !code.placeClass) return places(field);
    return withChanges(field, places(field, true), ({ x, forces }) =>
      code.placeClass!(member.sectionAt(x), forces),
    );
  }

  /** A check of one force where it is greatest. */
  private atExtreme(check: SectionCheck, by: Extreme): Found | undefined {
    const state = decisive(this.states, by);
    if (!state) return undefined;
    const { x, signed } = state.extremes[by];
    const name = by === 'tension' || by === 'compression' ? 'N' : by;
    const place = placeOf(state.field, x, (forces) => forces[name], signed);
    const verdict = check.evaluate(this.member.section, place.forces, this.member);
    return verdict && { state, x, place, verdict, utilisation: utilisationOf(verdict) };
  }

  /** The worst between a place and its neighbours on the same segment, where it rises towards them. */
  private refined(
    check: SectionCheck,
    state: MemberState,
    list: readonly Place[],
    { index, verdict, utilisation }: Coarse,
  ): Found {
    const { member } = this;
    const { field } = state;
    const valueAt = (place: Place): number => {
      const found = check.evaluate(member.sectionAt(place.x), place.forces, member);
      return found ? utilisationOf(found) : 0;
    };
    const place = list[index]!;
    let best: Found = { state, x: place.x, place, verdict, utilisation };
    if ('reason' in verdict) return best;
    for (const step of [-1, 1]) {
      // A break is looked at from both sides: its other side may rise towards its own neighbour
      const near = list[index + step];
      const isOtherSide =
        near !== undefined &&
        near.segment !== place.segment &&
        Math.abs(near.x - place.x) < 1e-9 * member.length;
      const known = isOtherSide ? near : place;
      const other = known === place ? near : list[index + 2 * step];
      if (other?.segment !== known.segment) continue;
      // One look tells whether it rises towards the neighbour at all
      const x = known.x + 0.05 * (other.x - known.x);
      const { segment } = known;
      const forces = forcesAt(field, segment, x - field.breaks[segment]!);
      if (valueAt({ x, segment, forces }) <= utilisation * (1 + alike)) continue;
      const worst = worstBetween(field, segment, { known: known.x, other: other.x }, valueAt);
      if (worst.value <= best.utilisation) continue;
      const found = check.evaluate(member.sectionAt(worst.place.x), worst.place.forces, member)!;
      best = { state, x: worst.place.x, place: worst.place, verdict: found, utilisation: worst.value };
    }
    return best;
  }
}

const extremes: readonly Extreme[] = ['tension', 'compression', 'Vy', 'Vz', 'T', 'My', 'Mz'];

/** The greatest forces over all combinations. */
export function reachOf(states: readonly MemberState[]): Reach {
  const reach = { tension: 0, compression: 0, Vy: 0, Vz: 0, T: 0, My: 0, Mz: 0 };
  for (const state of states)
    for (const name of extremes) reach[name] = Math.max(reach[name], state.extremes[name].value);
  return reach;
}

/** The first combination in which a force is greatest; undefined where there is none of it. */
function decisive(states: readonly MemberState[], by: Extreme): MemberState | undefined {
  let state: MemberState | undefined;
  for (const one of states)
    if (!state || one.extremes[by].value > state.extremes[by].value * (1 + alike)) state = one;
  return state && state.extremes[by].value > 0 ? state : undefined;
}

function verdictOf(check: MemberCheckRule, member: PhysicalMember, state: MemberState): Found | undefined {
  const verdict = check.evaluate(member, state);
  if (!verdict) return undefined;
  const x = ('x' in verdict ? verdict.x : undefined) ?? 0;
  return { state, x, verdict, utilisation: utilisationOf(verdict) };
}

/** Infinity where it cannot be said, so that what is not covered is never hidden by what passes. */
function utilisationOf(verdict: NonNullable<Verdict>): number {
  return 'reason' in verdict ? Infinity : verdict.demand / verdict.capacity;
}

/** Whether a utilisation counts before the worst so far: it is greater, or as great and of an earlier combination. */
function isWorse(value: number, order: number, worst: number | undefined, worstOrder: number): boolean {
  if (worst === undefined || value > worst * (1 + alike)) return true;
  return order < worstOrder && value >= worst * (1 - alike);
}

function uncovered(check: Check, combination: string, x: number, reason: string): CheckItem {
  const { clause, title, axis } = check;
  return { clause, title, ...(axis ? { axis } : {}), combination, x, status: 'not covered', reason };
}

function itemOf(check: Check, member: PhysicalMember, found: Found, options: RunOptions): CheckItem {
  const { verdict, state, x, place } = found;
  if ('reason' in verdict) return uncovered(check, state.id, x, verdict.reason);
  const { title, axis } = check;
  const { demand, capacity, clause = check.clause } = verdict;
  const utilisation = demand / capacity;
  const status = utilisation <= limit ? 'pass' : 'fail';
  const { id: combination, situation } = state;
  const item: CheckItem = {
    clause,
    title,
    ...(axis ? { axis } : {}),
    combination,
    ...(situation === undefined ? {} : { situation }),
    x,
    status,
    demand,
    capacity,
    utilisation,
  };
  if (!options.steps) return item;
  const steps: CalculationStep[] = [];
  const log = logInto(steps);
  if (check.scope === 'member') check.evaluate(member, state, log);
  else check.evaluate(member.sectionAt(x), place!.forces, member, log);
  log('utilisation', utilisation, '', `${ratioOf(demand, capacity, steps)} ≤ 1`, clause);
  return { ...item, steps };
}

/** Demand over capacity by the symbols of the steps that worked them out; the demand alone where the capacity is 1. */
function ratioOf(demand: number, capacity: number, steps: readonly CalculationStep[]): string {
  const named = (value: number) =>
    steps.findLast((step) => Math.abs(step.value - value) <= alike * Math.abs(value))?.symbol;
  const above = named(demand) ?? 'demand';
  return capacity === 1 ? above : `${above} / ${named(capacity) ?? 'capacity'}`;
}

function summary(
  code: CodeRules,
  member: PhysicalMember,
  items: readonly CheckItem[],
  stateOf: ReadonlyMap<CheckItem, MemberState>,
): MemberCheck {
  let governs: CoveredItem | undefined;
  const reasons: string[] = [];
  for (const item of items)
    if (isCovered(item)) {
      if (!governs || item.utilisation > governs.utilisation) governs = item;
    } else if (item.reason !== undefined && !reasons.includes(item.reason)) reasons.push(item.reason);
  const state = governs && stateOf.get(governs);
  const cls = governs && state && code.classAt?.(member, governs, state);
  const failed = governs?.status === 'fail';
  // What is slack or unloaded in every combination uses nothing of its capacity
  const idle = !governs && reasons.length === 0;
  return {
    member: member.id,
    of: member.of,
    status: failed ? 'fail' : reasons.length > 0 ? 'not covered' : 'pass',
    ...(governs ? { utilisation: governs.utilisation, governs } : idle ? { utilisation: 0 } : {}),
    ...(cls === undefined ? {} : { class: cls }),
    items,
    reasons,
  };
}
