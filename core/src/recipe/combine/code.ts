import type { DesignCombination, DesignLoadCase } from '../types.js';

/** A set of factors before it has an id: what leads, and whether permanent loads are taken as favourable. */
export interface Combined {
  readonly state: 'strength' | 'service';
  readonly factors: Readonly<Record<string, number>>;
  readonly title: string;
}

/** Rules of a code that make combinations. One a file, listed in `index.ts`. */
export interface CombinationRule {
  readonly by: string;
  readonly title: string;
  combine(cases: readonly DesignLoadCase[], states: readonly DesignCombination['state'][]): Combined[];
}

const permanentOnly = (one: DesignLoadCase) => one.category === 'permanent';
const combined = (one: DesignLoadCase) => one.category !== 'accidental' && one.category !== 'seismic';

/** Permanent cases, and variable ones that are combined. */
export function sorted(cases: readonly DesignLoadCase[]): {
  permanent: DesignLoadCase[];
  variable: DesignLoadCase[];
} {
  return {
    permanent: cases.filter(permanentOnly),
    variable: cases.filter((one) => !permanentOnly(one) && combined(one)),
  };
}

/** Whether two cases never act together, whichever says so. */
export function excluded(a: DesignLoadCase, b: DesignLoadCase): boolean {
  return (a.excludes ?? []).includes(b.id) || (b.excludes ?? []).includes(a.id);
}

/** All subsets of cases in which none excludes another, the empty one first. */
export function compatibleSubsets(cases: readonly DesignLoadCase[]): DesignLoadCase[][] {
  return cases.reduce<DesignLoadCase[][]>(
    (sets, one) => [
      ...sets,
      ...sets.filter((set) => set.every((other) => !excluded(one, other))).map((set) => [...set, one]),
    ],
    [[]],
  );
}

/** The compatible subsets to which nothing can be added. */
export function fullestSubsets(cases: readonly DesignLoadCase[]): DesignLoadCase[][] {
  return compatibleSubsets(cases).filter((set) =>
    cases.every((one) => set.includes(one) || set.some((other) => excluded(one, other))),
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
  remark = '',
): string {
  const lower = (one: DesignLoadCase) => one.title.charAt(0).toLowerCase() + one.title.slice(1);
  const parts = [
    leading ? `${lower(leading)} leading` : 'permanent loads',
    ...others.map(lower),
    ...(remark ? [remark] : []),
  ];
  return parts.join(', ');
}
