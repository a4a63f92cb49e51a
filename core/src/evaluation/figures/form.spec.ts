import { validateDesign } from '../../document/read.js';
import { setFigureField } from '../../edits/index.js';
import { slipShed } from '../../testing/designs.js';
import { evaluateAlternative, summaryOf } from '../index.js';
import { figureFields, initialFigure } from './form.js';
import { figureKinds } from './index.js';
import type { Field } from '../../fields/index.js';

describe('the form of a figure', () => {
  it('begins every kind with a valid figure that has a value or says that there is none', () => {
    for (const kind of figureKinds) {
      const design = { ...slipShed(), analysis: { order: 1 as const, imperfections: false } };
      const figure = initialFigure(kind, design);
      const next = { ...design, figures: [figure], alternatives: design.alternatives.slice(0, 1) };
      expect(validateDesign(structuredClone(next)).ok)
        .withContext(kind.kind)
        .toBeTrue();
      const run = evaluateAlternative(next, next.alternatives[0]!);
      const [found] = summaryOf(run, 'U1').figures;
      expect(found!.wrong).withContext(kind.kind).toBeUndefined();
      // A portal of one storey has a drift, members, supports, modes: each kind finds something in it
      expect(found!.value).withContext(kind.kind).not.toBeUndefined();
    }
  });

  it('asks for what the kind reads, and says on which side of the limit it is good', () => {
    const paths = (kind: string) => Object.keys(figureFields({ id: 'f', title: 'F', kind }));
    expect(paths('frequency')).toEqual(['title', 'kind', 'number', 'limit']);
    expect(paths('displacement')).toEqual(['title', 'kind', 'nodes', 'component', 'limit', 'judgedBy']);
    expect(paths('deflection')).toEqual(['title', 'kind', 'members', 'component', 'limit', 'judgedBy']);
    expect(paths('cost')).toEqual(['title', 'kind', 'members', 'limit', 'rates']);
    const limit = (kind: string) =>
      (figureFields({ id: 'f', title: 'F', kind })['limit'] as Field<unknown>).title;
    expect(limit('bucklingFactor')).toBe('at least');
    expect(limit('mass')).toBe('at most');
  });

  it('gives alike figures titles and ids that tell them apart', () => {
    const design = slipShed();
    const mass = figureKinds.find(({ kind }) => kind === 'mass')!;
    const second = initialFigure(mass, design);
    expect(design.figures.map(({ id }) => id)).not.toContain(second.id);
    expect(second.title).toBe('Mass 2');
  });

  it('sets a rate of a family without touching the others', () => {
    const design = {
      ...slipShed(),
      figures: [{ id: 'c', title: 'Cost', kind: 'cost', rates: { IPE: 2, other: 1 } }],
    };
    expect(setFigureField(design, 'c', 'rates/IPE', '2.5').figures[0]!.rates).toEqual({
      IPE: '2.5',
      other: 1,
    });
  });
});
