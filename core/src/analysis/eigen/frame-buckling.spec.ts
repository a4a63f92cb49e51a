import { clamp, EIy, expectClose, modelOf, solved } from '../../testing/models.js';
import { prepareEquations } from '../index.js';
import { frameBuckling } from './frame-buckling.js';

describe('buckling of the frame and of its members', () => {
  const P = 1e5;

  it('a column between held ends is a member’s own mode: π²EI/L², nodes stay', () => {
    const { frame, state } = solved(
      modelOf(
        'plane',
        { a: [0, 0], b: [0, 5] },
        [{ id: 'c', start: 'a', end: 'b' }],
        [
          { node: 'a', ux: 'fixed', uz: 'fixed' },
          { node: 'b', ux: 'fixed' },
        ],
        [{ kind: 'node', node: 'b', F: [0, 0, -P] }],
      ),
    );
    const found = frameBuckling(prepareEquations(frame), state, 1);
    expectClose(found.member!.factor, (Math.PI ** 2 * EIy) / 25 / P, 1e-4);
    expect(found.frame).toBeUndefined();
  });

  it('a free column sways beside a longer one between held ends: each is told for itself', () => {
    const { frame, state } = solved(
      modelOf(
        'plane',
        { a: [0, 0], b: [0, 5], c: [4, 0], d: [4, 10] },
        [
          { id: 'free', start: 'a', end: 'b' },
          { id: 'held', start: 'c', end: 'd' },
        ],
        [clamp('a'), { node: 'c', ux: 'fixed', uz: 'fixed' }, { node: 'd', ux: 'fixed' }],
        [
          { kind: 'node', node: 'b', F: [0, 0, -P] },
          { kind: 'node', node: 'd', F: [0, 0, -2 * P] },
        ],
      ),
    );
    const found = frameBuckling(prepareEquations(frame), state, 1);
    // The clamped one by π²EI/(2L)², the other by π²EI/L² under twice the load
    expectClose(found.frame!.factor, (Math.PI ** 2 * EIy) / 100 / P, 1e-4);
    expectClose(found.member!.factor, (Math.PI ** 2 * EIy) / 100 / (2 * P), 1e-4);
  });
});
