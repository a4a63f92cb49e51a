import type { Flange } from '../../model/types.js';
import type { MemberState, StepLog } from '../check.js';
import type { PhysicalMember } from './physical-member.js';

/**
 * Buckling length about y or z, m: from the buckling analysis about the axes that it speaks of, else as given, else the member's own.
 */
export function bucklingLength(
  member: PhysicalMember,
  axis: 'y' | 'z',
  state: MemberState,
  log?: StepLog,
): number {
  const symbol = `Lcr,${axis}`;
  const fromFrame = member.design.lengths === 'buckling-analysis' ? state.buckling?.[axis] : undefined;
  if (fromFrame !== undefined) {
    log?.('αcr', state.buckling!.factor, '', 'lowest mode that moves the member', '5.2.1(3)');
    log?.(symbol, fromFrame, 'm', 'π·√(E·I/(αcr·NEd)), buckling analysis', '6.3.1.3(1)');
    return fromFrame;
  }
  return ownLength(member, axis, log);
}

/** Buckling length about y or z without a buckling analysis, m. */
function ownLength(member: PhysicalMember, axis: 'y' | 'z', log?: StepLog): number {
  const given = axis === 'y' ? member.design.Lcy : member.design.Lcz;
  if (given === undefined) log?.(`Lcr,${axis}`, member.length, 'm', 'the member’s own length');
  else log?.(`Lcr,${axis}`, given, 'm', given === 0 ? 'given: held throughout' : 'given');
  return given ?? member.length;
}

/** Torsional buckling length, m: given, else Lcz as given, else the member's own. A buckling analysis says nothing of it. */
export function torsionalLength(member: PhysicalMember, log?: StepLog): number {
  const { LT } = member.design;
  if (LT === undefined) return ownLength(member, 'z', log);
  log?.('LT', LT, 'm', 'given');
  return LT;
}

/** From one place of a member to another, m from its start. */
export interface Span {
  readonly from: number;
  readonly to: number;
}

/** A length that is this much longer than a storey still speaks of the storey. */
const lengthSlack = 1.05;

/**
 * The stretches that buckle about an axis: where a member runs through nodes that something else holds (a column through storeys),
 * from node to node as far as the given buckling length reaches; else the whole member.
 */
export function bucklingSpans(member: PhysicalMember, axis: 'y' | 'z'): readonly Span[] {
  const { design, length, nodes } = member;
  const whole = [{ from: 0, to: length }];
  const given = axis === 'y' ? design.Lcy : design.Lcz;
  if (nodes.length === 0 || !given || given > 0.999 * length) return whole;
  if (design.lengths === 'buckling-analysis' && axis === 'y') return whole;
  const ends = [...nodes, length];
  const spans: Span[] = [];
  for (let from = 0, k = 0; from < length;) {
    while (k + 1 < ends.length && ends[k + 1]! - from <= lengthSlack * given) k++;
    spans.push({ from, to: ends[k]! });
    from = ends[k++]!;
  }
  return spans;
}

/** A stretch between lateral restraints of the compression flange. */
export interface Stretch extends Span {
  /** Length that counts, m. */
  readonly length: number;
  readonly how: string;
  /** The flange that its ends hold; absent: both. */
  readonly flange?: Flange;
  /** The end that nothing holds: the tip of a cantilever. */
  readonly free?: 'start' | 'end';
}

/** Lateral restraints a given distance apart, which may stand anywhere. */
interface Sliding {
  readonly distance: number;
  readonly flange?: Flange;
}

const flanges: readonly Flange[] = ['top', 'bottom'];

/** Stretches between lateral restraints, and distances that fit no whole number of times; neither where all is held throughout. */
function stretchesOf(member: PhysicalMember): { fixed: Stretch[]; sliding: Sliding[] } {
  const fixed: Stretch[] = [];
  const sliding: Sliding[] = [];
  const { LLT } = member.design;
  const asOne = typeof LLT === 'object' ? LLT.top === LLT.bottom : member.flangesHeldAlike;
  for (const flange of asOne ? [flanges[0]!] : flanges) {
    const distance = typeof LLT === 'object' ? LLT[flange] : LLT;
    if (distance === 0) continue;
    const of = asOne ? {} : { flange };
    const parts = distance === undefined ? betweenRestraints(member, flange) : equalParts(member, distance);
    if (parts) fixed.push(...parts.map((part) => ({ ...part, ...of, ...freeEnd(member, part, flange) })));
    else sliding.push({ distance: distance!, ...of });
  }
  return { fixed, sliding };
}

function betweenRestraints(member: PhysicalMember, flange: Flange): Stretch[] {
  const places = member.held[flange];
  return places
    .slice(1)
    .map((to, i) => ({ from: places[i]!, to, length: to - places[i]!, how: 'between restraints' }));
}

/** Undefined where the distance does not divide the member. */
function equalParts({ length: L }: PhysicalMember, distance: number): Stretch[] | undefined {
  if (distance >= L * 0.999) return [{ from: 0, to: L, length: distance, how: 'given' }];
  const count = Math.round(L / distance);
  if (Math.abs(L / count - distance) > 0.01 * distance) return undefined;
  const how = 'given, equal parts of the member';
  return Array.from({ length: count }, (_, i) => ({
    from: (i * L) / count,
    to: ((i + 1) * L) / count,
    length: distance,
    how,
  }));
}

function freeEnd(member: PhysicalMember, { from, to }: Span, flange: Flange): Pick<Stretch, 'free'> {
  const free = member.free[flange];
  const near = 1e-9 * member.length;
  if (free.start && from < near) return { free: 'start' };
  if (free.end && to > member.length - near) return { free: 'end' };
  return {};
}

/** Places of a sliding stretch that are looked at, in its length; then between the neighbours of the worst. */
const slidingSteps = 6;
const slidingRounds = 10;

/**
 * What is worst of a member's stretches between lateral restraints: of those that overlap the state's part of the member, and of
 * distances that do not divide the member wherever the restraints may stand. Undefined where all is held throughout.
 *
 * @param of works out a stretch; undefined where it has nothing to check
 */
export function worstOfStretches<T>(
  member: PhysicalMember,
  state: MemberState,
  of: (stretch: Stretch) => T | undefined,
  size: (one: T) => number,
): T | undefined {
  let worst: T | undefined;
  let most = -Infinity;
  const look = (stretch: Stretch): number => {
    const one = of(stretch);
    const value = one === undefined ? -Infinity : size(one);
    if (one !== undefined && (worst === undefined || value > most)) [worst, most] = [one, value];
    return value;
  };
  const { fixed, sliding } = stretchesOf(member);
  const near = 1e-6 * member.length;
  for (const stretch of fixed)
    if (stretch.to > state.from + near && stretch.from < state.to - near) look(stretch);
  for (const one of sliding) slide(member, state, one, look);
  return worst;
}

/** Looks at a sliding stretch all along the member, then closer about its worst place. */
function slide(
  member: PhysicalMember,
  state: MemberState,
  { distance, ...of }: Sliding,
  look: (stretch: Stretch) => number,
): void {
  const [low, high] = [
    Math.max(0, Math.min(state.from, member.length - distance)),
    Math.min(member.length - distance, Math.max(state.to - distance, 0)),
  ];
  const value = (start: number): number => {
    const from = Math.min(high, Math.max(low, start));
    const span = { from, to: from + distance };
    const how = 'given, where the restraints stand worst';
    return look({ ...span, length: distance, how, ...of, ...freeEnd(member, span, of.flange ?? 'top') });
  };
  const { x } = state.My;
  const steps = Math.max(1, Math.ceil((slidingSteps * (high - low)) / distance));
  const starts = Array.from({ length: steps + 1 }, (_, i) => low + (i * (high - low)) / steps);
  starts.push(...[x - distance, x - distance / 2, x].map((start) => Math.min(high, Math.max(low, start))));
  let best = { start: low, value: -Infinity };
  for (const start of starts) {
    const one = value(start);
    if (one > best.value) best = { start, value: one };
  }
  let reach = (high - low) / steps;
  for (let round = 0; round < slidingRounds; round++) {
    reach /= 2;
    for (const start of [best.start - reach, best.start + reach]) {
      if (start < low || start > high) continue;
      const one = value(start);
      if (one > best.value) best = { start, value: one };
    }
  }
}

/** The longest distance between lateral restraints, m; 0 where all is held throughout, undefined where a tip is free. */
export function longestStretch(member: PhysicalMember): { length: number; whole: boolean } | undefined {
  const { fixed, sliding } = stretchesOf(member);
  if (fixed.some(({ free }) => free) || Object.values(member.free).some(({ start, end }) => start || end))
    return undefined;
  const length = Math.max(0, ...fixed.map((one) => one.length), ...sliding.map((one) => one.distance));
  return { length, whole: sliding.length === 0 && fixed.length === 1 };
}
