import { bucklingModes, effectiveLengths, prepareEquations } from '../src/analysis/index.js';
import type { FrameModel, Load, Support } from '../src/model/types.js';
import { EIy, fixed, model, pinned, stateOf, steel, straight, type VerificationGroup } from './case.js';

const L = 8;
const timoshenko = 'Timoshenko and Gere, Theory of Elastic Stability';

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
