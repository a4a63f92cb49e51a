import type { DesignLoadCase } from '../document/types.js';
import {
  compatibleSubsets,
  excluded,
  factorsOf,
  leadingTitle,
  withTitle,
  type Combined,
  type CombinationRule,
  type SortedCases,
} from './code.js';

/** Kinds of load as ASCE 7 names them. */
type Kind = 'L' | 'Lr' | 'S' | 'W' | 'T';

function kindOf({ category, use }: DesignLoadCase): Kind | undefined {
  if (category === 'snow') return 'S';
  if (category === 'wind') return 'W';
  if (category === 'crane') return 'L';
  if (category === 'temperature') return 'T';
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

/** 2.3.6, combinations 6 and 7, on a seismic case. */
const seismic: readonly Basic[] = [{ dead: 1.2, with: [{ L: 1, S: 0.2 }] }, { dead: 0.9 }];

/** 2.5.2.1, on an extraordinary event. */
const extraordinary: readonly Basic[] = [
  { dead: 1.2, with: [{ L: 0.5, S: 0.2 }] },
  { dead: 0.9, with: [{ L: 0.5, S: 0.2 }] },
];

/** Appendix CC.2.1, for drift and deflection. */
const serviceable: readonly Basic[] = [
  { dead: 1 },
  { dead: 1, leading: { L: 1 } },
  { dead: 1, leading: { Lr: 1 } },
  { dead: 1, leading: { S: 0.5 } },
  { dead: 1, leading: { W: 1 }, with: [{ L: 0.5 }] },
];

/** Self-straining loads count with 1 wherever they act, and may be absent (2.3.4). */
const selfStraining = 1;

/** Combinations of one line of the standard; `event` is a case that acts in each of them. */
function fromBasic(
  cases: SortedCases,
  state: Combined['state'],
  { dead, leading, with: companions = [{}] }: Basic,
  event?: { readonly load: DesignLoadCase; readonly warning: string },
): Combined[] {
  const { permanent, prestress, variable } = cases;
  const fixed = [
    ...permanent.map(({ id }) => [id, dead] as const),
    ...prestress.map(({ id }) => [id, 1] as const),
    ...(event ? [[event.load.id, 1] as const] : []),
  ];
  const withEvent = event ? variable.filter((one) => !excluded(one, event.load)) : variable;
  const of = (factors: Partial<Record<Kind, number>>) =>
    withEvent.filter((one) => factors[kindOf(one)!] !== undefined);
  const strains = compatibleSubsets(withEvent.filter((one) => kindOf(one) === 'T'));
  // What leads acts; the others may be absent (2.3.1)
  const leads = leading ? compatibleSubsets(of(leading)).filter((set) => set.length > 0) : [[]];
  const out: Combined[] = [];
  for (const set of leads)
    for (const accompanying of companions)
      for (const others of compatibleSubsets(of(accompanying)))
        for (const strain of strains) {
          const all = [...set, ...others, ...strain];
          if (all.some((one, i) => all.slice(0, i).some((other) => excluded(one, other)))) continue;
          const rest = [...set.slice(1), ...others, ...strain];
          out.push({
            state,
            factors: factorsOf([
              ...fixed,
              ...set.map((one) => [one.id, leading![kindOf(one)!]!] as const),
              ...others.map((one) => [one.id, accompanying[kindOf(one)!]!] as const),
              ...strain.map((one) => [one.id, selfStraining] as const),
            ]),
            title: event
              ? withTitle(event.load, rest, event.warning)
              : leadingTitle(set[0], rest, dead < 1 ? 'permanent favourable' : ''),
          });
        }
  return out;
}

const withEvents = (
  cases: SortedCases,
  loads: readonly DesignLoadCase[],
  lines: readonly Basic[],
  warning: string,
): Combined[] =>
  loads.flatMap((load) => lines.flatMap((one) => fromBasic(cases, 'strength', one, { load, warning })));

/** ASCE/SEI 7-22 section 2.3.1 (load and resistance factor design). */
export const asce7: CombinationRule = {
  by: 'ASCE7-LRFD',
  title: 'ASCE/SEI 7-22, LRFD',
  states: {
    strength: (cases) => basic.flatMap((one) => fromBasic(cases, 'strength', one)),
    service: (cases) => serviceable.flatMap((one) => fromBasic(cases, 'service', one)),
    accidental: (cases) => withEvents(cases, cases.accidental, extraordinary, 'extraordinary event'),
    seismic: (cases) => withEvents(cases, cases.seismic, seismic, 'seismic'),
  },
};
