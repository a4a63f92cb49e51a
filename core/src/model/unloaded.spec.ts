import { barModel } from '../testing/checks.js';
import type { FrameModel, Load } from './types.js';
import { unloadedCombinations } from './unloaded.js';

const model = (loads: readonly Load[], more: Partial<FrameModel> = {}): FrameModel => ({
  ...barModel({ section: { profile: 'IPE 300' }, L: 6, loads }),
  ...more,
});
const ids = (of: FrameModel) => unloadedCombinations(of).map(({ id }) => id);

describe('combinations without load', () => {
  it('are those in which nothing acts, whatever loads of zero their cases have', () => {
    expect(ids(model([]))).toEqual(['U']);
    expect(ids(model([{ kind: 'point', member: 'm', at: 0.5, F: [0, 0, 0] }]))).toEqual(['U']);
    expect(ids(model([{ kind: 'temperature', member: 'm', uniform: 0 }]))).toEqual(['U']);
  });

  it('are not those with a force, own weight, a movement or a train', () => {
    expect(ids(model([{ kind: 'point', member: 'm', at: 0.5, F: [0, 0, -1] }]))).toEqual([]);
    expect(ids(model([], { loadCases: [{ id: 'L', selfWeight: 1 }] }))).toEqual([]);
    expect(ids(model([{ kind: 'settlement', node: 'b', uz: -0.01 }]))).toEqual([]);
    const train = {
      id: 't',
      case: 'L',
      members: ['m'],
      forces: [1e3],
      gaps: [],
      direction: [0, 0, -1] as const,
    };
    expect(ids(model([], { trains: [train] as unknown as NonNullable<FrameModel['trains']> }))).toEqual([]);
  });

  it('count a factor of zero as nothing, and leave service alone', () => {
    const loads: Load[] = [{ kind: 'point', member: 'm', at: 0.5, F: [0, 0, -1] }];
    const combinations = [
      { id: 'U1', state: 'strength' as const, factors: { L: 0 } },
      { id: 'C1', state: 'service' as const, factors: { L: 0 } },
    ];
    expect(ids(model(loads, { combinations }))).toEqual(['U1']);
  });
});
