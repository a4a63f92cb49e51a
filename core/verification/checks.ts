import type { Load } from '../src/model/types.js';
import {
  axial,
  checkBar,
  itemOf,
  profileBar,
  stepOf,
  uniform,
  type CheckedBar,
} from '../src/testing/checks.js';
import type { VerificationCase, VerificationGroup } from './case.js';

const ft = 0.3048;
const kip = 4448.2216;

type CheckItem = ReturnType<typeof itemOf>;
/** A bar of A992 by AISC 360. */
const american = (profile: string, L: number, loads: Load[], more: Partial<CheckedBar> = {}) =>
  profileBar(profile, 'A992', L, loads, { ...more, options: { code: 'AISC360' } });
const middle = (P: number): Load => ({ kind: 'point', member: 'm', at: 0.5, F: [0, 0, -P] });

const guide = 'Gardner, Nethercot, Designers’ Guide to EN 1993-1-1';
const examples = 'AISC Design Examples, companion to the Manual';
const inKipFt = ({ capacity }: CheckItem) => capacity! / (kip * ft);
const inKips = ({ capacity }: CheckItem) => capacity! / kip;
const inKilo = ({ capacity }: CheckItem) => capacity! / 1e3;

const published: VerificationCase[] = [
  {
    title: 'CHS 244.5 × 10 S275, 4 m in compression: Nb,Rd by 6.3.1',
    source: `${guide}, example 6.7`,
    quantity: 'kN',
    expected: 1836.5,
    tolerance: 2e-3,
    compute: () => inKilo(itemOf(profileBar('CHS 244.5x10', 'S275', 4, [axial(-1e6)]), '6.3.1.1', 'y')),
  },
  {
    title: 'UB 457×191×98 S235 with 1400 kN: MN,y,Rd by 6.2.9.1',
    source: `${guide}, example 6.6`,
    quantity: 'kN·m',
    expected: 342.2,
    tolerance: 5e-3,
    compute: () => {
      const design = { LLT: 0, Lcy: 0, Lcz: 0 };
      const loads = [uniform(50e3), axial(-1400e3)];
      return inKilo(itemOf(profileBar('UB 457x191x98', 'S235', 5, loads, { design }), '6.2.9.1(2)', 'y'));
    },
  },
  ...(
    [
      ['braced throughout: φMn', 0, 379, 2e-3],
      ['braced at third points: φMn', (35 / 3) * ft, 305, 1e-2],
      ['braced in the middle: φMn', 17.5 * ft, 288, 1e-2],
    ] as const
  ).map(([title, LLT, expected, tolerance], i): VerificationCase => ({
    title: `W18×50 A992, 35 ft, ${title}`,
    source: `${examples}, F.1-${i + 1}`,
    quantity: 'kip-ft',
    expected,
    tolerance,
    compute: () =>
      inKipFt(itemOf(american('W18X50', 35 * ft, [uniform((1.74 * kip) / ft)], { design: { LLT } }), 'F2')),
  })),
  {
    title: 'W14×132 A992, 30 ft in compression: φPn',
    source: `${examples}, E.1A`,
    quantity: 'kip',
    expected: 893,
    tolerance: 6e-3,
    compute: () => inKips(itemOf(american('W14X132', 30 * ft, [axial(-3e6)]), 'E3', 'z')),
  },
  {
    title: 'W24×62 A992 in shear: φVn',
    source: `${examples}, G.1`,
    quantity: 'kip',
    expected: 306,
    tolerance: 2e-3,
    compute: () =>
      inKips(itemOf(american('W24X62', 20 * ft, [uniform(1e5)], { design: { LLT: 0 } }), 'G2.1')),
  },
  {
    title: 'W14×99 A992, 14 ft, 400 kip with 250 and 80 kip-ft: H1-1a',
    source: `${examples}, H.1A`,
    quantity: 'utilisation',
    expected: 0.928,
    tolerance: 6e-3,
    compute: () => {
      const moments: Load[] = [
        { kind: 'node', node: 'a', M: [0, 250 * kip * ft, 80 * kip * ft] },
        { kind: 'node', node: 'b', M: [0, -250 * kip * ft, -80 * kip * ft] },
      ];
      const more = { space: 'solid', design: { C1: 1 } } as const;
      return itemOf(american('W14X99', 14 * ft, [...moments, axial(-400 * kip)], more), 'H1.1 eq. H1-1a')
        .demand!;
    },
  },
];

/** A narrow upright bar, whose warping is nothing: Mcr·L/√(EIz·GIt). */
const [b, h, long] = [0.02, 0.3, 8];
/** St. Venant's constant of a rectangle, Roark's Formulas for Stress and Strain, Table 10.1, case 4. */
const It = (h / 2) * (b / 2) ** 3 * (16 / 3 - 3.36 * (b / h) * (1 - (b / h) ** 4 / 12));
const builtIn: CheckedBar['supports'] = [{ node: 'a', ux: 'fixed', uz: 'fixed', ry: 'fixed' }];
const inCriticalUnits = (loads: Load[], more: Partial<CheckedBar> = {}): number => {
  const section = { shape: { type: 'rectangle', b, h } } as const;
  const Mcr = stepOf(itemOf(checkBar({ section, L: long, loads, ...more }), '6.3.2'), 'Mcr');
  const [E, G] = [210e9, 210e9 / 2.6];
  return (Mcr * long) / Math.sqrt(((E * h * b ** 3) / 12) * G * It);
};
const timoshenko = 'Timoshenko and Gere, Theory of Elastic Stability';
const lateral: VerificationCase[] = [
  {
    title: 'Narrow beam between forks, force in its middle: Mcr·L/√(EIz·GIt)',
    source: `${timoshenko}, art. 6.5: Pcr = 16.94·√(EIz·GIt)/L²`,
    quantity: '',
    expected: 16.94 / 4,
    tolerance: 5e-3,
    compute: () => inCriticalUnits([middle(1e3)]),
  },
  {
    title: 'Narrow beam between forks, uniform load: Mcr·L/√(EIz·GIt)',
    source: `${timoshenko}, art. 6.6: qcr = 28.3·√(EIz·GIt)/L³`,
    quantity: '',
    expected: 28.3 / 8,
    tolerance: 5e-3,
    compute: () => inCriticalUnits([uniform(1e3)]),
  },
  {
    title: 'Narrow cantilever, force at its tip: Mcr·L/√(EIz·GIt)',
    source: `${timoshenko}, art. 6.4: Pcr = 4.013·√(EIz·GIt)/L²`,
    quantity: '',
    expected: 4.013,
    tolerance: 5e-3,
    compute: () => inCriticalUnits([{ kind: 'node', node: 'b', F: [0, 0, -1e3] }], { supports: builtIn }),
  },
  {
    title: 'Narrow cantilever, uniform load: Mcr·L/√(EIz·GIt)',
    source: `${timoshenko}, art. 6.4: qcr = 12.85·√(EIz·GIt)/L³`,
    quantity: '',
    expected: 12.85 / 2,
    tolerance: 5e-3,
    compute: () => inCriticalUnits([uniform(1e3)], { supports: builtIn }),
  },
];

export const memberChecks: VerificationGroup = {
  title: 'Checks of members: published examples of both codes, and critical moments',
  cases: [...published, ...lateral],
};
