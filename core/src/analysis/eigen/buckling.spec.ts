import type { Load, Support } from '../../model/types.js';
import { clamp, EIy, EIz, expectClose, modelOf, solved } from '../../testing/models.js';
import { bucklingModes, prepareEquations } from '../index.js';

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

  it('of a rod in tension there are none', () => {
    expect(factors([clamp('a')], 3, P)).toEqual([]);
  });
});
