import { designOf } from '../testing/designs.js';
import { plainText } from '../testing/strokes.js';
import { drawingOf, summaryOf, evaluateAlternative } from './index.js';

/** A clamped column of 8 m under a load on its head, in second order. */
const column = (load: string) =>
  designOf({
    format: 'hashira-design',
    version: 2,
    title: 'Column',
    space: 'plane',
    analysis: { order: 2, imperfections: false },
    steps: [
      {
        id: 'l',
        make: 'line',
        points: [
          ['0 m', '0 m'],
          ['0 m', '8 m'],
        ],
      },
    ],
    rules: [
      { id: 's', members: 'true', section: 'HEA 100', material: 'S235' },
      { id: 'f', nodes: 'z == 0 m', support: 'fixed' },
      { id: 'p', nodes: 'z > 0 m', load: { kind: 'node', case: 'P', F: ['100 N', '0 N', load] } },
    ],
    loadCases: [{ id: 'P', title: 'Load', category: 'imposed' }],
    combinations: [{ id: 'U', state: 'strength', factors: { P: 1 } }],
    alternatives: [{ id: 'a', title: 'A', picks: {} }],
  });

describe('past the critical load', () => {
  // Ncr = π²·E·Iy/(2L)², HEA 100: Iy = 349.2 cm⁴, both axes of rolled tables
  const critical = (Math.PI ** 2 * 210e9 * 349.2e-8) / 16 ** 2;

  it('the alternative has failed, and keeps forces of first order, αcr and the way it buckles', () => {
    const run = evaluateAlternative(column('-80 kN'), column('-80 kN').alternatives[0]!);
    const summary = summaryOf(run, 'U');
    expect(summary.status).toBe('failed');
    expect(summary.problems[0]!.code).toBe('diverged');
    expect(summary.alphaCr!).toBeCloseTo(critical / 80e3, 2);
    expect(summary.order).toBe(1);
    // No figure is told of forces that are not those asked for
    expect(summary.figures).toEqual([]);
    const scene = drawingOf(run, { result: 'U', diagram: 'My' })!;
    expect(scene.legend.map(({ text }) => plainText(text)).join(' ')).toContain('first order');
    expect(summary.results.map(({ id }) => id)).toContain('U');
  });

  it('below it there is nothing of the kind', () => {
    const run = evaluateAlternative(column('-15 kN'), column('-15 kN').alternatives[0]!);
    expect(run.problems).toEqual([]);
    expect(summaryOf(run, 'U').order).toBe(2);
    expect(summaryOf(run, 'U').alphaCr!).toBeCloseTo(critical / 15e3, 1);
  });
});
