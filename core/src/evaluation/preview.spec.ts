import { simpleBeam } from '../testing/checked-designs.js';
import { slipShed } from '../testing/designs.js';
import { evaluateAlternative, summaryOf, type AlternativeSummary } from './index.js';
import { designPicture, designPreview } from './preview.js';

describe('the preview of a design', () => {
  const design = simpleBeam({
    figures: ['mass', 'deflection', 'utilisation', 'moment'].map((kind) => ({ id: kind, title: kind, kind })),
    alternatives: [
      { id: 'a', title: 'A', picks: {} },
      { id: 'b', title: 'B', picks: {} },
    ],
    reference: 'b',
  });
  const summaries = (upTo?: 'forces') =>
    new Map(
      design.alternatives.map((one): [string, AlternativeSummary] => [
        one.id,
        summaryOf(evaluateAlternative(design, one, upTo), ''),
      ]),
    );

  it('has the reference’s frame, its first figures, and what each alternative comes to', () => {
    const preview = designPreview(design, summaries())!;
    expect(preview.reference).toBe('B');
    expect(preview.figures.map(({ id }) => id)).toEqual(['mass', 'deflection', 'utilisation']);
    expect(preview.figures[0]!.value).toBeGreaterThan(0);
    expect(preview.statuses.length).toBe(2);
    expect(preview.picture).toMatch(/^<svg .*<\/svg>$/s);
  });

  it('is none before all is known', () => {
    expect(designPreview(design, summaries('forces'))).toBeUndefined();
    expect(designPreview(design, new Map([...summaries()].slice(0, 1)))).toBeUndefined();
  });

  it('has no picture of what cannot be built', () => {
    expect(
      designPicture({ ...slipShed(), steps: [{ id: 'x', make: 'portal', bays: ['no'] }] }),
    ).toBeUndefined();
  });
});
