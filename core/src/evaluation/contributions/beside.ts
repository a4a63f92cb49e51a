import type { Contributions } from './explain.js';
import type { MemberShare } from './shares.js';
import { strainParts, type StrainParts } from './virtual-work.js';

/** A share in a figure of two alternatives, by the figure's sign: positive makes the figure larger. */
export interface ShareRow {
  /** Member, spring, load case, or force at the place of a condition. */
  readonly what: string;
  /** What most of it is, in words: bending, shear … or the factor of a load case. */
  readonly by: string;
  /** Absent where the alternative has no such share. */
  readonly reference?: number;
  readonly own?: number;
  /** Of `own` and `reference`, nothing taken for zero. */
  readonly difference: number;
  readonly unit: 'figure' | 'force' | 'moment';
  /** Physical member that it is of. */
  readonly member?: string;
}

/** Two lists of shares side by side, what makes most of the difference first. */
export interface SharesBeside {
  readonly rows: readonly ShareRow[];
  /** What governs in each where that is told, and why there are no shares where there are none. */
  readonly notes: readonly string[];
}

interface Share {
  readonly what: string;
  readonly by: string;
  readonly value: number;
  readonly unit: ShareRow['unit'];
  readonly member?: string;
}

/** The shares of an alternative beside those of the reference; `names` are what the two are called, the reference first. */
export function besideEachOther(
  reference: Contributions,
  own: Contributions,
  names: readonly [string, string],
): SharesBeside {
  const [before, after] = [sharesOf(reference), sharesOf(own)];
  const rows = [...new Set([...before.keys(), ...after.keys()])].map((key): ShareRow => {
    const [a, b] = [before.get(key), after.get(key)];
    const { what, by, unit, member } = (b ?? a)!;
    return {
      what,
      by: a && a.by !== by ? `${a.by}, then ${by}` : by,
      unit,
      ...(member === undefined ? {} : { member }),
      ...(a ? { reference: a.value } : {}),
      ...(b ? { own: b.value } : {}),
      difference: (b?.value ?? 0) - (a?.value ?? 0),
    };
  });
  return {
    rows: rows.sort((a, b) => Math.abs(b.difference) - Math.abs(a.difference)),
    notes: [...new Set([...notesOf(reference, names[0]), ...notesOf(own, names[1])])],
  };
}

const words: Readonly<Record<keyof StrainParts, string>> = {
  axial: 'axial force',
  bendingY: 'bending',
  bendingZ: 'bending sideways',
  shearY: 'shear sideways',
  shearZ: 'shear',
  torsion: 'torsion',
};

const otherWords = {
  'support-spring': 'spring of the support',
  'hinge-spring': 'spring of the hinge',
  settlement: 'settlement',
  temperature: 'temperature',
  pretension: 'pretension',
} as const;

function sharesOf({
  value,
  members = [],
  others = [],
  cases = [],
  forces = [],
}: Contributions): Map<string, Share> {
  const sign = value < 0 ? -1 : 1;
  const shares: (readonly [string, Share])[] = [
    ...members.map((one) => {
      const { member, title, sum } = one;
      return [
        `member ${member}`,
        { what: title, by: greatestPart(one), value: sign * sum, unit: 'figure', member },
      ] as const;
    }),
    ...others.map(({ kind, where, sum }) => {
      return [
        `${kind} ${where}`,
        { what: where, by: otherWords[kind], value: sign * sum, unit: 'figure' },
      ] as const;
    }),
    ...cases.map((one) => {
      return [
        `case ${one.case}`,
        { what: one.title, by: `× ${one.factor}`, value: sign * one.sum, unit: 'figure' },
      ] as const;
    }),
    ...forces.map(({ component, value: force }) => {
      const unit = component.startsWith('M') || component === 'T' ? 'moment' : 'force';
      return [
        `force ${component}`,
        { what: component, by: 'at the place that governs', value: force, unit },
      ] as const;
    }),
  ];
  return new Map(shares);
}

/** What makes most of a member's share, in words. */
const greatestPart = (share: MemberShare): string =>
  words[strainParts.reduce((a, b) => (Math.abs(share[b]) > Math.abs(share[a]) ? b : a))];

function notesOf({ combination, condition, notSummed }: Contributions, name: string): string[] {
  return [
    ...(condition ? [`${name}: ${condition.title} (${condition.clause}), ${combination}`] : []),
    ...(notSummed === undefined ? [] : [notSummed]),
  ];
}
