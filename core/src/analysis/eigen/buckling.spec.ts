import type { Load, LoadCase, Support } from '../../model/types.js';
import { clamp, EIy, EIz, expectClose, modelOf, solved } from '../../testing/models.js';
import { unwrapped } from '../../base/problem.js';
import { analyse, BucklingMemory, bucklingModes, prepareEquations, prepareFrame } from '../index.js';

const L = 5;
const P = 1e5;
const foot: Support = { node: 'a', ux: 'fixed', uy: 'fixed', uz: 'fixed', rz: 'fixed' };

/** Critical factors of a column in space under P on its head. */
function factors(supports: Support[], wanted: number, N = -P): number[] {
  const loads: Load[] = [{ kind: 'node', node: 'b', F: [0, 0, N] }];
  const { frame, state } = solved(
    modelOf('solid', { a: [0, 0, 0], b: [0, 0, L] }, [{ id: 'c', start: 'a', end: 'b' }], supports, loads),
  );
  return bucklingModes(prepareEquations(frame), state, wanted).map(({ factor }) => factor);
}
const euler = (EI: number, length: number) => (Math.PI ** 2 * EI) / length ** 2 / P;

describe('bucklingModes', () => {
  it('of a column hinged at both ends: n²π²EI/L² in both planes, in order', () => {
    const found = factors([foot, { node: 'b', ux: 'fixed', uy: 'fixed' }], 4);
    // EIz is a quarter of EIy, so that its second mode comes with the first about y
    const expected = [euler(EIz, L), euler(EIz, L / 2), euler(EIy, L), euler(EIz, L / 3)];
    found.forEach((factor, i) => expectClose(factor, expected[i]!, 1e-6));
    expect(found.length).toBe(4);
  });

  it('of a column clamped below and free above: π²EI/4L²', () => {
    const found = factors([clamp('a')], 2);
    expectClose(found[0]!, euler(EIz, 2 * L), 1e-6);
    expectClose(found[1]!, euler(EIy, 2 * L), 1e-6);
  });

  it('of a column clamped below and held above: 20.19·EI/L², Timoshenko and Gere, art. 2.1', () => {
    // tan kL = kL at kL = 4.493409457909064
    const [lowest] = factors([clamp('a'), { node: 'b', ux: 'fixed', uy: 'fixed' }], 1);
    const exact = (4.493409457909064 ** 2 * EIz) / L ** 2 / P;
    // The bar bends by polynomials inside: by Rayleigh's principle never below what is exact
    expectClose(lowest!, exact, 2e-5);
    expect(lowest!).toBeGreaterThan(exact * (1 - 1e-9));
  });

  it('goes by a mode under other loads without depending on it, be it like its own or not', () => {
    const model = modelOf(
      'solid',
      { a: [0, 0, 0], b: [0, 0, L] },
      [{ id: 'c', start: 'a', end: 'b' }],
      [clamp('a')],
      [{ kind: 'node', node: 'b', F: [0, 0, -P] }],
    );
    const { frame, state } = solved(model);
    const prepared = prepareEquations(frame);
    const modes = bucklingModes(prepared, state, 2);
    // The second leans about the other axis: its own factor lies above the lowest
    const local = { ...modes[0]!, shape: new Float64Array(modes[0]!.shape.length) };
    for (const knownMode of [...modes, local]) {
      const [lowest] = bucklingModes(prepared, state, 1, { knownMode });
      expectClose(lowest!.factor, euler(EIz, 2 * L), 1e-6);
    }
  });

  // Two columns that lean on one another by a bar, under loads in turn: the factor goes by the sum of the loads
  it('finds the same in memory that searches under other loads have left', () => {
    const model = modelOf(
      'solid',
      { a: [0, 0, 0], b: [0, 0, L], c: [2, 0, 0], d: [2, 0, L] },
      [
        { id: 'ab', start: 'a', end: 'b' },
        { id: 'cd', start: 'c', end: 'd' },
        { id: 'bar', start: 'b', end: 'd', action: 'axial' },
      ],
      [clamp('a'), clamp('c')],
      [],
    );
    const cases = [1, 3, 0, 2].map((share, i): LoadCase => ({
      id: `L${i}`,
      loads: [
        { kind: 'node', node: 'b', F: [0, 0, -share * P] },
        { kind: 'node', node: 'd', F: [0, 0, -0.5 * P] },
      ],
    }));
    const frame = prepareFrame({ ...model, loadCases: cases });
    const selections = cases.map(({ id }, i) => ({
      id,
      kind: 'case' as const,
      factors: Float64Array.from(cases, (_, k) => (k === i ? 1 : 0)),
    }));
    const { prepared, states } = unwrapped(analyse(frame, selections));
    const memory = new BucklingMemory();
    for (const wanted of [1, 3])
      for (const { id } of cases) {
        const state = states.get(id)!;
        const alone = bucklingModes(prepared, state, wanted);
        const inTurn = bucklingModes(prepared, state, wanted, { memory });
        expect(inTurn).toEqual(alone);
      }
    const [lowest] = bucklingModes(prepared, states.get('L2')!, 1, { memory });
    // One column alone: the other leans on it with half the stiffness of both about y
    expectClose(lowest!.factor * 0.5, euler(EIz, 2 * L), 1e-6);
  });

  it('of alike columns in a plane, one of them turned: each bends about its own axis', () => {
    const model = modelOf(
      'plane',
      { a: [0, 0], b: [0, L], c: [2, 0], d: [2, L] },
      [
        { id: 'strong', start: 'a', end: 'b' },
        { id: 'weak', start: 'c', end: 'd', roll: Math.PI / 2 },
      ],
      [clamp('a'), clamp('c')],
      ['b', 'd'].map((node): Load => ({ kind: 'node', node, F: [0, 0, -P] })),
    );
    const { frame, state } = solved(model);
    const found = bucklingModes(prepareEquations(frame), state, 2).map(({ factor }) => factor);
    expectClose(found[0]!, euler(EIz, 2 * L), 1e-6);
    expectClose(found[1]!, euler(EIy, 2 * L), 1e-6);
  });

  it('of a rod in tension there are none', () => {
    expect(factors([clamp('a')], 3, P)).toEqual([]);
  });
});

describe('a section with a product of inertia in a plane frame', () => {
  it('buckles by π²·E·Iy/L² in however many pieces: a plane frame stays in its plane', () => {
    for (const count of [1, 2, 4]) {
      const points = Object.fromEntries(
        Array.from({ length: count + 1 }, (_, i) => [`n${i}`, [0, (L * i) / count]]),
      );
      const members = Array.from({ length: count }, (_, i) => ({
        id: `m${i}`,
        start: `n${i}`,
        end: `n${i + 1}`,
      }));
      const model = modelOf(
        'plane',
        points,
        members,
        [
          { node: 'n0', ux: 'fixed', uz: 'fixed' },
          { node: `n${count}`, ux: 'fixed' },
        ],
        [{ kind: 'node', node: `n${count}`, F: [0, 0, -P] }],
      );
      const properties = { A: 0.01, Iy: 2e-4, Iz: 2e-4, Iyz: -1.2e-4, J: 2e-5 };
      model.sections = [{ ...model.sections[0]!, properties }];
      const { frame, state } = solved(model);
      const [lowest] = bucklingModes(prepareEquations(frame), state, 1);
      expectClose(lowest!.factor, euler(EIy, L), 1e-4);
    }
  });
});
