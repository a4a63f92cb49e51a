import type { MemberField } from '../../analysis/index.js';
import { jumpsOf, placesAlong, type MemberChecker, type PlaceAlong } from '../../checks/index.js';
import { displacementAt, forceAt, type ForceName } from '../../results/index.js';
import { combinationOf, type ResultSelection } from '../../results/index.js';
import type { Analysed } from '../stages/index.js';

/** Forces that a sheet shows; the others are zero in a plane. */
const forcesOf = (plane: boolean): readonly ForceName[] =>
  plane ? ['N', 'Vz', 'My'] : ['N', 'Vy', 'Vz', 'T', 'My', 'Mz'];

/** Displacements across the member that a sheet shows, local axes. */
const movesOf = (plane: boolean): readonly ('w' | 'v')[] => (plane ? ['w'] : ['w', 'v']);

export type CurveName = ForceName | 'w' | 'v';

/**
 * Functions along a physical member at places: N, N·m, m. `w` and `v` are measured from the line between the displaced ends, along
 * local z and y. A place at a jump comes twice.
 */
export type Curve = {
  readonly combination: string;
  /** Which of the combination's states, where it has several. */
  readonly situation?: string;
  readonly state: 'strength' | 'service';
  /** m from the member's start. */
  readonly x: readonly number[];
  /** Greatest of the conditions of the cross-section there; null where one is not covered. In strength only. */
  readonly utilisation?: readonly (number | null)[];
} & Readonly<Partial<Record<CurveName, readonly number[]>>>;

/** A member's curves, each at its own places, and the envelope of all. */
export interface Along {
  readonly curves: readonly Curve[];
  readonly envelope: Envelope;
}

/** The functions of a physical member along it, under one combination or all. */
export function alongMember(
  forces: Pick<Analysed, 'frame' | 'selections'>,
  checker: MemberChecker,
  index: number,
  { stations, under }: { readonly stations: number; readonly under?: string | undefined },
): Along {
  const { plane } = forces.frame;
  const found = combinationsOf(forces, under).map((selection) => ({
    selection,
    field: checker.fieldOrSlack(index, selection),
  }));
  const jumps = found.map(({ field }) => jumpsOf(field));
  const common = found.map(({ selection, field }) =>
    curveOf(checker, index, selection, { field, plane, places: placesAlong(field, stations, jumps.flat()) }),
  );
  return {
    curves: common.map((curve, k) => atOwnPlaces(curve, stations, jumps[k]!)),
    envelope: envelopeOf(common, plane),
  };
}

/** A curve without the places at which only others jump. */
function atOwnPlaces(curve: Curve, stations: number, jumps: readonly number[]): Curve {
  const { x } = curve;
  const length = x[x.length - 1]!;
  const near = 1e-9 * length;
  const isAt = (value: number, other: number) => Math.abs(value - other) <= near;
  const kept = x.flatMap((value, i) => {
    if (jumps.some((jump) => isAt(jump, value))) return [i];
    const isFirst = i === 0 || !isAt(x[i - 1]!, value);
    const step = (value * (stations - 1)) / length;
    return isFirst && Math.abs(step - Math.round(step)) <= 1e-9 * stations ? [i] : [];
  });
  if (kept.length === x.length) return curve;
  return Object.fromEntries(
    Object.entries(curve).map(([name, values]) => [
      name,
      Array.isArray(values) ? kept.map((i) => (values as unknown[])[i]) : values,
    ]),
  ) as unknown as Curve;
}

/** Combinations that a sheet shows, those of strength first. */
function combinationsOf(
  { selections }: Pick<Analysed, 'selections'>,
  under: string | undefined,
): ResultSelection[] {
  const combinations = selections.filter(
    (one) => one.kind === 'combination' && (under === undefined || combinationOf(one) === under),
  );
  const of = (state: 'strength' | 'service') => combinations.filter((one) => one.state === state);
  return [...of('strength'), ...of('service')];
}

/** A member's curve in one state. */
function curveOf(
  checker: MemberChecker,
  index: number,
  selection: ResultSelection,
  {
    field,
    plane,
    places,
  }: { readonly field: MemberField; readonly plane: boolean; readonly places: readonly PlaceAlong[] },
): Curve {
  const head = {
    combination: combinationOf(selection),
    ...(selection.situation ? { situation: selection.situation.words } : {}),
    state: selection.state!,
    x: places.map(({ x }) => x),
  };
  const values = Object.fromEntries([
    ...forcesOf(plane).map((name) => [name, places.map((place) => valueAt(field, name, place))]),
    ...movesOf(plane).map((name) => [name, fromChord(field, name, places)]),
  ]) as Partial<Record<CurveName, number[]>>;
  if (selection.state !== 'strength') return { ...head, ...values };
  return { ...head, ...values, utilisation: checker.utilisationUnder(index, selection, places) };
}

function valueAt(field: MemberField, name: ForceName, { x, segment }: PlaceAlong): number {
  const isEnd = x >= field.breaks[segment + 1]! - 1e-12;
  return forceAt(field, name, x, isEnd);
}

/** Distance from the line between the displaced ends. */
function fromChord(field: MemberField, name: 'w' | 'v', places: readonly PlaceAlong[]): number[] {
  const length = field.breaks[field.breaks.length - 1]!;
  const [start, end] = [displacementAt(field, name, 0), displacementAt(field, name, length)];
  return places.map(({ x }) => displacementAt(field, name, x) - start - ((end - start) * x) / length);
}

/** The least and greatest of a function at each place, and the combinations that they are of. */
export interface EnvelopeOf {
  readonly least: readonly number[];
  readonly greatest: readonly number[];
  readonly by: readonly (readonly [least: string, greatest: string])[];
}

export type Envelope = {
  readonly x: readonly number[];
  readonly utilisation: { readonly greatest: readonly (number | null)[]; readonly by: readonly string[] };
} & Readonly<Partial<Record<CurveName, EnvelopeOf>>>;

/** The envelope of curves at common places: of forces over strength, of displacements over service. */
function envelopeOf(curves: readonly Curve[], plane: boolean): Envelope {
  const strength = curves.filter(({ state }) => state === 'strength');
  const service = curves.filter(({ state }) => state === 'service');
  const x = curves[0]?.x ?? [];
  return {
    x,
    ...Object.fromEntries([
      ...forcesOf(plane).map((name) => [name, extremesOf(strength, name, x.length)]),
      ...movesOf(plane).map((name) => [name, extremesOf(service, name, x.length)]),
    ]),
    utilisation: worstOf(strength, x.length),
  } as Envelope;
}

function extremesOf(curves: readonly Curve[], name: CurveName, count: number): EnvelopeOf {
  const least: number[] = [];
  const greatest: number[] = [];
  const by: [string, string][] = [];
  if (curves.length > 0)
    for (let i = 0; i < count; i++) {
      let [low, high] = [curves[0]!, curves[0]!];
      for (const one of curves) {
        if (one[name]![i]! < low[name]![i]!) low = one;
        if (one[name]![i]! > high[name]![i]!) high = one;
      }
      least.push(low[name]![i]!);
      greatest.push(high[name]![i]!);
      by.push([low.combination, high.combination]);
    }
  return { least, greatest, by };
}

/** Where one combination is not covered, nothing can be said of the worst. */
function worstOf(curves: readonly Curve[], count: number): Envelope['utilisation'] {
  const greatest: (number | null)[] = [];
  const by: string[] = [];
  for (let i = 0; i < count; i++) {
    let worst: Curve | undefined;
    for (const one of curves) {
      const value = one.utilisation![i] ?? null;
      const known = worst?.utilisation![i] ?? null;
      if (!worst || (known !== null && (value === null || value > known))) worst = one;
    }
    if (!worst) break;
    greatest.push(worst.utilisation![i] ?? null);
    by.push(worst.combination);
  }
  return { greatest, by };
}
