import type { DesignCombination, DesignLoadCase } from '../types.js';
import {
  compatibleSubsets,
  excluded,
  factorsOf,
  fullestSubsets,
  leadingTitle,
  sorted,
  type Combined,
  type CombinationRule,
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

/** EN 1990 Table A1.2(B): partial factors; ξ of eq. 6.10b. */
const [gammaSup, gammaInf, gammaQ, xi] = [1.35, 1.0, 1.5, 0.85];

interface Permanent {
  readonly factor: number;
  readonly remark: string;
}
const unfavourable: Permanent = { factor: gammaSup, remark: '' };
const favourable: Permanent = { factor: gammaInf, remark: 'permanent favourable' };

/** Leading in turn by γQ, any of the others by γQ·ψ0. */
function leadingInTurn(
  cases: readonly DesignLoadCase[],
  permanents: readonly Permanent[],
  leads: number | 'psi0',
): Combined[] {
  const { permanent, variable } = sorted(cases);
  return permanents.flatMap(({ factor, remark }) =>
    variable.flatMap((leading) => {
      const others = variable.filter((one) => one !== leading && !excluded(one, leading));
      return compatibleSubsets(others).map((set): Combined => ({
        state: 'strength',
        factors: factorsOf([
          ...permanent.map(({ id }) => [id, factor] as const),
          [leading.id, gammaQ * (leads === 'psi0' ? psiOf(leading)[0] : leads)],
          ...set.map((one) => [one.id, gammaQ * psiOf(one)[0]] as const),
        ]),
        title: leadingTitle(leading, set, remark),
      }));
    }),
  );
}

function permanentAlone(cases: readonly DesignLoadCase[]): Combined[] {
  const { permanent } = sorted(cases);
  if (permanent.length === 0) return [];
  return [
    {
      state: 'strength',
      factors: factorsOf(permanent.map(({ id }) => [id, gammaSup] as const)),
      title: leadingTitle(undefined, []),
    },
  ];
}

/** Characteristic (eq. 6.14b) and quasi-permanent (eq. 6.16b): all that can accompany does. */
function service(cases: readonly DesignLoadCase[]): Combined[] {
  const { permanent, variable } = sorted(cases);
  const G = permanent.map(({ id }) => [id, 1] as const);
  const characteristic = variable.flatMap((leading) =>
    fullestSubsets(variable.filter((one) => one !== leading && !excluded(one, leading))).map(
      (set): Combined => ({
        state: 'service',
        factors: factorsOf([...G, [leading.id, 1], ...set.map((one) => [one.id, psiOf(one)[0]] as const)]),
        title: leadingTitle(leading, set, 'characteristic'),
      }),
    ),
  );
  const quasi = fullestSubsets(variable).map((set): Combined => ({
    state: 'service',
    factors: factorsOf([...G, ...set.map((one) => [one.id, psiOf(one)[2]] as const)]),
    title: 'quasi-permanent',
  }));
  return [...characteristic, ...quasi].filter(({ factors }) => Object.keys(factors).length > 0);
}

const withService =
  (strength: (cases: readonly DesignLoadCase[]) => Combined[]) =>
  (cases: readonly DesignLoadCase[], states: readonly DesignCombination['state'][]): Combined[] => [
    ...(states.includes('strength') ? strength(cases) : []),
    ...(states.includes('service') ? service(cases) : []),
  ];

/** EN 1990 eq. 6.10. */
export const en1990: CombinationRule = {
  by: 'EN1990-6.10',
  title: 'EN 1990, eq. 6.10',
  combine: withService((cases) => [
    ...permanentAlone(cases),
    ...leadingInTurn(cases, [unfavourable, favourable], 1),
  ]),
};

/** EN 1990 eq. 6.10a and 6.10b. */
export const en1990ab: CombinationRule = {
  by: 'EN1990-6.10ab',
  title: 'EN 1990, eq. 6.10a and 6.10b',
  combine: withService((cases) => [
    ...permanentAlone(cases),
    ...leadingInTurn(cases, [unfavourable, favourable], 'psi0'),
    ...leadingInTurn(cases, [{ factor: xi * gammaSup, remark: 'permanent reduced' }, favourable], 1),
  ]),
};
