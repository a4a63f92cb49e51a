import { barModel, checkFile, itemOf, near } from '../../testing/checks.js';
import type { FrameModel, TrainLoad } from '../../model/types.js';
import { withPlacedTrains } from './trains.js';
import { checkToFile } from '../../files/checks-file.js';

/** A simply supported HEB 300 of 6 m under a crane's wheels, which runs along it. */
function runway(train: Pick<TrainLoad, 'forces' | 'gaps'>): FrameModel {
  const model = barModel({ section: { profile: 'HEB 300' }, L: 6, loads: [], design: { LLT: 0 } });
  return {
    ...model,
    loadCases: [{ id: 'T', category: 'crane', loads: [] }],
    combinations: [{ id: 'U', state: 'strength', factors: { T: 1.5 } }],
    trains: [{ id: 'crane', case: 'T', members: ['m'], direction: [0, 0, -1], ...train }],
  };
}

describe('travelling loads in checks', () => {
  it('one wheel is checked in the middle for 1.5·PL/4, and at a support for 1.5·P', () => {
    const member = checkFile(runway({ forces: [40e3], gaps: [] })).members['m']!;
    near(itemOf(member, '6.2.5').demand, (1.5 * 40e3 * 6) / 4, 1e-3);
    near(itemOf(member, '6.2.6').demand, 1.5 * 40e3, 1e-3);
  });

  it('two wheels 2 m apart: 1.5·P(L − a/2)²/(2L) under one of them (beam under two equal moving loads)', () => {
    const member = checkFile(runway({ forces: [40e3, 40e3], gaps: [2] })).members['m']!;
    near(itemOf(member, '6.2.5').demand, (1.5 * 40e3 * 5 ** 2) / 12, 2e-3);
    // Both wheels by the support: P + P(L − a)/L
    near(itemOf(member, '6.2.6').demand, 1.5 * 40e3 * (1 + 4 / 6), 1e-3);
  });

  it('stands on both sides of a support that two members share, and each position is a state of its own', () => {
    const model = runway({ forces: [40e3], gaps: [] });
    model.nodes = [0, 3, 6].map((x, i) => ({ id: `n${i}`, x, z: 0 }));
    model.members = [1, 2].map((i) => ({
      ...model.members[0]!,
      id: `m${i}`,
      start: `n${i - 1}`,
      end: `n${i}`,
    }));
    model.supports = ['n0', 'n1', 'n2'].map((node) => ({ node, ux: 'fixed', uz: 'fixed' }));
    model.trains![0]!.members = ['m1', 'm2'];
    const { combinations = [], loadCases = [] } = withPlacedTrains(model).model;
    for (const list of [combinations, loadCases])
      expect(new Set(list.map(({ id }) => id)).size).toBe(list.length);
    // A wheel beside the middle support on either member
    const beside = (member: string, at: (fraction: number) => boolean) =>
      loadCases.some(({ loads = [] }) =>
        loads.some((load) => load.kind === 'point' && load.member === member && at(load.at)),
      );
    expect(beside('m1', (fraction) => fraction > 0.9999)).toBeTrue();
    expect(beside('m2', (fraction) => fraction < 0.0001)).toBeTrue();
  });

  it('is covered in first order, and said not to be in second', () => {
    const model = runway({ forces: [40e3], gaps: [] });
    expect(checkFile(model).summary.status).toBe('pass');
    const outcome = checkToFile(model, { secondOrder: true });
    if (!outcome.ok) throw new Error(outcome.problems[0]!.message);
    expect(outcome.value.summary.status).toBe('not covered');
    expect(outcome.value.members['m']!.reasons!.join(' ')).toContain('Travelling load');
  });
});
