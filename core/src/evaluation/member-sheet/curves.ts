import type { MemberField } from '../../analysis/index.js';
import { jumpsOf, placesAlong, type MemberChecker, type PlaceAlong } from '../../checks/index.js';
import { displacementAt, forceAt, type ForceName } from '../../results/index.js';
import { combinationOf, type ResultSelection } from '../../results/index.js';
import type { Analysed } from '../stages/index.js';

/** Forces that a sheet shows; the others are zero in a plane. */
export const forcesOf = (plane: boolean): readonly ForceName[] =>
  plane ? ['N', 'Vz', 'My'] : ['N', 'Vy', 'Vz', 'T', 'My', 'Mz'];

/** Displacements across the member that a sheet shows, local axes. */
export const movesOf = (plane: boolean): readonly ('w' | 'v')[] => (plane ? ['w'] : ['w', 'v']);

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

/** The curves of a physical member under combinations, each at its own places. */
export function curvesOf(
  forces: Analysed,
  checker: MemberChecker,
  index: number,
  { stations, under }: { readonly stations: number; readonly under?: string | undefined },
): Curve[] {
  return combinationsOf(forces, under).map((selection) =>
    curveOf(forces, checker, index, selection, (field) => placesAlong(field, stations)),
  );
}

/** Combinations that a sheet shows, those of strength first. */
export function combinationsOf({ selections }: Analysed, under: string | undefined): ResultSelection[] {
  const combinations = selections.filter(
    (one) => one.kind === 'combination' && (under === undefined || combinationOf(one) === under),
  );
  const of = (state: 'strength' | 'service') => combinations.filter((one) => one.state === state);
  return [...of('strength'), ...of('service')];
}

/** A member's curve in one state. */
export function curveOf(
  { frame }: Analysed,
  checker: MemberChecker,
  index: number,
  selection: ResultSelection,
  placesOf: (field: MemberField) => readonly PlaceAlong[],
): Curve {
  const field = checker.fieldOrSlack(index, selection);
  const places = placesOf(field);
  const head = {
    combination: combinationOf(selection),
    ...(selection.situation ? { situation: selection.situation.words } : {}),
    state: selection.state!,
    x: places.map(({ x }) => x),
  };
  const values = Object.fromEntries([
    ...forcesOf(frame.plane).map((name) => [name, places.map((place) => valueAt(field, name, place))]),
    ...movesOf(frame.plane).map((name) => [name, fromChord(field, name, places)]),
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

/** The envelope of a member's curves: of forces over strength, of displacements over service. */
export function envelopeOf(
  forces: Analysed,
  checker: MemberChecker,
  index: number,
  { stations, under }: { readonly stations: number; readonly under?: string | undefined },
): Envelope {
  const selections = combinationsOf(forces, under);
  const fields = selections.map((selection) => checker.fieldOrSlack(index, selection));
  const jumps = fields.flatMap((field) => jumpsOf(field));
  const curves = selections.map((selection) =>
    curveOf(forces, checker, index, selection, (field) => placesAlong(field, stations, jumps)),
  );
  const strength = curves.filter(({ state }) => state === 'strength');
  const service = curves.filter(({ state }) => state === 'service');
  const x = curves[0]?.x ?? [];
  const { plane } = forces.frame;
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
