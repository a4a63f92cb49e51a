import { prepareEquations, prepareFrame, vibrationModes, type VibrationMode } from '../src/analysis/index.js';
import type { FrameModel, Support } from '../src/model/types.js';
import {
  clamped,
  EIy,
  fixed,
  model,
  pinned,
  roller,
  steel,
  straight,
  type VerificationCase,
  type VerificationGroup,
} from './case.js';

const L = 10;
const mu = steel.density * 0.01;
const rhoI = steel.density * 2e-4;
const modesOf = (given: FrameModel, wanted: number): VibrationMode[] =>
  vibrationModes(prepareEquations(prepareFrame(given)), wanted);
const beam = (supports: Support[], count = 1, changes: Partial<FrameModel> = {}) => {
  const { points, members } = straight(L, count, false);
  return model(points, members, supports, [], changes);
};
const last = (count: number) => `n${count}`;
/** Rotary inertia lowers frequencies by about (β/L)²·I/A; a slender section for formulas that leave it out. */
const slender = {
  sections: [{ id: 's', material: 'steel', properties: { A: 0.01, Iy: 1e-6, Iz: 1e-6, J: 1e-6 } }],
};
const slow = Math.sqrt((steel.E * 1e-6) / (mu * L ** 4)) / (2 * Math.PI);
const blevins = 'Blevins, Formulas for Natural Frequency and Mode Shape, Table 8-1';
const slenderCase = (title: string, beta: number, mode: number, supports: Support[]): VerificationCase => ({
  title,
  source: `${blevins}: (βL)² with βL = ${beta}`,
  quantity: 'f, Hz',
  expected: beta ** 2 * slow,
  tolerance: 1e-3,
  compute: () => modesOf(beam(supports, 1, slender), mode)[mode - 1]!.frequency,
});
/** Simply supported beam with rotary inertia: ω² = (nπ/L)⁴·EI/(μ + ρI·(nπ/L)²). */
const rayleigh = (n: number): number => {
  const wave = (n * Math.PI) / L;
  return Math.sqrt((wave ** 4 * EIy) / (mu + rhoI * wave ** 2)) / (2 * Math.PI);
};
const Ip = 2.5e-4;

export const dynamics: VerificationGroup = {
  title: 'Natural modes, one element a member unless said',
  cases: [
    ...[1, 2, 3].map((n): VerificationCase => ({
      title: `Simply supported beam with rotary inertia, bending mode ${n}`,
      source: 'Rayleigh, Theory of Sound, art. 162: ω² = (nπ/L)⁴·EI/(μ + ρI(nπ/L)²)',
      quantity: 'f, Hz',
      expected: rayleigh(n),
      tolerance: 1e-3,
      compute: () =>
        modesOf(beam([pinned('n0'), roller('n1')]), 4).find(
          (m) => Math.abs(m.frequency / rayleigh(n) - 1) < 0.05,
        )!.frequency,
    })),
    slenderCase('Cantilever, first mode', 1.87510407, 1, [fixed('n0')]),
    slenderCase('Cantilever, second mode', 4.69409113, 2, [fixed('n0')]),
    slenderCase('Fixed beam, first mode: nodes stand still', 4.73004074, 1, [fixed('n0'), fixed('n1')]),
    slenderCase('Fixed beam, second mode', 7.85320462, 2, [fixed('n0'), fixed('n1')]),
    slenderCase('Fixed and pinned beam, first mode', 3.92660231, 1, [fixed('n0'), pinned('n1')]),
    {
      title: 'Free beam: first elastic mode behind three rigid ones',
      source: `${blevins}: βL = 4.73004074`,
      quantity: 'f, Hz',
      expected: 4.73004074 ** 2 * slow,
      tolerance: 1e-3,
      compute: () => modesOf(beam([], 1, slender), 4)[3]!.frequency,
    },
    {
      title: 'Free beam: rigid modes are at 0 Hz exactly',
      source: 'Definition',
      quantity: 'Σ of the first three, Hz',
      expected: 0,
      tolerance: 1e-12,
      compute: () => modesOf(beam([], 1, slender), 3).reduce((sum, m) => sum + m.frequency, 0),
    },
    {
      title: 'Rod held at one end, along its axis',
      source: 'Blevins, Table 8-16: √(E/ρ)/4L',
      quantity: 'f, Hz',
      expected: Math.sqrt(steel.E / steel.density) / (4 * L),
      tolerance: 1e-4,
      compute: () => {
        const along: Support[] = [
          { node: 'n0', ux: 'fixed', uz: 'fixed', ry: 'fixed' },
          { node: 'n1', uz: 'fixed', ry: 'fixed' },
        ];
        return modesOf(beam(along), 8).find((m) => m.effectiveMass[0] > 1)!.frequency;
      },
    },
    {
      title: 'Shaft held at one end, about its axis',
      source: 'Blevins, Table 8-19: √(GJ/ρIp)/4L',
      quantity: 'f, Hz',
      expected: Math.sqrt((steel.G * 2e-5) / (steel.density * Ip)) / (4 * L),
      tolerance: 1e-4,
      compute: () => {
        const given = model(
          { n0: [0, 0, 0], n1: [L, 0, 0] },
          [{ id: 'm', start: 'n0', end: 'n1' }],
          [clamped('n0'), { node: 'n1', uy: 'fixed', uz: 'fixed', ry: 'fixed', rz: 'fixed' }],
          [],
        );
        return modesOf(given, 6).find((m) => Math.abs(m.shape[9]!) > 0.9)!.frequency;
      },
    },
    {
      title: 'Heavy mass at the tip of a cantilever',
      source: 'Blevins, Table 8-8: √(3EI/(L³(M + 0.24268·μL)))/2π (rotary inertia small)',
      quantity: 'f, Hz',
      expected: Math.sqrt((3 * EIy) / (L ** 3 * (1e5 + 0.24268 * mu * L))) / (2 * Math.PI),
      tolerance: 1e-4,
      compute: () => modesOf(beam([fixed('n0')], 1, { masses: [{ node: 'n1', m: 1e5 }] }), 1)[0]!.frequency,
    },
    {
      title: 'Cantilever: effective mass of the first mode over the whole mass',
      source: 'Textbook value 0.6131 (e.g. Clough and Penzien)',
      quantity: 'ratio',
      expected: 0.6131,
      tolerance: 2e-3,
      compute: () => modesOf(beam([fixed('n0')], 1, slender), 1)[0]!.effectiveMass[2] / (mu * L),
    },
    {
      title: 'Free body in space: its whole mass along X is in the rigid modes',
      source: 'Definition',
      quantity: 'kg',
      expected: mu * L,
      tolerance: 1e-8,
      compute: () => {
        const given = model({ n0: [0, 0, 0], n1: [L, 0, 0] }, [{ id: 'm', start: 'n0', end: 'n1' }], [], []);
        return modesOf(given, 6).reduce((sum, m) => sum + m.effectiveMass[0], 0);
      },
    },
    {
      title: 'Two-storey shear frame, masses m and stiffness k: second over first frequency',
      source: 'Clough and Penzien: ((3 + √5)/(3 − √5))^½',
      quantity: 'ratio',
      expected: Math.sqrt((3 + Math.sqrt(5)) / (3 - Math.sqrt(5))),
      tolerance: 1e-4,
      compute: () => {
        // A column whose nodes cannot turn is a spring of 12EI/h³; its own mass is small against the storeys'
        const { points, members } = straight(8, 2, true);
        const held: Support[] = [
          fixed('n0'),
          { node: 'n1', uz: 'fixed', ry: 'fixed' },
          { node: last(2), uz: 'fixed', ry: 'fixed' },
        ];
        const modes = modesOf(
          model(points, members, held, [], {
            masses: [
              { node: 'n1', m: 1e7 },
              { node: 'n2', m: 1e7 },
            ],
          }),
          2,
        );
        return modes[1]!.frequency / modes[0]!.frequency;
      },
    },
  ],
};
