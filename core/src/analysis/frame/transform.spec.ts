import type { Member } from '../../model/types.js';
import { generator } from '../../testing/random.js';
import { clamp, modelOf } from '../../testing/models.js';
import { prepareFrame } from './frame.js';
import { addToNodes, globalDiagonal, memberEndMoves, toGlobalMatrix } from './transform.js';

const next = generator(3);
const numbers = (count: number) => Float64Array.from({ length: count }, () => 2 * next() - 1);
const dot = (a: ArrayLike<number>, b: ArrayLike<number>) =>
  Array.from(a).reduce((sum, value, i) => sum + value * b[i]!, 0);

/** One member, slanting and rolled. */
const memberWith = (offsets?: Member['offsets']) =>
  prepareFrame(
    modelOf(
      'solid',
      { a: [0, 0, 0], b: [3, 2, 4] },
      [{ id: 'm', start: 'a', end: 'b', roll: 0.7, ...(offsets && { offsets }) }],
      [clamp('a')],
      [],
    ),
  );

/** The same with rigid arms at both ends. */
const frame = memberWith({ start: [0.1, -0.2, 0.3], end: [-0.4, 0.1, 0.2] });

function symmetricMatrix(): Float64Array {
  const K = new Float64Array(144);
  for (let i = 0; i < 12; i++) for (let j = 0; j <= i; j++) K[12 * i + j] = K[12 * j + i] = 2 * next() - 1;
  return K;
}

describe('from nodes to member ends and back', () => {
  it('turns without stretching: a shift of both nodes is one of both ends, as long', () => {
    const u = Float64Array.of(1, 2, -3, 0, 0, 0, 1, 2, -3, 0, 0, 0);
    const ends = memberEndMoves(frame, 0, u);
    expect(Math.hypot(ends[0]!, ends[1]!, ends[2]!)).toBeCloseTo(Math.hypot(1, 2, 3), 12);
    for (let i = 0; i < 6; i++) expect(ends[6 + i]).toBeCloseTo(ends[i]!, 12);
  });

  it('carries a turn of a node over its arm: the end moves by ω × arm', () => {
    const turn = [0.3, -0.1, 0.2];
    const ends = memberEndMoves(frame, 0, Float64Array.of(0, 0, 0, ...turn, 0, 0, 0, 0, 0, 0));
    const [x, y, z] = [0.1, -0.2, 0.3];
    const moved = [turn[1]! * z - turn[2]! * y, turn[2]! * x - turn[0]! * z, turn[0]! * y - turn[1]! * x];
    for (let i = 0; i < 3; i++)
      expect(ends[i]).toBeCloseTo(dot(frame.axes.subarray(3 * i, 3 * i + 3), moved), 12);
  });

  it('takes forces back so that they do the same work', () => {
    const [u, p] = [numbers(12), numbers(12)];
    const nodal = new Float64Array(12);
    addToNodes(frame, 0, p, 2, nodal);
    expect(dot(nodal, u)).toBeCloseTo(2 * dot(p, memberEndMoves(frame, 0, u)), 12);
  });

  it('takes a stiffness back so that its forces are those of the ends', () => {
    const K = symmetricMatrix();
    const global = new Float64Array(144);
    toGlobalMatrix(frame, 0, K, global);
    const u = numbers(12);
    const ends = memberEndMoves(frame, 0, u);
    const forces = Float64Array.from({ length: 12 }, (_, i) => dot(K.subarray(12 * i, 12 * i + 12), ends));
    const wanted = new Float64Array(12);
    addToNodes(frame, 0, forces, 1, wanted);
    for (let i = 0; i < 12; i++)
      expect(dot(global.subarray(12 * i, 12 * i + 12), u)).toBeCloseTo(wanted[i]!, 10);
  });

  it('gives the diagonal of that stiffness by itself, with arms and without', () => {
    for (const one of [frame, memberWith()]) {
      const K = symmetricMatrix();
      const global = new Float64Array(144);
      toGlobalMatrix(one, 0, K, global);
      const diagonal = new Float64Array(12);
      globalDiagonal(one, 0, K, 0, diagonal);
      for (let i = 0; i < 12; i++) expect(diagonal[i]).toBeCloseTo(global[13 * i]!, 12);
    }
  });
});
