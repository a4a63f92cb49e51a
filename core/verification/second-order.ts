import { initialSway } from '../src/analysis/index.js';
import type { FrameModel, Load, Support } from '../src/model/types.js';
import { forceAt, forceExtremes } from '../src/results/index.js';
import {
  displacement,
  EIy,
  fixed,
  model,
  pinned,
  roller,
  stateOf,
  type VerificationCase,
  type VerificationGroup,
} from './case.js';

const L = 8;
const q = 2e4;
const timoshenko = 'Timoshenko and Gere, Theory of Elastic Stability';
const beamColumn = (P: number, supports: Support[], loads: Load[] = [uniform]): FrameModel =>
  model({ a: [0, 0], b: [L, 0] }, [{ id: 'm', start: 'a', end: 'b' }], supports, [
    ...loads,
    { kind: 'node', node: 'b', F: [-P, 0, 0] },
  ]);
const uniform: Load = { kind: 'distributed', member: 'm', direction: 'z', q: [-q, -q] };
const simple = [pinned('a'), roller('b')];
const kOf = (P: number) => Math.sqrt(Math.abs(P) / EIy);

/** AISC 360, Commentary C-C2.2: W14×48 in inches and kips, no shear deformation. */
const inch = 0.0254;
const kip = 4448.2216152605;
const w14 = {
  id: 's',
  material: 'steel',
  properties: { A: 14.1 * inch ** 2, Iy: 484 * inch ** 4, Iz: 51.4 * inch ** 4, J: 1.45 * inch ** 4 },
};
const imperial = { id: 'steel', E: (29000 * kip) / inch ** 2, G: (11200 * kip) / inch ** 2, density: 7850 };
const height = 28 * 12 * inch;
function aisc(P: number, cantilever: boolean): ReturnType<typeof stateOf> {
  const loads: Load[] = [
    { kind: 'node', node: 'b', F: [cantilever ? kip : 0, 0, -P * kip] },
    ...(cantilever
      ? []
      : [
          {
            kind: 'distributed',
            member: 'm',
            direction: 'x',
            q: [(0.2 * kip) / (12 * inch), (0.2 * kip) / (12 * inch)],
          } as Load,
        ]),
  ];
  return stateOf(
    model(
      { a: [0, 0], b: [0, height] },
      [{ id: 'm', start: 'a', end: 'b' }],
      cantilever ? [fixed('a')] : [pinned('a'), { node: 'b', ux: 'fixed' }],
      loads,
      { sections: [w14], materials: [imperial] },
    ),
    true,
  );
}
const benchmark = (
  title: string,
  expected: number,
  quantity: string,
  compute: () => number,
): VerificationCase => ({
  title,
  source: 'AISC 360-16, Commentary C-C2.2, benchmark problems (no shear deformation); three digits given',
  quantity,
  expected,
  tolerance: 6e-3,
  compute,
});
const moment = (P: number, cantilever: boolean) => {
  const f = aisc(P, cantilever).state.field(0);
  const { min, max } = forceExtremes(f, 'My');
  return Math.max(-min.value, max.value) / (kip * inch);
};
const sway = (P: number) => displacement(aisc(P, true), 'b', 0) / inch;

export const secondOrder: VerificationGroup = {
  title: 'Second order',
  cases: [
    ...[1e6, 3e6, 6e6].map((P): VerificationCase => ({
      title: `Beam-column, uniform load, P/Pe = ${(P / ((Math.PI ** 2 * EIy) / L ** 2)).toFixed(2)}: largest moment`,
      source: `${timoshenko}, 1.3: q/k²·(sec(kL/2) − 1)`,
      quantity: 'My, N·m',
      expected: (q / kOf(P) ** 2) * (1 / Math.cos((kOf(P) * L) / 2) - 1),
      tolerance: 1e-9,
      compute: () => forceExtremes(stateOf(beamColumn(P, simple), true).state.field(0), 'My').max.value,
    })),
    {
      title: 'Tie-beam, uniform load: largest moment',
      source: `${timoshenko}, 1.12: q/k²·(1 − sech(kL/2))`,
      quantity: 'My, N·m',
      expected: (q / kOf(5e6) ** 2) * (1 - 1 / Math.cosh((kOf(5e6) * L) / 2)),
      tolerance: 1e-9,
      compute: () => forceExtremes(stateOf(beamColumn(-5e6, simple), true).state.field(0), 'My').max.value,
    },
    {
      title: 'Fixed ends, uniform load, P = 1.5 Pe: end moment',
      source: `${timoshenko}, 1.9: qL²/12·3(tan u − u)/(u²·tan u), u = kL/2`,
      quantity: 'My, N·m',
      expected: (() => {
        const u = (kOf(9.7e6) * L) / 2;
        return (((-q * L ** 2) / 12) * 3 * (Math.tan(u) - u)) / (u * u * Math.tan(u));
      })(),
      tolerance: 1e-9,
      compute: () =>
        forceAt(
          stateOf(beamColumn(9.7e6, [fixed('a'), { node: 'b', uz: 'fixed', ry: 'fixed' }]), true).state.field(
            0,
          ),
          'My',
          0,
        ),
    },
    {
      title: 'Point load in the middle of a beam-column: largest moment',
      source: `${timoshenko}, 1.2: F/(2k)·tan(kL/2)`,
      quantity: 'My, N·m',
      expected: (1e5 / (2 * kOf(4e6))) * Math.tan((kOf(4e6) * L) / 2),
      tolerance: 1e-9,
      compute: () =>
        forceExtremes(
          stateOf(
            beamColumn(4e6, simple, [{ kind: 'point', member: 'm', at: 0.5, F: [0, 0, -1e5] }]),
            true,
          ).state.field(0),
          'My',
        ).max.value,
    },
    {
      title: 'Cantilever column, force across its top, P/Pcr = 0.93: sway',
      source: `${timoshenko}, 1.6: H(tan kL − kL)/(kP)`,
      quantity: 'ux, m',
      expected: (1e4 * (Math.tan(kOf(1.5e6) * L) - kOf(1.5e6) * L)) / (kOf(1.5e6) * 1.5e6),
      tolerance: 1e-9,
      compute: () =>
        displacement(
          stateOf(
            model(
              { a: [0, 0], b: [0, L] },
              [{ id: 'm', start: 'a', end: 'b' }],
              [fixed('a')],
              [{ kind: 'node', node: 'b', F: [1e4, 0, -1.5e6] }],
            ),
            true,
          ),
          'b',
          0,
        ),
    },
    {
      title: 'Two stretched bars in line, force across their joint: deflection',
      source: 'Statics of a string: Fa/(2S)',
      quantity: 'uz, m',
      expected: (-1e3 * 4) / (2 * 1e5),
      tolerance: 1e-9,
      compute: () =>
        displacement(
          stateOf(
            model(
              { a: [0, 0], b: [4, 0], c: [8, 0] },
              [
                { id: '1', start: 'a', end: 'b', action: 'axial' },
                { id: '2', start: 'b', end: 'c', action: 'axial' },
              ],
              [pinned('a'), pinned('c')],
              [
                { kind: 'pretension', member: '1', force: 1e5 },
                { kind: 'pretension', member: '2', force: 1e5 },
                { kind: 'node', node: 'b', F: [0, 0, -1e3] },
              ],
            ),
            true,
          ),
          'b',
          2,
        ),
    },
    {
      title: 'Rigid body on a rotation spring under a weight that leans with it: rotation',
      source: 'Statics: Hh/(k − Ph)',
      quantity: 'ry, rad',
      expected: (1e3 * 3) / (5e6 - 1e6 * 3),
      tolerance: 1e-9,
      compute: () =>
        displacement(
          stateOf(
            model(
              { a: [0, 0], b: [0, 3], c: [5, 0], d: [6, 0] },
              [{ id: 'm', start: 'c', end: 'd' }],
              [{ node: 'a', ux: 'fixed', uz: 'fixed', ry: 5e6 }, fixed('c')],
              [{ kind: 'node', node: 'b', F: [1e3, 0, -1e6] }],
              { rigidGroups: [{ id: 'g', nodes: ['a', 'b'], kind: 'body' }] },
            ),
            true,
          ),
          'a',
          4,
        ),
    },
    benchmark('Benchmark 1 (pinned, uniform load), P = 150 kip: moment', 269, 'M, kip·in', () =>
      moment(150, false),
    ),
    benchmark('Benchmark 1, P = 300 kip: moment', 313, 'M, kip·in', () => moment(300, false)),
    benchmark('Benchmark 1, P = 450 kip: moment', 375, 'M, kip·in', () => moment(450, false)),
    benchmark('Benchmark 2 (cantilever, 1 kip across), P = 100 kip: moment', 469, 'M, kip·in', () =>
      moment(100, true),
    ),
    benchmark('Benchmark 2, P = 150 kip: moment', 598, 'M, kip·in', () => moment(150, true)),
    benchmark('Benchmark 2, P = 200 kip: moment', 848, 'M, kip·in', () => moment(200, true)),
    benchmark('Benchmark 2, P = 150 kip: sway', 1.75, 'δ, in', () => sway(150)),
    benchmark('Benchmark 2, P = 200 kip: sway', 2.56, 'δ, in', () => sway(200)),
    {
      title: 'Initial sway of a frame 9 m high with three columns in a row',
      source: 'EN 1993-1-1 5.3.2(3): (1/200)·(2/3)·√(0.5·(1 + 1/3))',
      quantity: 'φ, rad',
      expected: (1 / 200) * (2 / 3) * Math.sqrt(2 / 3),
      tolerance: 1e-12,
      compute: () => initialSway(9, 3).phi,
    },
  ],
};
