import { fail } from '../base/problem.js';
import { slipShed } from '../testing/designs.js';
import { strokesOn } from '../testing/strokes.js';
import { evaluateAlternative, shapesOf } from './alternative.js';
import { drawingOf } from './drawing-of.js';

describe('the drawing of an alternative', () => {
  const design = slipShed();

  it('whose shown shape cannot be found is the frame alone, with the reason', () => {
    const one = evaluateAlternative(design, design.alternatives[0]!);
    spyOn(shapesOf(one)!, 'mode').and.callFake(() => fail('not-converged', 'Mode 3 could not be found.'));
    const scene = drawingOf(one, { result: 'mode.3', diagram: 'none' })!;
    expect(scene.problem).toBe('Mode 3 could not be found.');
    expect(strokesOn(scene.drawing, 'members').length).toBeGreaterThan(3);
    expect(drawingOf(one, { result: 'U1', diagram: 'My' })!.problem).toBeUndefined();
  });

  it('that cannot be built is none', () => {
    const flat = { ...design, steps: [] };
    const one = evaluateAlternative(flat, flat.alternatives[0]!);
    expect(one.problems.length).toBeGreaterThan(0);
    expect(drawingOf(one, { result: 'U1', diagram: 'My' })).toBeUndefined();
  });
});
