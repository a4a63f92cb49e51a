import { slipShed } from '../testing/designs.js';
import { differingLoads } from './differing-loads.js';
import { AlternativeRun } from './run.js';

/** Titles and summaries of the alternatives of the Slip shed, some without snow on the roof. */
function summaries(withoutSnow: string | undefined) {
  const design = slipShed();
  design.analysis = { order: 1, imperfections: false };
  return design.alternatives.map((alternative) => {
    const own = structuredClone(design);
    if (alternative.id === withoutSnow) own.rules = own.rules.filter(({ id }) => id !== 'snow');
    const run = new AlternativeRun(own, alternative);
    run.advance('forces');
    return { title: alternative.title, summary: run.summary('U1') };
  });
}

describe('loads of alternatives', () => {
  it('of the same frame are the same: nothing is told', () => {
    const all = summaries(undefined);
    expect(all.flatMap(({ summary }) => differingLoads(summary, all))).toEqual([]);
  });

  it('that one alternative lacks are told with both sums: 0.8 kN/m² × 5.5 m × 22 m of snow', () => {
    const all = summaries('fixed');
    const told = differingLoads(all.find(({ summary }) => summary.id === 'fixed')!.summary, all);
    expect(told.length).toBe(1);
    expect(told[0]).toContain('Load case "S" adds up to 0 kN here and to 96.8 kN');
  });
});
