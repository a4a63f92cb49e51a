import type { CombineState, DesignCombination, DesignLoadCase } from '../document/types.js';

/** A set of factors before it has an id: what leads, and whether permanent loads are taken as favourable. */
export interface Combined {
  readonly state: DesignCombination['state'];
  readonly factors: Readonly<Record<string, number>>;
  readonly title: string;
}

/** Rules of a code that make combinations. One a file, listed in `index.ts`. */
export interface CombinationRule {
  readonly by: string;
  readonly title: string;
  /** What it makes combinations for. */
  readonly states: Readonly<Partial<Record<CombineState, (cases: SortedCases) => Combined[]>>>;
}

/** Everything that combinations can be asked for. */
export const combineStates: readonly CombineState[] = [
  'strength',
  'service',
  'frequent',
  'quasi-permanent',
  'equilibrium',
  'accidental',
  'seismic',
];

/** Load cases by the part they play. */
export interface SortedCases {
  readonly permanent: readonly DesignLoadCase[];
  /** Prestress counts with 1 everywhere. */
  readonly prestress: readonly DesignLoadCase[];
  readonly variable: readonly DesignLoadCase[];
  readonly accidental: readonly DesignLoadCase[];
  readonly seismic: readonly DesignLoadCase[];
}

const apart = ['permanent', 'prestress', 'accidental', 'seismic'] as const;

/** Load cases by the part they play. */
export function sorted(cases: readonly DesignLoadCase[]): SortedCases {
  const of = (category: DesignLoadCase['category']) => cases.filter((one) => one.category === category);
  return {
    permanent: of('permanent'),
    prestress: of('prestress'),
    variable: cases.filter(({ category }) => !(apart as readonly string[]).includes(category)),
    accidental: of('accidental'),
    seismic: of('seismic'),
  };
}

/** Whether two cases never act together, whichever says so. */
export function excluded(a: DesignLoadCase, b: DesignLoadCase): boolean {
  return (a.excludes ?? []).includes(b.id) || (b.excludes ?? []).includes(a.id);
}

/** Whether two cases act together. */
export type Together = (a: DesignLoadCase, b: DesignLoadCase) => boolean;

/** All subsets of cases that act together, the empty one first. */
export function compatibleSubsets(
  cases: readonly DesignLoadCase[],
  together: Together = (a, b) => !excluded(a, b),
): DesignLoadCase[][] {
  return cases.reduce<DesignLoadCase[][]>(
    (sets, one) => [
      ...sets,
      ...sets.filter((set) => set.every((other) => together(one, other))).map((set) => [...set, one]),
    ],
    [[]],
  );
}

/** Factors with those of zero left out. */
export function factorsOf(entries: readonly (readonly [string, number])[]): Record<string, number> {
  return Object.fromEntries(
    entries
      .filter(([, factor]) => Math.abs(factor) > 1e-12)
      .map(([id, factor]) => [id, Number(factor.toPrecision(12))]),
  );
}

/** `snow leading, wind from the left`. */
export function leadingTitle(
  leading: DesignLoadCase | undefined,
  others: readonly DesignLoadCase[],
  warning = '',
): string {
  const parts = [
    leading ? `${lower(leading)} leading` : 'permanent loads',
    ...others.map(lower),
    ...(warning ? [warning] : []),
  ];
  return parts.join(', ');
}

const lower = (one: DesignLoadCase) => one.title.charAt(0).toLowerCase() + one.title.slice(1);

/** `barge impact, snow`: a case that acts by itself, and what acts with it. */
export const withTitle = (one: DesignLoadCase, others: readonly DesignLoadCase[], warning: string): string =>
  [lower(one), ...others.map(lower), warning].join(', ');
