import { drain } from '../../base/drain.js';
import { drawingOf, evaluateAlternative, advance } from '../../evaluation/index.js';
import { designWith } from '../../testing/designs.js';
import { strokesOn } from '../../testing/strokes.js';
import { isShape, shownKinds } from './index.js';

describe('shapes of large frames', () => {
  /** A storey frame of 5 × 5 bays and three storeys: 6 · 6 · 3 columns and 2 · 30 · 3 beams. */
  const design = designWith(
    [
      {
        id: 'f',
        make: 'storey-frame',
        baysX: '5 * 6 m',
        baysY: '5 * 6 m',
        storeys: '3 * 3.5 m',
      },
    ],
    {
      rules: [{ id: 'bases', nodes: 'place == "base"', support: 'fixed' }],
      loadCases: [{ id: 'G', title: 'G', category: 'permanent', selfWeight: 1 }],
    },
  );

  it('wait until all is known, while the frame is drawn', () => {
    const run = evaluateAlternative(design, design.alternatives[0]!, 'forces');
    const early = drawingOf(run, { result: 'mode.1', diagram: 'none' })!;
    expect(early.members.ids.length).toBe(6 * 6 * 3 + 2 * 30 * 3);
    expect(strokesOn(early.drawing, 'moving')).toEqual([]);
    const whole = drawingOf(drain(advance(run, 'complete')), { result: 'mode.1', diagram: 'none' })!;
    expect(strokesOn(whole.drawing, 'moving').length).toBeGreaterThan(288);
    expect(whole.legend[0]!.text).toContain('vibrates at');
  });
});

describe('kinds of what is shown', () => {
  it('have ids that tell them apart', () => {
    const prefixes = shownKinds.flatMap(({ prefix }) => prefix ?? []);
    expect(new Set(prefixes).size).toBe(prefixes.length);
    // Names that designs give hold no point
    for (const prefix of prefixes) expect(prefix).toMatch(/^[a-z]+\.$/);
    expect(
      shownKinds.filter((kind) => kind.isShape).every(({ prefix }) => isShape(`${prefix!}1`)),
    ).toBeTrue();
    expect(isShape('G')).toBeFalse();
  });
});
