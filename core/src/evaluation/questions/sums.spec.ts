import { slipShed } from '../../testing/designs.js';
import { questions, summaryOf, evaluateAlternative, notEvaluated } from '../index.js';

describe('the sums of load cases', () => {
  it('are the loads of each alone: snow 0.8 kN/m² × 5.5 m × 22 m, wind by pressures on columns and roof', () => {
    const design = { ...slipShed(), analysis: { order: 1 as const, imperfections: false } };
    expect(questions.sums(notEvaluated(design, design.alternatives[0]!), {}, '')).toEqual([]);
    const run = evaluateAlternative(design, design.alternatives[0]!, 'forces');
    const sums = questions.sums(run, {}, '');
    expect(sums.map(({ id }) => id)).toEqual(['G', 'S', 'W', 'SU', 'WR', 'WA', 'WI']);
    const snow = sums.find(({ id }) => id === 'S')!.force;
    expect(snow[2]).toBeCloseTo(-0.8e3 * 5.5 * 22, 3);
    expect(Math.abs(snow[0])).toBeLessThan(1e-6);
    // Loads and reactions of a case balance
    const { balance } = summaryOf(run, 'W');
    expect(sums.find(({ id }) => id === 'W')!.force[0]).toBeCloseTo(balance!.applied[0]!, 6);
    expect(balance!.applied[0]! + balance!.reactions[0]!).toBeCloseTo(0, 3);
  });
});
