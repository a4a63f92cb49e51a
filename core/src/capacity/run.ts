import {
  isCovered,
  logInto,
  type CalculationStep,
  type Check,
  type CheckItem,
  type Extreme,
  type MemberCheck,
  type MemberCheckRule,
  type MemberState,
  type Reach,
  type SectionCheck,
  type Verdict,
} from './check.js';
import type { PhysicalMember } from './physical-member.js';
import { staysPlastic } from './en1993/classification.js';
import { forcesAt, placeOf, places, worstBetween, type Place } from './stations.js';

export interface RunOptions {
  /** Write down the steps of every item. */
  readonly steps?: boolean;
  /** An item for each combination, not only the worst. */
  readonly all?: boolean;
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

/**
 * Runs a code's checks over one physical member under its combinations.
 *
 * @param classAt class of the cross-section at a place, for the governing item
 * @returns the items, each at its worst combination and place, and the worst of them
 */
export function runChecks(
  checks: readonly Check[],
  member: PhysicalMember,
  states: readonly MemberState[],
  options: RunOptions = {},
  classAt?: (member: PhysicalMember, item: CheckItem, state: MemberState) => number | undefined,
): MemberCheck {
  const items: CheckItem[] = [];
  const byState = new Map<MemberState, Place[]>();
  const placesOf = (state: MemberState): Place[] => {
    let found = byState.get(state);
    if (!found) byState.set(state, (found = places(state.field)));
    return found;
  };
  const reach = reachOf(states);
  const uniform = !member.tapered && staysPlastic(member.section);
  for (const check of checks) {
    const covered = check.covers(member);
    if (covered === false) continue;
    if (covered !== true) {
      items.push(uncovered(check, states[0]?.id ?? '', 0, covered));
      continue;
    }
    const found =
      check.scope === 'member'
        ? ofMembers(check, member, states, options.all ?? false)
        : check.concerns && !check.concerns(member, reach)
          ? []
          : check.by && !member.tapered && (uniform || check.steady) && !options.all
            ? atExtreme(check, member, states, check.by)
            : alongMember(check, member, states, placesOf, options.all ?? false);
    for (const one of options.all ? found : worstOf(found)) items.push(itemOf(check, member, one, options));
  }
  return summary(member, items, states, classAt);
}

const extremes: readonly Extreme[] = ['tension', 'compression', 'Vy', 'Vz', 'T', 'My', 'Mz'];

/** The greatest forces over all combinations. */
function reachOf(states: readonly MemberState[]): Reach {
  return Object.fromEntries(
    extremes.map((name) => [
      name,
      states.reduce((most, state) => Math.max(most, state.extremes[name].value), 0),
    ]),
  ) as Record<Extreme, number>;
}

/** The first combination in which a force is greatest; undefined where there is none of it. */
function decisive(states: readonly MemberState[], by: Extreme): MemberState | undefined {
  let state: MemberState | undefined;
  for (const one of states)
    if (!state || one.extremes[by].value > state.extremes[by].value * (1 + 1e-9)) state = one;
  return state && state.extremes[by].value > 0 ? state : undefined;
}

/** A check of one force where it is greatest. */
function atExtreme(
  check: SectionCheck,
  member: PhysicalMember,
  states: readonly MemberState[],
  by: Extreme,
): Found[] {
  const state = decisive(states, by);
  if (!state) return [];
  const { x, signed } = state.extremes[by];
  const name = by === 'tension' || by === 'compression' ? 'N' : by;
  const place = placeOf(state.field, x, (forces) => forces[name], signed);
  const verdict = check.evaluate(member.section, place.forces, member);
  return verdict ? [{ state, x, place, verdict, utilisation: utilisationOf(verdict) }] : [];
}

/** A check of the whole member in every combination; those that cannot be the worst are left out unless all are wanted. */
function ofMembers(
  check: MemberCheckRule,
  member: PhysicalMember,
  states: readonly MemberState[],
  all: boolean,
): Found[] {
  const { by } = check;
  if (by && !all && staysPlastic(member.section) && member.design.lengths !== 'buckling-analysis') {
    const decides = decisive(states, by);
    return decides ? ofMember(check.evaluate(member, decides), decides) : [];
  }
  if (all || !check.atMost || states.length === 1)
    return states.flatMap((state) => ofMember(check.evaluate(member, state), state));
  const bounded = states.map((state, order) => ({ state, order, bound: check.atMost!(member, state) }));
  bounded.sort((a, b) => b.bound - a.bound);
  const found: (Found & { order: number })[] = [];
  let worst = 0;
  for (const { state, order, bound } of bounded) {
    if (bound < worst) break;
    for (const one of ofMember(check.evaluate(member, state), state)) {
      found.push({ ...one, order });
      worst = Math.max(worst, one.utilisation);
    }
  }
  // Of equals the first combination of the model
  return found.sort((a, b) => a.order - b.order);
}

function ofMember(verdict: Verdict, state: MemberState): Found[] {
  return verdict
    ? [
        {
          state,
          x: ('x' in verdict ? verdict.x : undefined) ?? 0,
          verdict,
          utilisation: utilisationOf(verdict),
        },
      ]
    : [];
}

/** Infinity where it cannot be said, so that what is not covered is never hidden by what passes. */
function utilisationOf(verdict: NonNullable<Verdict>): number {
  return 'reason' in verdict ? Infinity : verdict.demand / verdict.capacity;
}

function worstOf(found: readonly Found[]): Found[] {
  return found.length === 0
    ? []
    : [found.reduce((a, b) => (b.utilisation > a.utilisation * (1 + 1e-9) ? b : a))];
}

/** Combinations whose coarse worst is further below the worst of all than this cannot govern. */
const near = 0.9;

function alongMember(
  check: SectionCheck,
  member: PhysicalMember,
  states: readonly MemberState[],
  placesOf: (state: MemberState) => Place[],
  all: boolean,
): Found[] {
  const at = (place: Place): Verdict => check.evaluate(member.sectionAt(place.x), place.forces, member);
  let top = 0;
  const coarse = candidates(check, member, states, all).flatMap(({ state, bound }) => {
    if (bound <= top) return [];
    let worst: { index: number; verdict: NonNullable<Verdict>; utilisation: number } | undefined;
    placesOf(state).forEach((place, index) => {
      const verdict = at(place);
      if (!verdict) return;
      const utilisation = utilisationOf(verdict);
      if (!worst || utilisation > worst.utilisation * (1 + 1e-9)) worst = { index, verdict, utilisation };
    });
    top = Math.max(top, worst?.utilisation ?? 0);
    return worst ? [{ state, ...worst }] : [];
  });
  return coarse
    .filter(({ utilisation }) => all || utilisation >= near * top)
    .map(({ state, index, verdict, utilisation }) => {
      const list = placesOf(state);
      const place = list[index]!;
      let best = { state, x: place.x, place, verdict, utilisation };
      if ('reason' in verdict) return best;
      // The worst may lie between this place and its neighbours on the same segment
      for (const other of [list[index - 1], list[index + 1]]) {
        if (other?.segment !== place.segment) continue;
        const [from, to] = other.x < place.x ? [other.x, place.x] : [place.x, other.x];
        // One look tells whether it rises towards the neighbour at all
        const towards = place.x + 0.05 * (other.x - place.x);
        const probe = worstBetweenProbe(state, place.segment, towards, at);
        if (probe <= utilisation * (1 + 1e-9)) continue;
        const refined = worstBetween(state.field, place.segment, from, to, (p) => {
          const v = at(p);
          return v ? utilisationOf(v) : 0;
        });
        if (refined.value > best.utilisation)
          best = {
            state,
            x: refined.place.x,
            place: refined.place,
            verdict: at(refined.place)!,
            utilisation: refined.value,
          };
      }
      return best;
    });
}

/** Combinations with a bound of what a check can find in them: the largest first where the check gives one. */
function candidates(
  check: SectionCheck,
  member: PhysicalMember,
  states: readonly MemberState[],
  all: boolean,
): { state: MemberState; bound: number }[] {
  if (all || !check.atMost || member.tapered) return states.map((state) => ({ state, bound: Infinity }));
  return states
    .map((state) => ({ state, bound: check.atMost!(member, state) }))
    .sort((a, b) => b.bound - a.bound);
}

function worstBetweenProbe(
  state: MemberState,
  segment: number,
  x: number,
  at: (place: Place) => Verdict,
): number {
  const verdict = at({
    x,
    segment,
    forces: forcesAt(state.field, segment, x - state.field.breaks[segment]!),
  });
  return verdict ? utilisationOf(verdict) : 0;
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
  const steps: CalculationStep[] = [];
  if (options.steps) {
    const log = logInto(steps);
    if (check.scope === 'member') check.evaluate(member, state, log);
    else check.evaluate(member.sectionAt(x), place!.forces, member, log);
    log('utilisation', utilisation, '', 'demand / capacity, limit 1', clause);
  }
  return {
    clause,
    title,
    ...(axis ? { axis } : {}),
    combination: state.id,
    x,
    status: utilisation <= limit ? 'pass' : 'fail',
    demand,
    capacity,
    utilisation,
    ...(options.steps ? { steps } : {}),
  };
}

function summary(
  member: PhysicalMember,
  items: readonly CheckItem[],
  states: readonly MemberState[],
  classAt?: (member: PhysicalMember, item: CheckItem, state: MemberState) => number | undefined,
): MemberCheck {
  const covered = items.filter(isCovered);
  const reasons = [...new Set(items.flatMap(({ reason }) => (reason === undefined ? [] : [reason])))];
  const governs =
    covered.length === 0 ? undefined : covered.reduce((a, b) => (b.utilisation > a.utilisation ? b : a));
  const state = governs && states.find(({ id }) => id === governs.combination);
  const cls = governs && state && classAt?.(member, governs, state);
  const failed = governs?.status === 'fail';
  return {
    member: member.id,
    of: member.of,
    status: failed ? 'fail' : reasons.length > 0 ? 'not covered' : 'pass',
    ...(governs ? { utilisation: governs.utilisation, governs } : {}),
    ...(cls === undefined ? {} : { class: cls }),
    items,
    reasons,
  };
}
