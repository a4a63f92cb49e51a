import { drawingOf, evaluateAlternative, questions, summaryOf } from './index.js';
import { designWith } from '../testing/designs.js';

/** IPE 300 of 6 m, in the plane, held by nothing, without loads: E = 210 GPa, Iy = 8356 cm⁴, A = 53.81 cm² (EN 10365), 7850 kg/m³. */
const beam = designWith(
  [
    {
      id: 'b',
      make: 'line',
      points: [
        ['0 m', '0 m'],
        ['6 m', '0 m'],
      ],
      role: 'beam',
    },
  ] as never,
  {
    space: 'plane',
    figures: [{ id: 'tone', title: 'Tone', kind: 'frequency' }],
  },
);
/** Frequency of a free beam's n-th bending mode by Euler and Bernoulli: βₙ²/(2πL²)·√(EI/μ), Hz; β₁L = 4.730. */
const bending = (betaL: number) =>
  (betaL ** 2 / (2 * Math.PI * 36)) * Math.sqrt((210e9 * 8356e-8) / (7850 * 53.81e-4));

describe('a frame without supports and loads', () => {
  const run = evaluateAlternative(beam, beam.alternatives[0]!);
  const summary = summaryOf(run, 'mode.1');

  it('is no mechanism that is not calculated: it vibrates', () => {
    expect(summary.problems).toEqual([]);
    expect(summary.stage).toBe('complete');
    expect(summary.notes.map(({ message }) => message).join()).toContain('no supports');
  });

  it('has its flexible modes numbered from 1, its motions as a body left out and said', () => {
    const { legend, problem } = drawingOf(run, { result: 'mode.1', diagram: 'none' })!;
    expect(problem).toBeUndefined();
    const text = legend.map((line) => line.text).join('; ');
    const hertz = Number(/vibrates at ([\d.]+)/.exec(text)![1]);
    // Shear deformation and rotary inertia take some per cent of the beam's 147 Hz
    expect(hertz / bending(4.73)).toBeGreaterThan(0.93);
    expect(hertz / bending(4.73)).toBeLessThan(1);
    expect(text).toContain('its motions as a whole are left out');
    expect(summary.figures[0]!.value).toBeCloseTo(hertz, 0);
  });

  it('has more modes on request', () => {
    const frequencies = [1, 2, 7].map((number) => {
      const { legend } = drawingOf(run, { result: `mode.${number}`, diagram: 'none' })!;
      return Number(/vibrates at ([\d.]+)/.exec(legend.map(({ text }) => text).join('; '))![1]);
    });
    expect(frequencies[1]! / frequencies[0]!).toBeGreaterThan(2);
    expect(frequencies[2]!).toBeGreaterThan(frequencies[1]!);
  });

  it('with a load is a mechanism again, which is said', () => {
    const loaded = {
      ...beam,
      loadCases: [{ id: 'G', title: 'Weight', category: 'permanent' as const, selfWeight: 1 }],
    };
    const { problems } = summaryOf(evaluateAlternative(loaded, loaded.alternatives[0]!), 'G');
    expect(new Set(problems.map(({ code }) => code))).toEqual(new Set(['mechanism']));
  });

  it('has no tables of forces, and says nothing wrong', () => {
    expect(questions.table(run, { kind: 'reactions', result: 'mode.1' }, '')!.rows).toEqual([]);
  });
});
