import type { Load } from '../../model/types.js';
import { clamp, EIy, expectClose, modelOf, one } from '../../testing/models.js';
import { analyse, prepareFrame } from '../index.js';

const L = 4;
const H = 5e3;
const euler = (Math.PI ** 2 * EIy) / (4 * L * L);

/** A column clamped at its foot, in the plane, in second order. */
function column(loads: Load[]) {
  const frame = prepareFrame(
    modelOf(
      'plane',
      { foot: [0, 0], top: [0, L] },
      [{ id: 'c', start: 'foot', end: 'top' }],
      [clamp('foot')],
      loads,
    ),
  );
  const outcome = analyse(frame, [{ id: 'L', kind: 'case', factors: one }], { secondOrder: true });
  if (!outcome.ok) return { problems: outcome.problems };
  const state = outcome.value.states.get('L')!;
  return { state, sway: state.displacements[6 * frame.nodeIndex.get('top')!]! };
}
const head = (N: number): Load => ({ kind: 'node', node: 'top', F: [H, 0, N] });

describe('solveSecondOrder', () => {
  it('sways a cantilever by H/(P·k)·(tan kL − kL), Timoshenko and Gere, Theory of Elastic Stability, art. 1.3', () => {
    for (const share of [0.1, 0.5, 0.9]) {
      const P = share * euler;
      const k = Math.sqrt(P / EIy);
      expectClose(column([head(-P)]).sway!, (H / (P * k)) * (Math.tan(k * L) - k * L), 1e-7);
    }
  });

  it('is stiffer in tension: H/(T·k)·(kL − tanh kL)', () => {
    const T = 2 * euler;
    const k = Math.sqrt(T / EIy);
    expectClose(column([head(T)]).sway!, (H / (T * k)) * (k * L - Math.tanh(k * L)), 1e-7);
  });

  it('leaves nothing out of balance', () => {
    expect(column([head(-0.7 * euler)]).state!.residual).toBeLessThan(1e-9);
  });

  it('says that a load past the critical one is past it', () => {
    const { problems } = column([head(-1.05 * euler)]);
    expect(problems!.map(({ code }) => code)).toEqual(['diverged']);
    expect(problems![0]!.message).toContain('past its critical load');
  });
});
