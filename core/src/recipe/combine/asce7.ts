import type { DesignLoadCase } from '../types.js';
import {
  compatibleSubsets,
  factorsOf,
  fullestSubsets,
  leadingTitle,
  sorted,
  type Combined,
  type CombinationRule,
} from './code.js';

/** Kinds of load as ASCE 7 names them. */
type Kind = 'L' | 'Lr' | 'S' | 'W';

function kindOf({ category, use }: DesignLoadCase): Kind | undefined {
  if (category === 'snow') return 'S';
  if (category === 'wind') return 'W';
  if (category === 'crane') return 'L';
  if (category === 'imposed') return use === 'H' ? 'Lr' : 'L';
  return undefined;
}

/** Factors of one basic combination: on dead load, on what must act, and on what may. */
interface Basic {
  readonly dead: number;
  readonly leading?: Partial<Record<Kind, number>>;
  readonly with?: Partial<Record<Kind, number>>[];
}

/** ASCE/SEI 7-22 2.3.1, combinations 1 to 5; each list in `with` is one choice of companions. */
const basic: readonly Basic[] = [
  { dead: 1.4 },
  { dead: 1.2, leading: { L: 1.6 }, with: [{ Lr: 0.5 }, { S: 0.3 }] },
  { dead: 1.2, leading: { Lr: 1.6 }, with: [{ L: 1 }, { W: 0.5 }] },
  { dead: 1.2, leading: { S: 1 }, with: [{ L: 1 }, { W: 0.5 }] },
  {
    dead: 1.2,
    leading: { W: 1 },
    with: [
      { L: 1, Lr: 0.5 },
      { L: 1, S: 0.3 },
    ],
  },
  { dead: 0.9, leading: { W: 1 } },
];

/** Appendix CC.2.1, for drift and deflection. */
const serviceable: readonly Basic[] = [
  { dead: 1 },
  { dead: 1, leading: { L: 1 } },
  { dead: 1, leading: { Lr: 1 } },
  { dead: 1, leading: { S: 0.5 } },
  { dead: 1, leading: { W: 1 }, with: [{ L: 0.5 }] },
];

function fromBasic(
  cases: readonly DesignLoadCase[],
  state: Combined['state'],
  { dead, leading, with: companions = [{}] }: Basic,
): Combined[] {
  const { permanent, variable } = sorted(cases);
  const D = permanent.map(({ id }) => [id, dead] as const);
  const of = (factors: Partial<Record<Kind, number>>) =>
    variable.filter((one) => factors[kindOf(one)!] !== undefined);
  if (!leading)
    return D.length === 0 ? [] : [{ state, factors: factorsOf(D), title: leadingTitle(undefined, []) }];
  const leads = of(leading);
  const out: Combined[] = [];
  for (const set of compatibleSubsets(leads)) {
    if (set.length === 0) continue;
    for (const accompanying of companions)
      // Effects of loads that do not act are considered too (2.3.1)
      for (const others of compatibleSubsets(of(accompanying))) {
        const both = [...set, ...others];
        if (!fullestSubsets(both).some((full) => full.length === both.length)) continue;
        out.push({
          state,
          factors: factorsOf([
            ...D,
            ...set.map((one) => [one.id, leading[kindOf(one)!]!] as const),
            ...others.map((one) => [one.id, accompanying[kindOf(one)!]!] as const),
          ]),
          title: leadingTitle(set[0], [...set.slice(1), ...others], dead < 1 ? 'permanent favourable' : ''),
        });
      }
  }
  return out;
}

/** ASCE/SEI 7-22 section 2.3.1 (load and resistance factor design). */
export const asce7: CombinationRule = {
  by: 'ASCE7-LRFD',
  title: 'ASCE/SEI 7-22, LRFD',
  combine: (cases, states) => [
    ...(states.includes('strength') ? basic.flatMap((one) => fromBasic(cases, 'strength', one)) : []),
    ...(states.includes('service') ? serviceable.flatMap((one) => fromBasic(cases, 'service', one)) : []),
  ],
};
