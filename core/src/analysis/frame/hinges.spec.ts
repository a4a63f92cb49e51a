import { forceAt } from '../../results/index.js';
import { clamp, EIy, EIz, expectClose, GJ, modelOf, solved } from '../../testing/models.js';
import type { Hinges, Vector } from '../../model/types.js';

/** A 4 m member clamped at both ends in space, with hinges at its end, whose far support moves. */
function moved(end: Hinges, by: { uy?: number; uz?: number; rx?: number }) {
  const model = modelOf(
    'solid',
    { a: [0, 0, 0], b: [4, 0, 0] },
    [{ id: 'm', start: 'a', end: 'b', hinges: { end } }],
    [clamp('a'), clamp('b')],
    [{ kind: 'settlement', node: 'b', ...by }],
  );
  const { state } = solved(model);
  const field = state.field(0);
  return (name: Parameters<typeof forceAt>[1], x: number) => forceAt(field, name, x);
}

describe('hinges in space (slope-deflection)', () => {
  it('without any: 12EIδ/L³ in both planes', () => {
    expectClose(moved({}, { uz: -0.01 })('Vz', 1), (12 * EIy * 0.01) / 64);
    expectClose(moved({}, { uy: 0.01 })('Vy', 1), (-12 * EIz * 0.01) / 64);
  });

  it('a free end leaves 3EIδ/L³ in its plane and 12EIδ/L³ in the other', () => {
    const bend = { uz: -0.01, uy: 0.01 };
    const force = moved({ My: 'free' }, bend);
    expectClose(force('Vz', 1), (3 * EIy * 0.01) / 64);
    expectClose(force('Vy', 1), (-12 * EIz * 0.01) / 64);
    expect(Math.abs(force('My', 4))).toBeLessThan(1e-6);
  });

  it('a spring lies between: M = θ/(1/k + L/4EI) with θ = 3δ/2L of the free end', () => {
    // The clamped beam's free end turns by 3δ/2L; the spring's moment turns it back by M·L/4EI
    const k = 4e6;
    const theta = (1.5 * 0.01) / 4;
    const M = theta / (1 / k + 4 / (4 * EIz));
    expectClose(Math.abs(moved({ Mz: k }, { uy: 0.01 })('Mz', 4)), M);
  });

  it('a torsional spring is in series with the shaft: φ/(L/GJ + 1/k)', () => {
    const k = 5e5;
    expectClose(moved({ T: k }, { rx: 0.02 })('T', 2), 0.02 / (4 / GJ + 1 / k));
    expect(Math.abs(moved({ T: 'free' }, { rx: 0.02 })('T', 2))).toBeLessThan(1e-6);
  });

  it('an axial spring is in series with the bar: δ/(L/EA + 1/k)', () => {
    const model = modelOf(
      'plane',
      { a: [0, 0], b: [4, 0] },
      [{ id: 'm', start: 'a', end: 'b', hinges: { start: { N: 2e8 } } }],
      [
        { node: 'a', ux: 'fixed', uz: 'fixed', ry: 'fixed' },
        { node: 'b', ux: 'fixed', uz: 'fixed', ry: 'fixed' },
      ],
      [{ kind: 'settlement', node: 'b', ux: 0.001 }],
    );
    const { state } = solved(model);
    expectClose(forceAt(state.field(0), 'N', 1), 0.001 / (4 / 1e9 + 1 / 2e8));
  });

  it('a hinge carries a load beside it: wL²/8 at the clamp, the jump of slope at the hinge', () => {
    const w = 3e3;
    const load: Vector = [0, 0, 0];
    const model = modelOf(
      'solid',
      { a: [0, 0, 0], b: [4, 0, 0] },
      [{ id: 'm', start: 'a', end: 'b', hinges: { end: { My: 'free' } } }],
      [clamp('a'), clamp('b')],
      [
        { kind: 'distributed', member: 'm', direction: 'z', q: [-w, -w] },
        { kind: 'point', member: 'm', at: 0.5, F: load },
      ],
    );
    const { state } = solved(model);
    const field = state.field(0);
    expectClose(forceAt(field, 'My', 0), (-w * 16) / 8);
    expectClose(forceAt(field, 'Vz', 0), (5 * w * 4) / 8);
  });
});
