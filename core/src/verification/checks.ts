import { checkToFile, type ChecksFile } from '../exchange/checks-file.js';
import type { FrameModel, Load, MemberDesign } from '../model/types.js';
import { ProblemError } from '../problem.js';
import type { VerificationCase, VerificationGroup } from './case.js';

const ft = 0.3048;
const kip = 4448.2216;

/** A bar along X on two supports, or built in at its start, under one combination. */
interface Bar {
  readonly section: Partial<FrameModel['sections'][number]>;
  readonly grade: string;
  readonly L: number;
  readonly loads: Load[];
  readonly design?: MemberDesign;
  readonly solid?: boolean;
  readonly cantilever?: boolean;
}

function modelOf({ section, grade, L, loads, design = {}, solid, cantilever }: Bar, code: Code): FrameModel {
  const across = solid ? ({ uy: 'fixed' } as const) : {};
  return {
    format: 'hashira-frame',
    version: 1,
    space: solid ? 'solid' : 'plane',
    materials: [{ id: grade }],
    sections: [{ id: 's', material: grade, ...section }],
    nodes: [
      { id: 'a', x: 0, z: 0 },
      { id: 'b', x: L, z: 0 },
    ],
    members: [{ id: 'm', start: 'a', end: 'b', section: 's', design }],
    supports: cantilever
      ? [{ node: 'a', ux: 'fixed', uz: 'fixed', ry: 'fixed' }]
      : [
          { node: 'a', ux: 'fixed', uz: 'fixed', ...across, ...(solid ? { rx: 'fixed' as const } : {}) },
          { node: 'b', uz: 'fixed', ...across },
        ],
    loadCases: [{ id: 'L', loads }],
    combinations: [{ id: 'U', state: 'strength', factors: { L: 1 } }],
    code: { name: code },
  };
}

type Code = 'EN1993' | 'AISC360';
type Item = ChecksFile['members'][string]['items'][number];

/** The item of a clause, by the clause's beginning and its axis. */
function itemOf(bar: Bar, code: Code, clause: string, axis?: string): Item {
  const outcome = checkToFile(modelOf(bar, code));
  if (!outcome.ok) throw new ProblemError(outcome.problems);
  return outcome.value.members['m']!.items.find(
    (one) => one.clause.startsWith(clause) && (axis === undefined || one.axis === axis),
  )!;
}
const step = (item: Item, symbol: string) =>
  (item.steps ?? []).filter((one) => one.symbol === symbol).at(-1)!.value;

const uniform = (q: number): Load => ({ kind: 'distributed', member: 'm', direction: 'z', q: [-q, -q] });
const along = (N: number): Load => ({ kind: 'node', node: 'b', F: [N, 0, 0] });
const middle = (P: number): Load => ({ kind: 'point', member: 'm', at: 0.5, F: [0, 0, -P] });
const profile = (name: string) => ({ profile: name });

const guide = 'Gardner, Nethercot, Designers’ Guide to EN 1993-1-1';
const examples = 'AISC Design Examples, companion to the Manual';
const w18 = (LLT: number): Bar => ({
  section: profile('W18X50'),
  grade: 'A992',
  L: 35 * ft,
  loads: [uniform((1.74 * kip) / ft)],
  design: { LLT },
});
const inKipFt = (item: Item) => item.capacity! / (kip * ft);
const inKips = (item: Item) => item.capacity! / kip;

const published: VerificationCase[] = [
  {
    title: 'CHS 244.5 × 10 S275, 4 m in compression: Nb,Rd by 6.3.1',
    source: `${guide}, example 6.7`,
    quantity: 'kN',
    expected: 1836.5,
    tolerance: 2e-3,
    compute: () =>
      itemOf(
        { section: profile('CHS 244.5x10'), grade: 'S275', L: 4, loads: [along(-1e6)] },
        'EN1993',
        '6.3.1.1',
        'y',
      ).capacity! / 1e3,
  },
  {
    title: 'UB 457×191×98 S235 with 1400 kN: MN,y,Rd by 6.2.9.1',
    source: `${guide}, example 6.6`,
    quantity: 'kN·m',
    expected: 342.2,
    tolerance: 5e-3,
    compute: () =>
      itemOf(
        {
          section: profile('UB 457x191x98'),
          grade: 'S235',
          L: 5,
          loads: [uniform(50e3), along(-1400e3)],
          design: { LLT: 0, Lcy: 0, Lcz: 0 },
        },
        'EN1993',
        '6.2.9.1(2)',
        'y',
      ).capacity! / 1e3,
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
    compute: () => inKipFt(itemOf(w18(LLT), 'AISC360', 'F2')),
  })),
  {
    title: 'W14×132 A992, 30 ft in compression: φPn',
    source: `${examples}, E.1A`,
    quantity: 'kip',
    expected: 893,
    tolerance: 6e-3,
    compute: () =>
      inKips(
        itemOf(
          { section: profile('W14X132'), grade: 'A992', L: 30 * ft, loads: [along(-3e6)] },
          'AISC360',
          'E3',
          'z',
        ),
      ),
  },
  {
    title: 'W24×62 A992 in shear: φVn',
    source: `${examples}, G.1`,
    quantity: 'kip',
    expected: 306,
    tolerance: 2e-3,
    compute: () =>
      inKips(
        itemOf(
          {
            section: profile('W24X62'),
            grade: 'A992',
            L: 20 * ft,
            loads: [uniform(1e5)],
            design: { LLT: 0 },
          },
          'AISC360',
          'G2.1',
        ),
      ),
  },
  {
    title: 'W14×99 A992, 14 ft, 400 kip with 250 and 80 kip-ft: H1-1a',
    source: `${examples}, H.1A`,
    quantity: 'utilisation',
    expected: 0.928,
    tolerance: 6e-3,
    compute: () =>
      itemOf(
        {
          section: profile('W14X99'),
          grade: 'A992',
          L: 14 * ft,
          solid: true,
          design: { C1: 1 },
          loads: [
            { kind: 'node', node: 'a', M: [0, 250 * kip * ft, 80 * kip * ft] },
            { kind: 'node', node: 'b', M: [0, -250 * kip * ft, -80 * kip * ft] },
            along(-400 * kip),
          ],
        },
        'AISC360',
        'H1.1 eq. H1-1a',
      ).demand!,
  },
];

/** A narrow upright bar, whose warping is nothing: Mcr·L/√(EIz·GIt). */
const [b, h, long] = [0.02, 0.3, 8];
/** St. Venant's constant of a rectangle, Roark's Formulas for Stress and Strain, Table 10.1, case 4. */
const It = (h / 2) * (b / 2) ** 3 * (16 / 3 - 3.36 * (b / h) * (1 - (b / h) ** 4 / 12));
const inCriticalUnits = (loads: Load[], cantilever = false): number => {
  const bar: Bar = {
    section: { shape: { type: 'rectangle', b, h } },
    grade: 'S355',
    L: long,
    loads,
    cantilever,
  };
  const [E, G] = [210e9, 210e9 / 2.6];
  const Mcr = step(itemOf(bar, 'EN1993', '6.3.2'), 'Mcr');
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
    compute: () => inCriticalUnits([{ kind: 'node', node: 'b', F: [0, 0, -1e3] }], true),
  },
  {
    title: 'Narrow cantilever, uniform load: Mcr·L/√(EIz·GIt)',
    source: `${timoshenko}, art. 6.4: qcr = 12.85·√(EIz·GIt)/L³`,
    quantity: '',
    expected: 12.85 / 2,
    tolerance: 5e-3,
    compute: () => inCriticalUnits([uniform(1e3)], true),
  },
];

export const memberChecks: VerificationGroup = {
  title: 'Checks of members: published examples of both codes, and critical moments',
  cases: [...published, ...lateral],
};
