import type { FrameModel } from '../../model/types.js';
import { forceExtremes, resultSelections } from '../../results/index.js';
import { EIy, expectClose, modelOf } from '../../testing/models.js';
import { analyse, equivalentForces, initialBow, initialSway, prepareFrame } from '../index.js';

const L = 6;
const P = 1e6;
/** A column from a to b under P. */
function column(held: boolean): FrameModel {
  const model = modelOf(
    'plane',
    { a: [0, 0], b: [0, L] },
    [{ id: 'm', start: 'a', end: 'b' }],
    held
      ? [
          { node: 'a', ux: 'fixed', uz: 'fixed' },
          { node: 'b', ux: 'fixed' },
        ]
      : [{ node: 'a', ux: 'fixed', uz: 'fixed', ry: 'fixed' }],
    [{ kind: 'node', node: 'b', F: [0, 0, -P] }],
  );
  model.combinations = [{ id: 'U', state: 'strength', factors: { L: 1 } }];
  return model;
}
function analysed(model: FrameModel, secondOrder = false) {
  const frame = prepareFrame(model);
  const outcome = analyse(frame, resultSelections(model), { secondOrder });
  if (!outcome.ok) throw new Error(outcome.problems[0]!.message);
  return outcome.value;
}

describe('imperfections (EN 1993-1-1 5.3.2)', () => {
  it('sway: φ0·αh·αm with αh between 2/3 and 1', () => {
    expectClose(initialSway(3, 1).phi, 1 / 200);
    expectClose(initialSway(5, 1).alphaH, 2 / Math.sqrt(5));
    expectClose(initialSway(25, 4).alphaH, 2 / 3);
    expectClose(initialSway(25, 4).alphaM, Math.sqrt(0.625));
  });

  it('sway brings φ·N at the head and against it at the foot', () => {
    const { prepared, states } = analysed(column(false));
    const loads = equivalentForces(prepared, states.get('U')!, { direction: [1, 0], sway: () => 0.004 });
    const across = loads.map((load) => (load.kind === 'node' ? [load.node, load.F![0]] : []));
    expect(across).toEqual([
      ['b', 0.004 * P],
      ['a', -0.004 * P],
    ]);
  });

  it('a bow in second order has the moment of a parabolic strut: q/k²·(sec(kL/2) − 1), q = 8Pe0/L²', () => {
    // Timoshenko and Gere, Theory of Elastic Stability, 1.3
    const model = column(true);
    const first = analysed(model);
    const e0 = initialBow['b']!.elastic;
    expect(e0).toBe(1 / 250);
    const loads = equivalentForces(first.prepared, first.states.get('U')!, {
      direction: [1, 0],
      sway: () => 0,
      bows: [{ members: [{ member: 0, reversed: false }], ratio: e0 }],
    });
    const bowed: FrameModel = {
      ...model,
      loadCases: [...model.loadCases!, { id: 'bow', loads }],
      combinations: [{ id: 'U', state: 'strength', factors: { L: 1, bow: 1 } }],
    };
    const { prepared, states } = analysed(bowed, true);
    const state = states.get('U')!;
    const { min, max } = forceExtremes(state.field(0), 'My');
    const k = Math.sqrt(P / EIy);
    const q = (8 * P * e0 * L) / L ** 2;
    expectClose(Math.max(-min.value, max.value), (q / k ** 2) * (1 / Math.cos((k * L) / 2) - 1), 1e-8);
    // The equivalent forces balance: supports bring nothing across
    const across = prepared.frame.nodeIds.map((_, n) => Math.abs(state.reactions[6 * n]!));
    expect(Math.max(...across)).toBeLessThan(1e-6 * P);
  });

  it('tension has none', () => {
    const pulled = column(false);
    (pulled.loadCases![0]!.loads![0] as { F: number[] }).F = [0, 0, P];
    const { prepared, states } = analysed(pulled);
    expect(equivalentForces(prepared, states.get('U')!, { direction: [1, 0], sway: () => 0.004 })).toEqual(
      [],
    );
  });
});
