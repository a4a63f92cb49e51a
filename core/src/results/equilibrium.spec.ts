import { analyse, prepareFrame } from '../analysis/index.js';
import type { FrameModel, Load } from '../model/types.js';
import { unwrapped } from '../base/problem.js';
import { clamp, modelOf, one, solved } from '../testing/models.js';
import { appliedResultants, pointOn, stateEquilibrium } from './equilibrium.js';

/** A mast of 4 m with an arm of 3 m that rises by 4 m from its top, so that the arm is 5 m long. */
function mast(...loads: Load[]): FrameModel {
  return modelOf(
    'solid',
    { foot: [1, 2, 0], top: [1, 2, 4], tip: [4, 2, 8] },
    [
      { id: 'post', start: 'foot', end: 'top' },
      { id: 'arm', start: 'top', end: 'tip' },
    ],
    [clamp('foot')],
    loads,
  );
}
const resultant = (...loads: Load[]) => [...appliedResultants(prepareFrame(mast(...loads)))[0]!];
/** Force and its moment about the origin, r × F. */
const about = ([x, y, z]: readonly number[], [X, Y, Z]: readonly number[], M = [0, 0, 0]) => [
  X!,
  Y!,
  Z!,
  M[0]! + y! * Z! - z! * Y!,
  M[1]! + z! * X! - x! * Z!,
  M[2]! + x! * Y! - y! * X!,
];
function expectClose(found: readonly number[], wanted: readonly number[]): void {
  wanted.forEach((value, i) => expect(found[i]).toBeCloseTo(value, 6));
}

describe('resultants of loads about the origin', () => {
  it('of a force and a moment at a node', () => {
    expectClose(
      resultant({ kind: 'node', node: 'tip', F: [10, -20, 30], M: [1, 2, 3] }),
      about([4, 2, 8], [10, -20, 30], [1, 2, 3]),
    );
  });

  it('of a force on a member, in global or in its own axes', () => {
    const place = [1 + 0.4 * 3, 2, 4 + 0.4 * 4];
    expectClose(
      resultant({ kind: 'point', member: 'arm', at: 0.4, F: [0, 0, -100] }),
      about(place, [0, 0, -100]),
    );
    // Along the arm: (3, 0, 4)/5
    expectClose(
      resultant({ kind: 'point', member: 'arm', at: 0.4, axes: 'local', F: [100, 0, 0] }),
      about(place, [60, 0, 80]),
    );
  });

  it('of a line load over a part of a member, greater at one end: in the centre of its trapezium', () => {
    const [q0, q1, from, to] = [100, 400, 0.2, 0.8];
    const length = (to - from) * 5;
    const total = ((q0 + q1) / 2) * length;
    // From the smaller end: L/3·(q0 + 2·q1)/(q0 + q1)
    const centre = from + ((length / 3) * (q0 + 2 * q1)) / (q0 + q1) / 5;
    expectClose(
      resultant({ kind: 'distributed', member: 'arm', direction: 'z', q: [-q0, -q1], from, to }),
      about([1 + centre * 3, 2, 4 + centre * 4], [0, 0, -total]),
    );
  });

  it('of a load per metre on plan: by the 3 m that the arm covers, not by its 5 m', () => {
    expectClose(
      resultant({ kind: 'distributed', member: 'arm', direction: 'z', q: [-100, -100], per: 'projected' }),
      about([2.5, 2, 6], [0, 0, -300]),
    );
  });

  it('of own weight: ρ·A·g of all that is long', () => {
    const model = mast();
    model.loadCases![0]!.selfWeight = 1;
    const [weight] = appliedResultants(prepareFrame(model));
    // A 0.01 m², ρ 8000 kg/m³, 9 m in all
    expect(weight![2]).toBeCloseTo(-8000 * 0.01 * 9.80665 * 9, 6);
  });
});

describe('the balance of a state', () => {
  const loads: Load[] = [
    { kind: 'node', node: 'tip', F: [200, -100, -3000] },
    { kind: 'distributed', member: 'post', direction: 'x', q: [50, 150] },
  ];

  it('has reactions that undo the loads, about the structure as it was', () => {
    const { frame, state } = solved(mast(...loads));
    const { applied, reactions, residual } = stateEquilibrium(frame, state, one);
    applied.forEach((value, i) => expect(reactions[i]! + value).toBeCloseTo(0, 5));
    expect(residual).toBeLessThan(1e-9);
  });

  it('in second order has the load where the displaced column carries it: H·L + P·u at its foot', () => {
    const [H, P] = [200, 1e5];
    const column = modelOf(
      'solid',
      { foot: [0, 0, 0], top: [0, 0, 4] },
      [{ id: 'post', start: 'foot', end: 'top' }],
      [clamp('foot')],
      [{ kind: 'node', node: 'top', F: [H, 0, -P] }],
    );
    const frame = prepareFrame(column);
    const selection = { id: 'L', kind: 'case', factors: one } as const;
    const { states } = unwrapped(analyse(frame, [selection], { secondOrder: true }));
    const state = states.get('L')!;
    const { applied, reactions } = stateEquilibrium(frame, state, one);
    const u = state.displacements[6]!;
    // To 0.5 N·m: the theory leaves H times the shortening of the column out, 0.08 N·m
    expect(P * u).toBeGreaterThan(20);
    expect(applied[4]).toBeCloseTo(H * 4 + P * u, 0);
    expect(reactions[4]).toBeCloseTo(-(H * 4 + P * u), 0);
  });
});

describe('a point on a member', () => {
  it('lies as far from its start as was asked, behind its arm', () => {
    const model = mast();
    model.members[1]!.offsets = { start: [0, 0.5, 0], end: [0, 0.5, 0] };
    const p = pointOn(prepareFrame(model), 1, 2.5);
    expectClose(p, [2.5, 2.5, 6]);
  });
});
