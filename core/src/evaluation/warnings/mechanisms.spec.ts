import { slipShed } from '../../testing/designs.js';
import { addRule, applyFix } from '../../edits/index.js';
import { startingPoints } from '../../starts/index.js';
import type { Design, Rule } from '../../document/types.js';
import { type EvaluatedAlternative, evaluateAlternative, summaryOf } from '../index.js';

function runOf(design: Design): EvaluatedAlternative {
  const run = evaluateAlternative(design, design.alternatives[0]!);
  return run;
}
const mechanismOf = (run: EvaluatedAlternative) =>
  (summaryOf(run, 'G').warnings ?? []).find(({ code }) => code === 'mechanism');

describe('the fix of a mechanism', () => {
  it('holds what slides: a beam on two rollers is held along X at one of them, and keeps its roller', () => {
    const beam = startingPoints.find(({ kind }) => kind === 'beam')!.design();
    const rollers = addRule(beam, { id: 'slides', nodes: 'true', support: 'roller' });
    const run = runOf(rollers);
    expect(summaryOf(run, 'G').problems[0]!.code).toBe('mechanism');
    const warning = mechanismOf(run)!;
    expect(warning.fix!.title).toBe('hold point 1 along X');
    const fixed = applyFix(rollers, warning.fix!);
    expect(fixed.rules.at(-1)!.support).toEqual({ uz: 'fixed', ux: 'fixed' });
    const after = runOf(fixed);
    expect(summaryOf(after, 'G').problems).toEqual([]);
    expect(mechanismOf(after)).toBeUndefined();
  });

  it('holds where something stands: a swaying frame at its foot, not at its eaves', () => {
    const portal = { ...slipShed(), analysis: { order: 1 as const, imperfections: false } };
    const feet: Rule = { id: 'feet', nodes: 'place == "base"', support: 'pinned' };
    const joints: Rule = { id: 'joints', nodes: 'place == "eaves" or place == "apex"', hinge: ['My'] };
    const swaying = addRule(addRule(portal, feet), joints);
    const run = runOf(swaying);
    const { fix } = mechanismOf(run)!;
    expect(fix!.title).toMatch(/^hold (left|right) base against turning/);
    expect(mechanismOf(runOf(applyFix(swaying, fix!)))).not.toEqual(mechanismOf(run));
  });

  it('taken again and again it makes any released frame stand, in as many presses as there are mechanisms', () => {
    const portal = { ...slipShed(), analysis: { order: 1 as const, imperfections: false } };
    let design = addRule(portal, { id: 'loose', nodes: 'place == "base"', support: { uz: '200 kN/mm' } });
    let presses = 0;
    for (
      let warning = mechanismOf(runOf(design));
      warning && presses < 10;
      warning = mechanismOf(runOf(design))
    ) {
      design = applyFix(design, warning.fix!);
      presses++;
    }
    expect(presses).toBe(1);
    // The spring that was there stays one
    expect(design.rules.at(-1)!.support).toEqual({ uz: '200000000 N/m', ux: 'fixed' });
  });
});
