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

/** ψ0, ψ1, ψ2. */
type Psi = readonly [number, number, number];

/** EN 1990:2002 Table A1.1, recommended values; crane actions EN 1991-3 Table A.2 (as imposed, ψ 1.0, 0.9, 0.8). */
const imposed: Readonly<Record<string, Psi>> = {
  A: [0.7, 0.5, 0.3],
  B: [0.7, 0.5, 0.3],
  C: [0.7, 0.7, 0.6],
  D: [0.7, 0.7, 0.6],
  E: [1.0, 0.9, 0.8],
  F: [0.7, 0.7, 0.6],
  G: [0.7, 0.5, 0.3],
  H: [0, 0, 0],
};

function psiOf({ category, use = 'A', altitude = 'low' }: DesignLoadCase): Psi {
  switch (category) {
    case 'snow':
      return altitude === 'high' ? [0.7, 0.5, 0.2] : [0.5, 0.2, 0];
    case 'wind':
      return [0.6, 0.2, 0];
    case 'temperature':
      return [0.6, 0.5, 0];
    case 'crane':
      return [1.0, 0.9, 0.8];
    default:
      return imposed[use]!;
  }
}

/** EN 1990 Table A1.2(B): partial factors; ξ of eq. 6.10b. Variable loads 1.5, crane actions 1.35 (EN 1991-3 A.2.2). */
const [gammaSup, gammaInf, xi] = [1.35, 1.0, 0.85];
const gammaQ = ({ category }: DesignLoadCase): number => (category === 'crane' ? 1.35 : 1.5);

/** EN 1990 Table A1.2(A), equilibrium. */
const [equSup, equInf] = [1.1, 0.9];

/** A factor on all permanent loads, and how it is told. */
interface Permanent {
  readonly factor: number;
  readonly warning: string;
}
const unfavourable: Permanent = { factor: gammaSup, warning: '' };
const favourable: Permanent = { factor: gammaInf, warning: 'permanent favourable' };

/** Imposed loads on roofs do not act together with snow or wind (EN 1991-1-1 3.3.2(1)). */
const isRoof = ({ category, use }: DesignLoadCase): boolean => category === 'imposed' && use === 'H';
const isWeather = ({ category }: DesignLoadCase): boolean => category === 'snow' || category === 'wind';
const together = (a: DesignLoadCase, b: DesignLoadCase): boolean =>
  !excluded(a, b) && !(isRoof(a) && isWeather(b)) && !(isRoof(b) && isWeather(a));

/** Permanent loads by a factor, prestress by 1. */
const always = ({ permanent, prestress }: SortedCases, factor: number) => [
  ...permanent.map(({ id }) => [id, factor] as const),
  ...prestress.map(({ id }) => [id, 1] as const),
];

/** Factors on a leading case and on one that accompanies. */
interface Variable {
  readonly leading: (one: DesignLoadCase) => number;
  readonly other: (one: DesignLoadCase) => number;
}

/** Each variable case leading in turn with every set of the others that may act with it. */
function leadingInTurn(
  cases: SortedCases,
  state: Combined['state'],
  { factor, warning }: Permanent,
  by: Variable,
): Combined[] {
  return cases.variable.flatMap((leading) => {
    const others = cases.variable.filter((one) => one !== leading && together(one, leading));
    return compatibleSubsets(others, together).map((set): Combined => ({
      state,
      factors: factorsOf([
        ...always(cases, factor),
        [leading.id, by.leading(leading)],
        ...set.map((one) => [one.id, by.other(one)] as const),
      ]),
      title: leadingTitle(leading, set, warning),
    }));
  });
}

const alone = (cases: SortedCases, state: Combined['state'], { factor, warning }: Permanent): Combined => ({
  state,
  factors: factorsOf(always(cases, factor)),
  title: leadingTitle(undefined, [], warning),
});

const strengthBy = (leads: Variable['leading']): Variable => ({
  leading: leads,
  other: (one) => gammaQ(one) * psiOf(one)[0],
});

/** Characteristic (eq. 6.14b), frequent (6.15b) and quasi-permanent (6.16b): what relieves may be absent. */
const characteristic = (cases: SortedCases): Combined[] => [
  alone(cases, 'service', { factor: 1, warning: 'characteristic' }),
  ...leadingInTurn(
    cases,
    'service',
    { factor: 1, warning: 'characteristic' },
    { leading: () => 1, other: (one) => psiOf(one)[0] },
  ),
];
const frequent = (cases: SortedCases): Combined[] =>
  leadingInTurn(
    cases,
    'service',
    { factor: 1, warning: 'frequent' },
    { leading: (one) => psiOf(one)[1], other: (one) => psiOf(one)[2] },
  );
const quasiPermanent = (cases: SortedCases): Combined[] =>
  compatibleSubsets(cases.variable, together).map((set): Combined => ({
    state: 'service',
    factors: factorsOf([...always(cases, 1), ...set.map((one) => [one.id, psiOf(one)[2]] as const)]),
    title: leadingTitle(undefined, set, 'quasi-permanent'),
  }));

/** EQU (eq. 6.10 with Table A1.2(A)): permanents unfavourable or favourable. */
const equilibrium = (cases: SortedCases): Combined[] =>
  [
    { factor: equSup, warning: 'equilibrium' },
    { factor: equInf, warning: 'equilibrium, permanent favourable' },
  ].flatMap((permanent) => [
    alone(cases, 'strength', permanent),
    ...leadingInTurn(cases, 'strength', permanent, strengthBy(gammaQ)),
  ]);

/** Eq. 6.11b with ψ1 of the leading case: each accidental case by itself, with and without variable ones. */
const accidental = (cases: SortedCases): Combined[] =>
  cases.accidental.flatMap((hit) => {
    const variable = cases.variable.filter((one) => together(one, hit));
    const whole = (
      set: readonly DesignLoadCase[],
      entries: readonly (readonly [string, number])[],
    ): Combined => ({
      state: 'strength',
      factors: factorsOf([...always(cases, 1), [hit.id, 1], ...entries]),
      title: withTitle(hit, set, 'accidental'),
    });
    return [
      whole([], []),
      ...variable.flatMap((leading) =>
        compatibleSubsets(
          variable.filter((one) => one !== leading && together(one, leading)),
          together,
        ).map((set) =>
          whole(
            [leading, ...set],
            [[leading.id, psiOf(leading)[1]], ...set.map((one) => [one.id, psiOf(one)[2]] as const)],
          ),
        ),
      ),
    ];
  });

/** Eq. 6.12b: each seismic case by itself with every set of variable ones by ψ2. */
const seismic = (cases: SortedCases): Combined[] =>
  cases.seismic.flatMap((quake) =>
    compatibleSubsets(
      cases.variable.filter((one) => together(one, quake)),
      together,
    ).map((set): Combined => ({
      state: 'strength',
      factors: factorsOf([
        ...always(cases, 1),
        [quake.id, 1],
        ...set.map((one) => [one.id, psiOf(one)[2]] as const),
      ]),
      title: withTitle(quake, set, 'seismic'),
    })),
  );

const others: CombinationRule['states'] = {
  service: (cases) => [...characteristic(cases), ...quasiPermanent(cases)],
  frequent,
  'quasi-permanent': quasiPermanent,
  equilibrium,
  accidental,
  seismic,
};

/** EN 1990 eq. 6.10. */
export const en1990: CombinationRule = {
  by: 'EN1990-6.10',
  title: 'EN 1990, eq. 6.10',
  states: {
    strength: (cases) => [
      alone(cases, 'strength', unfavourable),
      ...[unfavourable, favourable].flatMap((permanent) =>
        leadingInTurn(cases, 'strength', permanent, strengthBy(gammaQ)),
      ),
    ],
    ...others,
  },
};

/** EN 1990 eq. 6.10a and 6.10b. */
export const en1990ab: CombinationRule = {
  by: 'EN1990-6.10ab',
  title: 'EN 1990, eq. 6.10a and 6.10b',
  states: {
    strength: (cases) => [
      alone(cases, 'strength', unfavourable),
      ...[unfavourable, favourable].flatMap((permanent) =>
        leadingInTurn(
          cases,
          'strength',
          permanent,
          strengthBy((one) => gammaQ(one) * psiOf(one)[0]),
        ),
      ),
      ...[{ factor: xi * gammaSup, warning: 'permanent reduced' }, favourable].flatMap((permanent) =>
        leadingInTurn(cases, 'strength', permanent, strengthBy(gammaQ)),
      ),
    ],
    ...others,
  },
};
