import type { FrameModel } from '../../model/types.js';
import { resultSelections } from '../../results/index.js';
import { clamp, modelOf } from '../../testing/models.js';
import { analyse, prepareEquations, prepareFrame } from '../index.js';
import { SlackFactors } from './unilateral.js';

/** A braced bay of 4 × 3 m, bars all round, two ties crossing, under a force H at its head and V on both columns. */
function bay(H: number, V: number): FrameModel {
  return modelOf(
    'plane',
    { a: [0, 0], b: [4, 0], c: [4, 3], d: [0, 3] },
    [
      { id: 'left', start: 'a', end: 'd', action: 'axial' },
      { id: 'right', start: 'b', end: 'c', action: 'axial' },
      { id: 'beam', start: 'd', end: 'c', action: 'axial' },
      { id: 'up', start: 'a', end: 'c', action: 'tension-only' },
      { id: 'down', start: 'd', end: 'b', action: 'tension-only' },
    ],
    [
      { node: 'a', ux: 'fixed', uz: 'fixed' },
      { node: 'b', ux: 'fixed', uz: 'fixed' },
    ],
    [
      { kind: 'node', node: 'd', F: [H, 0, -V] },
      { kind: 'node', node: 'c', F: [0, 0, -V] },
    ],
  );
}
const stateOf = (model: FrameModel, secondOrder = false) => {
  const frame = prepareFrame(model);
  const outcome = analyse(frame, resultSelections(model), { secondOrder });
  if (!outcome.ok) return { problems: outcome.problems };
  const state = outcome.value.states.get('L')!;
  return { slack: frame.memberIds.filter((_, m) => state.slack[m]), state, frame };
};

describe('members of one sign', () => {
  it('go slack on the side that shortens, whichever way the force acts', () => {
    expect(stateOf(bay(1e4, 0)).slack).toEqual(['down']);
    expect(stateOf(bay(-1e4, 0)).slack).toEqual(['up']);
  });

  it('both slack under weight alone: the bay is loose, and no wrong state is given', () => {
    const { problems } = stateOf(bay(0, 1e6));
    expect(problems?.[0]?.code).toBe('mechanism');
  });

  it('one comes taut when a force joins a weight that slackens both', () => {
    const { slack, state } = stateOf(bay(1e3, 1e6));
    expect(slack).toEqual(['down']);
    // 1 kN at the head, the tie rises 3 in 4
    expect(state!.axial[3]![0]).toBeCloseTo((1e3 * 5) / 4, 5);
  });

  it('stay taut where pretension outweighs what shortens them', () => {
    const model = bay(1e4, 0);
    for (const member of ['up', 'down'])
      model.loadCases![0]!.loads!.push({ kind: 'pretension', member, force: 5e4 });
    expect(stateOf(model).slack).toEqual([]);
  });

  it('are not asked for what a load case does that the combination leaves out', () => {
    const model = modelOf(
      'solid',
      { foot: [0, 0, 0], head: [0, 0, 3], ground: [4, 0, 0] },
      [
        { id: 'mast', start: 'foot', end: 'head' },
        { id: 'tie', start: 'ground', end: 'head', action: 'tension-only' },
      ],
      [clamp('foot'), clamp('ground')],
      [{ kind: 'node', node: 'head', F: [-1e3, 0, 0] }],
    );
    // A moment about the tie's own axis, which nothing holds
    model.loadCases!.push({
      id: 'T',
      loads: [{ kind: 'point', member: 'tie', at: 0.5, axes: 'local', M: [10, 0, 0] }],
    });
    model.combinations = [
      { id: 'without', state: 'strength', factors: { L: 1 } },
      { id: 'with', state: 'strength', factors: { L: 1, T: 1 } },
    ];
    const under = (id: string) =>
      analyse(
        prepareFrame(model),
        resultSelections(model).filter((one) => one.id === id),
        {},
      );
    expect(under('without').ok).toBeTrue();
    const twisted = under('with');
    expect(twisted.ok ? '' : twisted.problems[0]!.message).toContain('about its own axis');
  });

  it('act in second order too', () => {
    const { slack, state } = stateOf(bay(1e4, 1e5), true);
    expect(slack).toEqual(['down']);
    expect(state!.order).toBe(2);
  });

  it('hold nothing where all are slack: two cables under a load that lifts', () => {
    const model = modelOf(
      'plane',
      { a: [-3, 4], b: [3, 4], c: [0, 0] },
      [
        { id: '1', start: 'a', end: 'c', action: 'tension-only' },
        { id: '2', start: 'b', end: 'c', action: 'tension-only' },
      ],
      [
        { node: 'a', ux: 'fixed', uz: 'fixed' },
        { node: 'b', ux: 'fixed', uz: 'fixed' },
      ],
      [{ kind: 'node', node: 'c', F: [0, 0, 1e3] }],
    );
    expect(stateOf(model).problems?.[0]?.code).toBe('mechanism');
  });
});

describe('factorizations by which members are slack', () => {
  const prepared = prepareEquations(prepareFrame(bay(10e3, 50e3)));
  const slack = (...members: number[]) =>
    Uint8Array.from([0, 1, 2, 3, 4], (m) => (members.includes(m) ? 1 : 0));

  it('are made once for each set', () => {
    const factors = new SlackFactors(prepared);
    const none = factors.without(slack());
    expect(factors.without(slack(3))).not.toBe(none);
    expect(factors.without(slack())).toBe(none);
    expect(factors.without(slack(3))).toBe(factors.without(slack(3)));
  });

  it('are kept for the sets that were asked for last', () => {
    const factors = new SlackFactors(prepared);
    const none = factors.without(slack());
    const up = factors.without(slack(3));
    const sets = [[4], [3, 4], [0], [1], [2], [0, 3]];
    for (const set of sets) factors.without(slack(...set));
    expect(factors.without(slack())).toBe(none);
    factors.without(slack(1, 3));
    expect(factors.without(slack())).toBe(none);
    expect(factors.without(slack(3))).not.toBe(up);
  });
});
