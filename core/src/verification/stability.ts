import { bucklingModes, effectiveLengths, initialSway, prepareEquations } from '../analysis/index.js';
import type { FrameModel, Load, Support } from '../model/types.js';
import { forceAt, forceExtremes } from '../results/index.js';
import {
  displacement,
  EIy,
  fixed,
  model,
  pinned,
  roller,
  stateOf,
  steel,
  straight,
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

function factors(given: FrameModel, wanted: number, lengthOf = false): number[] {
  const { frame, state } = stateOf(given);
  const prepared = prepareEquations(frame);
  const modes = bucklingModes(prepared, state, wanted);
  if (!lengthOf) return modes.map(({ factor }) => factor);
  return effectiveLengths(prepared, state, modes).map((length) => length?.y ?? 0);
}

const column = (supports: Support[], count = 1, loads?: Load[]): FrameModel => {
  const { points, members } = straight(L, count, true);
  return model(points, members, supports, loads ?? [{ kind: 'node', node: `n${count}`, F: [0, 0, -1] }]);
};
const Pe = (Math.PI ** 2 * EIy) / L ** 2;
const topHeld: Support = { node: 'n1', ux: 'fixed' };
const topClamped: Support = { node: 'n1', ux: 'fixed', ry: 'fixed' };

/** Square portal of height and span 5, columns equally loaded, members that do not stretch. */
const frameOf = (supports: Support[]): FrameModel =>
  model(
    { a: [0, 0], b: [0, 5], c: [5, 5], d: [5, 0] },
    [
      { id: 'l', start: 'a', end: 'b' },
      { id: 'b', start: 'b', end: 'c' },
      { id: 'r', start: 'd', end: 'c' },
    ],
    supports,
    [
      { kind: 'node', node: 'b', F: [0, 0, -1] },
      { kind: 'node', node: 'c', F: [0, 0, -1] },
    ],
    { sections: [{ id: 's', material: 'steel', properties: { A: 1e4, Iy: 2e-4, Iz: 2e-4, J: 2e-5 } }] },
  );
/** Root of f between a and b by bisection: for characteristic equations. */
function root(f: (x: number) => number, a: number, b: number): number {
  let [low, high] = [a, b];
  for (let i = 0; i < 200; i++) {
    const middle = (low + high) / 2;
    if (f(low) * f(middle) <= 0) high = middle;
    else low = middle;
  }
  return (low + high) / 2;
}
const GAv = steel.G * 3e-3;

export const buckling: VerificationGroup = {
  title: 'Buckling, one element a member unless said',
  cases: [
    {
      title: 'Pinned column',
      source: 'Euler: π²EI/L²',
      quantity: 'Pcr, N',
      expected: Pe,
      tolerance: 1e-5,
      compute: () => factors(column([pinned('n0'), topHeld]), 1)[0]!,
    },
    {
      title: 'Pinned column, second factor (two half waves within the element)',
      source: 'Euler: 4π²EI/L²',
      quantity: 'Pcr, N',
      expected: 4 * Pe,
      tolerance: 1e-3,
      compute: () => factors(column([pinned('n0'), topHeld]), 2)[1]!,
    },
    {
      title: 'Cantilever column',
      source: 'Euler: π²EI/4L²',
      quantity: 'Pcr, N',
      expected: Pe / 4,
      tolerance: 1e-6,
      compute: () => factors(column([fixed('n0')]), 1)[0]!,
    },
    {
      title: 'Fixed and pinned column',
      source: `${timoshenko}, 2.1: tan kL = kL`,
      quantity: 'Pcr, N',
      expected: EIy * (root((x) => Math.sin(x) - x * Math.cos(x), 4, 5) / L) ** 2,
      tolerance: 1e-4,
      compute: () => factors(column([fixed('n0'), topHeld]), 1)[0]!,
    },
    {
      title: 'Column fixed at both ends: it buckles between its nodes, which stand still',
      source: 'Euler: 4π²EI/L²',
      quantity: 'Pcr, N',
      expected: 4 * Pe,
      tolerance: 1e-3,
      compute: () => factors(column([fixed('n0'), topClamped]), 1)[0]!,
    },
    {
      title: 'Column under its own weight',
      source: `${timoshenko}, 2.12: qL = 7.837·EI/L²`,
      quantity: 'qL·L²/EI',
      expected: 7.8373474,
      tolerance: 1e-6,
      compute: () =>
        (factors(
          column([fixed('n0')], 1, [{ kind: 'distributed', member: 'm1', direction: 'z', q: [-1, -1] }]),
          1,
        )[0]! *
          L ** 3) /
        EIy,
    },
    {
      title: 'Pinned column that is soft in shear',
      source: `${timoshenko}, 2.17 (Engesser): Pe/(1 + Pe/GAv)`,
      quantity: 'Pcr, N',
      expected: Pe / (1 + Pe / GAv),
      tolerance: 1e-5,
      compute: () => {
        const soft = column([pinned('n0'), topHeld]);
        soft.sections = [
          {
            id: 's',
            material: 'steel',
            properties: { A: 0.01, Iy: 2e-4, Iz: 5e-5, J: 2e-5, Avy: 4e-3, Avz: 3e-3 },
          },
        ];
        return factors(soft, 1)[0]!;
      },
    },
    {
      title: 'Pinned column held in the middle (two members)',
      source: 'Euler: 4π²EI/L²',
      quantity: 'Pcr, N',
      expected: 4 * Pe,
      tolerance: 1e-5,
      compute: () =>
        factors(column([pinned('n0'), { node: 'n1', ux: 'fixed' }, { node: 'n2', ux: 'fixed' }], 2), 1)[0]!,
    },
    {
      title: 'Column with a spring across its head, pinned foot: rigid-body buckling',
      source: 'Statics: kL (a soft spring)',
      quantity: 'Pcr, N',
      expected: 1e4 * L,
      tolerance: 1e-6,
      compute: () => factors(column([pinned('n0'), { node: 'n1', ux: 1e4 }]), 1)[0]!,
    },
    {
      title: 'Square portal on pins, sway',
      source: `${timoshenko}, 2.4: kh·tan kh = 6·(Ib/L)/(Ic/h)`,
      quantity: 'P, N',
      expected: EIy * (root((x) => x * Math.sin(x) - 6 * Math.cos(x), 1, 1.5) / 5) ** 2,
      tolerance: 1e-5,
      compute: () => factors(frameOf([pinned('a'), pinned('d')]), 1)[0]!,
    },
    {
      title: 'Square portal with fixed bases, sway',
      source: `${timoshenko}, 2.4: kh·cot kh = −6·(Ib/L)/(Ic/h)`,
      quantity: 'P, N',
      expected: EIy * (root((x) => x * Math.cos(x) + 6 * Math.sin(x), 2, 3) / 5) ** 2,
      tolerance: 1e-4,
      compute: () => factors(frameOf([fixed('a'), fixed('d')]), 1)[0]!,
    },
    {
      title: 'Buckling length of a cantilever column',
      source: '2L',
      quantity: 'Lcr, m',
      expected: 2 * L,
      tolerance: 1e-6,
      compute: () => factors(column([fixed('n0')]), 1, true)[0]!,
    },
    {
      title: 'Buckling length of the portal’s column on pins',
      source: 'πh/(kh) of the equation above',
      quantity: 'Lcr, m',
      expected: (Math.PI * 5) / root((x) => x * Math.sin(x) - 6 * Math.cos(x), 1, 1.5),
      tolerance: 1e-5,
      compute: () => factors(frameOf([pinned('a'), pinned('d')]), 1, true)[0]!,
    },
    {
      title: 'Rigid mast on a rotation spring',
      source: 'Statics: k/h',
      quantity: 'Pcr, N',
      expected: 5e6 / 3,
      tolerance: 1e-9,
      compute: () =>
        factors(
          model(
            { a: [0, 0], b: [0, 3], c: [5, 0], d: [5, 1] },
            [{ id: 'm', start: 'c', end: 'd' }],
            [{ node: 'a', ux: 'fixed', uz: 'fixed', ry: 5e6 }, fixed('c')],
            [
              { kind: 'node', node: 'b', F: [0, 0, -1] },
              { kind: 'node', node: 'd', F: [0, 0, -1e-3] },
            ],
            { rigidGroups: [{ id: 'g', nodes: ['a', 'b'], kind: 'body' }] },
          ),
          1,
        )[0]!,
    },
  ],
};
