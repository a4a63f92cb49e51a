import type { FrameModel, RigidGroup, Support } from '../../model/types.js';
import { resultSelections, stateEquilibrium } from '../../results/index.js';
import { clamp, EIy, expectClose, modelOf } from '../../testing/models.js';
import { analyse, prepareFrame } from '../index.js';

const run = (model: FrameModel) => {
  const frame = prepareFrame(model);
  const outcome = analyse(frame, resultSelections(model));
  if (!outcome.ok) return { problems: outcome.problems };
  const state = outcome.value.states.get('L')!;
  const at = (values: Float64Array) => (node: string, k: number) =>
    values[6 * frame.nodeIndex.get(node)! + k]!;
  return {
    u: at(state.displacements),
    reaction: at(state.reactions),
    notes: outcome.value.notes,
    balance: stateEquilibrium(frame, state, Float64Array.of(1)).residual,
  };
};

/** A cantilever of 4 m with points beyond its end, tied by groups; 1 kN down at the last one. */
function extended(
  groups: RigidGroup[],
  last: string,
  F: [number, number, number] = [0, 0, -1e3],
): FrameModel {
  return {
    ...modelOf(
      'solid',
      { a: [0, 0, 0], b: [4, 0, 0], c: [5, 0, 0], d: [6, 0, 0], e: [6, 2, 1] },
      [{ id: 'm', start: 'a', end: 'b' }],
      [clamp('a')],
      [{ kind: 'node', node: last, F }],
    ),
    rigidGroups: groups,
  };
}
/** P at c beyond the tip of a cantilever L: PL³/3EI + PcL²/EI + Pc²L/EI. */
const beyond = (c: number) => (-1e3 * (4 ** 3 / 3 + c * 16 + c * c * 4)) / EIy;

describe('rigid groups', () => {
  it('that share a node act as one body', () => {
    const chain: RigidGroup[] = [
      { id: '1', nodes: ['b', 'c'], kind: 'body' },
      { id: '2', nodes: ['c', 'd'], kind: 'body' },
    ];
    const { u, balance } = run(extended(chain, 'd'));
    expectClose(u!('d', 2), beyond(2));
    expectClose(u!('c', 4), u!('b', 4));
    expect(balance).toBeLessThan(1e-12);
  });

  it('that close a ring, every tie but one of it said twice, are as good as one', () => {
    const ring: RigidGroup[] = [
      { id: '1', nodes: ['b', 'c', 'd'], kind: 'body' },
      { id: '2', nodes: ['c', 'd', 'e'], kind: 'body' },
      { id: '3', nodes: ['e', 'b'], kind: 'body' },
    ];
    const one: RigidGroup[] = [{ id: 'all', nodes: ['b', 'c', 'd', 'e'], kind: 'body' }];
    const [a, b] = [run(extended(ring, 'e')), run(extended(one, 'e'))];
    for (const node of ['b', 'c', 'd', 'e'])
      for (let k = 0; k < 6; k++) expect(Math.abs(a.u!(node, k) - b.u!(node, k))).toBeLessThan(1e-12);
  });

  it('of a plane leave what is square to it free', () => {
    // The floor carries the force across to b; along its normal each node is alone, and c has nothing else
    const floor: RigidGroup[] = [{ id: 'f', nodes: ['b', 'c'], kind: 'plane', normal: [0, 0, 1] }];
    const sideways = extended(floor, 'c', [0, 1e3, 0]);
    sideways.supports!.push({ node: 'c', uz: 'fixed' });
    const { u } = run(sideways);
    // Force and moment about the vertical at the tip: EIz = EIy/4
    expectClose(u!('c', 1), -4 * beyond(1));
    expect(run(extended(floor, 'c')).problems?.[0]?.code).toBe('mechanism');
  });

  it('in two planes at a right angle share a node', () => {
    const planes: RigidGroup[] = [
      { id: 'floor', nodes: ['b', 'c'], kind: 'plane', normal: [0, 0, 1] },
      { id: 'wall', nodes: ['b', 'c'], kind: 'plane', normal: [0, 1, 0] },
    ];
    const { u } = run(extended(planes, 'c'));
    expectClose(u!('c', 2), beyond(1));
  });

  it('carry supports and settlements of their nodes', () => {
    const held = extended([{ id: 'g', nodes: ['b', 'c', 'd'], kind: 'body' }], 'b', [0, 0, 0]);
    held.supports!.push({ node: 'd', uz: 'fixed' });
    held.loadCases![0]!.loads!.push({ kind: 'settlement', node: 'd', uz: -0.01 });
    const { u, reaction, balance } = run(held);
    expectClose(u!('d', 2), -0.01);
    // A force at d that moves d by 0.01
    expectClose(reaction!('d', 2), (1e3 * 0.01) / beyond(2));
    expect(balance).toBeLessThan(1e-10);
  });

  it('carry a support that stands at an angle', () => {
    const held = extended([{ id: 'g', nodes: ['b', 'd'], kind: 'body' }], 'd', [1e3, 0, -2e3]);
    held.supports!.push({ node: 'd', axes: { x: [1, 0, 1], y: [0, 1, 0] }, uz: 'fixed' });
    const { u, reaction, balance } = run(held);
    // The held direction is z = x × y = (−1, 0, 1)/√2
    expect(Math.abs(u!('d', 2) - u!('d', 0))).toBeLessThan(1e-12);
    expectClose(reaction!('d', 2), -reaction!('d', 0));
    expect(balance).toBeLessThan(1e-10);
  });

  it('held more often than needed say that their reactions are not unique, and cannot be settled apart', () => {
    const held = extended([{ id: 'g', nodes: ['b', 'c', 'd'], kind: 'body' }], 'c');
    const up = (node: string): Support => ({ node, uz: 'fixed', ry: 'fixed' });
    held.supports!.push(up('c'), up('d'));
    const { notes, balance } = run(held);
    expect(notes!.some((note) => note.includes('not unique'))).toBeTrue();
    expect(balance).toBeLessThan(1e-10);
    held.loadCases![0]!.loads!.push({ kind: 'settlement', node: 'd', uz: -0.01 });
    const { problems } = run(held);
    expect(problems![0]!.code).toBe('invalid-model');
    expect(problems![0]!.message).toContain('settle apart');
  });
});
