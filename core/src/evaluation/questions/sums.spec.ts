import { slipShed } from '../../testing/designs.js';
import { AlternativeRun } from '../alternative-run.js';

describe('the sums of load cases', () => {
  it('are the loads of each alone: snow 0.8 kN/m² × 5.5 m × 22 m, wind by pressures on columns and roof', () => {
    const design = { ...slipShed(), analysis: { order: 1 as const, imperfections: false } };
    const run = new AlternativeRun(design, design.alternatives[0]!);
    expect(run.sums()).toEqual([]);
    run.advance('forces');
    const sums = run.sums();
    expect(sums.map(({ id }) => id)).toEqual(['G', 'S', 'W', 'SU', 'WR', 'WA', 'WI']);
    const snow = sums.find(({ id }) => id === 'S')!.force;
    expect(snow[2]).toBeCloseTo(-0.8e3 * 5.5 * 22, 3);
    expect(Math.abs(snow[0])).toBeLessThan(1e-6);
    // Loads and reactions of a case balance
    const { balance } = run.summary('W');
    expect(sums.find(({ id }) => id === 'W')!.force[0]).toBeCloseTo(balance!.applied[0]!, 6);
    expect(balance!.applied[0]! + balance!.reactions[0]!).toBeCloseTo(0, 3);
  });
});
