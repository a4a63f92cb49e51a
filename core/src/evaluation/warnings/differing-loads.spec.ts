import { slipShed } from '../../testing/designs.js';
import { differingLoads } from './differing-loads.js';
import { evaluateAlternative, summaryOf } from '../index.js';
import { metric } from '../../units/units.js';

/** Titles and summaries of the alternatives of the Slip shed, one perhaps without a rule. */
function summaries(without?: { readonly alternative: string; readonly rule: string }) {
  const design = slipShed();
  design.analysis = { order: 1, imperfections: false };
  return design.alternatives.map((alternative) => {
    const own = structuredClone(design);
    if (alternative.id === without?.alternative)
      own.rules = own.rules.filter(({ id }) => id !== without.rule);
    const run = evaluateAlternative(own, alternative, 'forces');
    return { title: alternative.title, summary: summaryOf(run, 'U1') };
  });
}

describe('loads of alternatives', () => {
  it('of the same frame are the same: nothing is told', () => {
    const all = summaries();
    expect(all.flatMap(({ summary }) => differingLoads(summary, all, metric))).toEqual([]);
  });

  it('that one alternative lacks are told with both sums: 0.8 kN/m² × 5.5 m × 22 m of snow', () => {
    const all = summaries({ alternative: 'fixed', rule: 'snow' });
    const told = differingLoads(all.find(({ summary }) => summary.id === 'fixed')!.summary, all, metric);
    expect(told.length).toBe(1);
    expect(told[0]).toContain('Load case "S" adds up to 0 kN here and to 96.8 kN');
  });

  it('are told without own weight, which goes with the sections: roofing of 0.45 kN/m² × 5.5 m along both rafters', () => {
    const all = summaries({ alternative: 'fixed', rule: 'roofing' });
    const told = differingLoads(all.find(({ summary }) => summary.id === 'fixed')!.summary, all, metric);
    const roofing = (0.45 * 5.5 * 22) / Math.cos(Math.PI / 20);
    expect(told.length).toBe(1);
    expect(told[0]).toContain(`Load case "G" adds up to 0 kN here and to ${roofing.toFixed(1)} kN`);
  });
});
