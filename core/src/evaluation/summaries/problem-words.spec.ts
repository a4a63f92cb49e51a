import { slipShed } from '../../testing/designs.js';
import { summaryOf, evaluateAlternative } from '../index.js';

describe('problems of the analysis on the screen', () => {
  it('name nodes in words and spell directions out', () => {
    const design = slipShed();
    const alternative = design.alternatives.find(({ id }) => id === 'three-hinges')!;
    alternative.picks['eaves-joint'] = 'hinged';
    const run = evaluateAlternative(design, alternative, 'forces');
    const [problem] = summaryOf(run, 'U1').problems;
    expect(problem!.code).toBe('mechanism');
    expect(problem!.message).toMatch(
      /^The frame can move without resistance: node "(left|right|apex)[^."]*" /,
    );
    expect(problem!.message).toMatch(/along X|along Z|turning about Y/);
    expect(problem!.message).not.toMatch(/shed\.|\bux\b|\bry\b| in along| in turning/);
  });
});
