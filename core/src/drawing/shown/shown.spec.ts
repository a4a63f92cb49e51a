import {
  type EvaluatedAlternative,
  drawingOf,
  questions,
  summaryOf,
  evaluateAlternative,
} from '../../evaluation/index.js';
import type { Design } from '../../document/types.js';
import { designWith } from '../../testing/designs.js';
import { plainText, strokesOn } from '../../testing/strokes.js';
import { isShape } from './index.js';

const E = 210e9;
/** HEB 300, EN 10365: A 149.1 cm², Iy 25 170 cm⁴, Avz 47.43 cm². */
const [A, Iy, Avz] = [149.1e-4, 25_170e-8, 47.43e-4];

/** Engesser's critical load of a cantilever of 6 m that gives way to shear too, in its shape of that number; over 1 kN. */
function critical(number: number): number {
  const euler = (((2 * number - 1) * Math.PI) / 12) ** 2 * E * Iy;
  return 1 / (1 / euler + 1 / (81e9 * Avz)) / 1e3;
}

const rules = (nodes: string, support: unknown) => [
  { id: 's', members: 'true', section: 'HEB 300', material: 'S355' },
  { id: 'n', nodes, support },
];

/** A member from the origin along x or z, with two load cases in two combinations each of strength and service. */
function oneMember(more: Partial<Design>, end: readonly string[]): EvaluatedAlternative {
  const design = designWith(
    [{ id: 'm', make: 'line', points: [['0 m', '0 m', '0 m'], [...end]], role: 'bar' }],
    {
      space: 'plane',
      loadCases: [
        { id: 'G', title: 'Weight', category: 'permanent' },
        { id: 'Q', title: 'Load', category: 'imposed' },
      ],
      combinations: [
        { id: 'U1', state: 'strength', factors: { G: 1, Q: 2 } },
        { id: 'U2', state: 'strength', factors: { G: 1 } },
        { id: 'C1', state: 'service', factors: { G: 1, Q: 1 } },
      ],
      ...more,
    },
  );
  const run = evaluateAlternative(design, design.alternatives[0]!);
  expect(run.problems).toEqual([]);
  return run;
}

const beam = () =>
  oneMember(
    {
      rules: [
        ...rules('x < 1 mm', 'pinned'),
        { id: 'r', nodes: 'x > 1 m', support: { uz: 'fixed' } },
        { id: 'g', members: 'true', load: { kind: 'line', case: 'G', direction: 'z', q: '-10 kN/m' } },
        { id: 'q', members: 'true', load: { kind: 'line', case: 'Q', direction: 'z', q: '15 kN/m' } },
      ] as never,
    },
    ['8 m', '0 m', '0 m'],
  );

const cantilever = () =>
  oneMember(
    {
      rules: [
        ...rules('z < 1 mm', 'fixed'),
        { id: 'g', nodes: 'z > 1 m', load: { kind: 'node', case: 'G', F: ['0', '0', '-1 kN'] } },
      ] as never,
    },
    ['0 m', '0 m', '6 m'],
  );

describe('what can be shown', () => {
  it('is listed kind by kind; a shape knows its factor once it is worked out', () => {
    const { results } = summaryOf(cantilever(), 'U1');
    expect(results.filter(({ kind }) => kind === 'case').map(({ id }) => id)).toEqual(['G', 'Q']);
    // One combination of service makes no envelope
    expect(results.filter(({ kind }) => kind === 'envelope').map(({ id }) => id)).toEqual([
      'envelope.strength',
    ]);
    expect(results.filter(({ kind }) => kind === 'mode').length).toBe(6);
    const [first] = results.filter(({ kind }) => kind === 'buckling');
    const [, factor] = /^U[12] buckles, αcr = (\d+)$/.exec(plainText(first!.title))!;
    expect(Number(factor) / critical(1)).toBeCloseTo(1, 3);
  });

  it('knows a shape by its id', () => {
    expect(['buckling.1.U1', 'mode.2', 'U1', 'envelope.strength'].map(isShape)).toEqual([
      true,
      true,
      false,
      false,
    ]);
  });

  it('an envelope: greatest and least moment of a beam, q L²/8 of each combination', () => {
    const scene = drawingOf(beam(), { result: 'envelope.strength', diagram: 'My' })!;
    // U1: −10 + 2·15 = 20 kN/m upwards, U2: 10 kN/m downwards, over 8 m
    expect(scene.most.diagram).toBeCloseTo((20e3 * 64) / 8, 3);
    const lines = scene.legend.map(({ text }) => plainText(text));
    expect(lines[0]).toBe('greatest and least of 2 combinations');
    expect(lines).toContain('greatest 80.0 kN·m, U2');
    expect(lines).toContain('least −160 kN·m, U1');
    const told = scene.drawing.texts
      .filter(({ layer }) => layer === 'diagram')
      .map(({ text }) => plainText(text));
    expect(told.sort()).toEqual(['80.0 kN·m', '−160 kN·m']);
    // Loads and reactions belong to no envelope
    expect(strokesOn(scene.drawing, 'loads')).toEqual([]);
    expect(strokesOn(scene.drawing, 'reactions')).toEqual([]);
  });

  it('leaves out the parts of a state that are not looked at, and keeps their scales', () => {
    const options = { result: 'U1', diagram: 'My' } as const;
    const whole = drawingOf(beam(), options)!;
    for (const layer of ['loads', 'reactions', 'deformed'] as const) {
      const scene = drawingOf(beam(), { ...options, without: [layer] })!;
      expect(strokesOn(whole.drawing, layer).length).withContext(layer).toBeGreaterThan(0);
      expect(strokesOn(scene.drawing, layer)).withContext(layer).toEqual([]);
      expect(strokesOn(scene.drawing, 'diagram')).toEqual(strokesOn(whole.drawing, 'diagram'));
      expect(scene.most).toEqual(whole.most);
    }
  });

  it('the reading of an envelope has the greatest and the least of both ends of the range', () => {
    const run = beam();
    const member = run.built!.model.members[0]!.id;
    const reading = questions.reading(run, { member: member, fraction: 0.5 }, 'envelope.strength')!;
    expect(reading.forces.My).toBeCloseTo(80e3, 3);
    expect(reading.least!.My).toBeCloseTo(-160e3, 3);
    expect(reading.move).toBeUndefined();
    expect(questions.reading(run, { member: member, fraction: 0.5 }, 'mode.1')).toBeUndefined();
  });

  it('a buckling shape: the cantilever’s head moves most, its middle by 1 − cos 45° of it', () => {
    const scene = drawingOf(cantilever(), { result: 'buckling.1.U1', diagram: 'My' })!;
    const parts = strokesOn(scene.drawing, 'moving');
    const head = parts.at(-1)!.db;
    expect(Math.abs(head[0]!)).toBeCloseTo(1, 6);
    // w = 1 − cos(πz/2h) at half the height is 0.2929; the cubic through the ends' values and slopes is near it
    expect(Math.abs(parts[parts.length / 2]!.da[0]!)).toBeCloseTo(1 - Math.SQRT1_2, 1);
    expect(parts.every(({ scale }) => scale === 'deformation')).toBeTrue();
    const factorOf = ({ legend }: typeof scene) =>
      Number(/^buckles at (\d+) × U1$/.exec(plainText(legend[0]!.text))![1]);
    expect(factorOf(scene) / critical(1)).toBeCloseTo(1, 3);
    // Beyond the first, shapes are worked out when they are asked for
    const second = drawingOf(cantilever(), { result: 'buckling.2.U1', diagram: 'none' })!;
    expect(factorOf(second) / critical(2)).toBeCloseTo(1, 2);
  });

  it('members that buckle by themselves bow between nodes that stay', () => {
    const column = oneMember(
      {
        rules: [
          ...rules('z < 1 mm', 'pinned'),
          { id: 't', nodes: 'z > 1 m', support: { ux: 'fixed' } },
          { id: 'g', nodes: 'z > 1 m', load: { kind: 'node', case: 'G', F: ['0', '0', '-1 kN'] } },
        ] as never,
      },
      ['0 m', '0 m', '6 m'],
    );
    const scene = drawingOf(column, { result: 'buckling.1.U1', diagram: 'none' })!;
    const middle = strokesOn(scene.drawing, 'moving')[5]!.da;
    expect(Math.hypot(...middle)).toBeGreaterThan(0.2);
  });

  it('a mode: the first of a beam on two supports, (π/2) √(EI/μL⁴)', () => {
    const scene = drawingOf(beam(), { result: 'mode.1', diagram: 'My' })!;
    const frequency = (Math.PI / 2) * Math.sqrt((E * Iy) / (7850 * A * 8 ** 4));
    const told = Number(/at ([\d.]+) Hz/.exec(plainText(scene.legend[0]!.text))![1]);
    // Shear and the turning of the sections slow it down by a little
    expect(told / frequency).toBeGreaterThan(0.95);
    expect(told / frequency).toBeLessThan(1);
    expect(scene.most.deformation).toBe(1);
    expect(strokesOn(scene.drawing, 'diagram')).toEqual([]);
  });

  it('what is not known draws the frame alone', () => {
    const scene = drawingOf(beam(), { result: 'buckling.9.U7', diagram: 'My' })!;
    expect(scene.legend).toEqual([]);
    expect(strokesOn(scene.drawing, 'members').length).toBe(1);
  });
});
