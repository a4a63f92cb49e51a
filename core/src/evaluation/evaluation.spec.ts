import { drain } from '../base/drain.js';
import { readFileSync } from 'node:fs';
import { designOf, slipShed, slipShedWith } from '../testing/designs.js';
import type { Design } from '../document/types.js';
import {
  difference,
  type FigureSummary,
  type EvaluatedAlternative,
  drawingOf,
  evaluateAlternative,
  questions,
  summaryOf,
  advance,
  notEvaluated,
  isShownFirst,
} from './index.js';

const firstOrder = (design: Design): Design => ({ ...design, analysis: { order: 1, imperfections: false } });

function run(id: string, design = slipShed()): EvaluatedAlternative {
  const made = evaluateAlternative(
    design,
    design.alternatives.find((a) => a.id === id)!,
  );
  return made;
}

function value(figures: readonly FigureSummary[], id: string): number {
  const found = figures.find((figure) => figure.id === id);
  if (found?.value === undefined) throw new Error(`no value of ${id}`);
  return found.value;
}

const figuresOf = (id: string, design?: Design) => summaryOf(run(id, design), 'U1').figures;

describe('figures of the Slip shed', () => {
  const rise = 11 * Math.tan(Math.PI / 20);
  const rafter = Math.hypot(11, rise);

  it('snow on three hinges, by statics: H = wL²/8(h + f), V = wL/2, no base moment', () => {
    const alone = questions.figuresUnder(run('three-hinges', firstOrder(slipShed())), { result: 'S' }, '');
    const thrust = (4400 * 22 ** 2) / (8 * (6.4 + rise));
    expect(value(alone, 'horizontal-reaction')).toBeCloseTo(thrust, 3);
    expect(value(alone, 'vertical-reaction')).toBeCloseTo((4400 * 22) / 2, 3);
    expect(Math.abs(value(alone, 'base-moment'))).toBeLessThan(1e-6);
    // The column's moment at the eaves is H·h
    expect(Math.abs(value(alone, 'column-moment'))).toBeCloseTo(thrust * 6.4, 2);
  });

  it('wind: the horizontal reactions carry both walls and the slopes of the roof', () => {
    const w = 0.75e3 * 5.5;
    // Suctions of 0.6 and 0.4 act square to the slopes: their horizontal parts are rise × w
    const total = (0.7 + 0.3) * w * 6.4 - (0.6 - 0.4) * w * rise;
    const { balance } = summaryOf(run('pinned', firstOrder(slipShed())), 'W');
    expect(balance!.reactions[0]).toBeCloseTo(-total, 3);
    expect(balance!.applied[0]).toBeCloseTo(total, 3);
  });

  it('steel mass is the sum of the members with published masses', () => {
    // HEB 300 117 kg/m, IPE 500 90.7 kg/m
    const mass = value(figuresOf('fixed'), 'mass');
    expect(Math.abs(mass / (2 * 6.4 * 117 + 2 * rafter * 90.7) - 1)).toBeLessThan(2e-3);
  });

  it('says where and under what it was found, in the words of the drawing', () => {
    const figures = figuresOf('fixed');
    const place = (id: string) => figures.find((f) => f.id === id)!.place;
    expect(place('rafter-moment')).toMatch(/^(left|right) rafter, x = (0|11\.1) m, U\d(, towards [+−]x)?$/);
    expect(place('sway')).toMatch(/^(left|right) eaves, C\d$/);
    expect(place('base-moment')).toMatch(/^(left|right) base, U\d(, towards [+−]x)?$/);
  });

  it('every figure’s trace ends in its value', () => {
    const fixed = run('fixed');
    for (const { id, value: shown } of summaryOf(fixed, 'U1').figures) {
      const { steps } = questions.figureTrace(fixed, { figure: id }, '')!;
      expect(steps.length).withContext(id).toBeGreaterThan(0);
      // What follows the first group tells where its values are from
      const next = steps.findIndex(({ heading }, i) => i > 0 && heading !== undefined);
      expect(Math.abs(steps.at(next < 0 ? -1 : next - 1)!.value - shown!))
        .withContext(id)
        .toBeLessThan(1e-6 * Math.max(1, Math.abs(shown!)));
    }
  });

  it('a figure that matches nothing is a dash, not a zero', () => {
    const design = slipShed();
    design.figures = [{ id: 'f', title: 'F', kind: 'moment', members: 'role == "brace"' }];
    expect(figuresOf('fixed', design)[0]!.value).toBeUndefined();
  });

  it('limits are evaluated in each alternative and judged', () => {
    const limited = (limit: string) => {
      const design = slipShed();
      design.figures = [{ id: 'f', title: 'F', kind: 'mass', limit }];
      return figuresOf('fixed', design)[0]!;
    };
    expect(limited('3000 kg').status).toBe('fail');
    expect(limited('span * 200 kg / (1 m)')).toEqual(
      jasmine.objectContaining({ status: 'pass', limit: 4400 }),
    );
  });

  it('a mechanism is an error of its alternative, with where it moves', () => {
    const design = slipShed();
    design.alternatives[2]!.picks['eaves-joint'] = 'hinged';
    const made = run('three-hinges', design);
    const summary = summaryOf(made, 'U1');
    expect(summary.stage).toBe('failed');
    expect(summary.status).toBe('failed');
    expect(summary.problems.map((p) => p.code)).toContain('mechanism');
    expect(drawingOf(made, { result: 'U1', diagram: 'My' })!.drawing.strokeRanges.at(-1)![1]).toBeGreaterThan(
      0,
    );
  });

  it('symmetric frames give symmetric reactions under snow for every span', () => {
    for (const span of ['9 m', '17.3 m', '38 m']) {
      const { balance } = summaryOf(run('fixed', firstOrder(slipShedWith({ span }))), 'S');
      const [x, , z, , turn] = balance!.reactions as number[];
      expect(Math.abs(x!)).toBeLessThan(1e-6 * z!);
      // About the origin, the sum stands at half the span
      expect(turn! / z!).toBeCloseTo(-parseFloat(span) / 2, 9);
    }
  });
});

describe('a run of an alternative', () => {
  it('tells what it knows at each stage, and the rest as pending', () => {
    const design = slipShed();
    const forces = evaluateAlternative(design, design.alternatives[0]!, 'forces');
    const figure = (of: EvaluatedAlternative, id: string) =>
      summaryOf(of, 'U1').figures.find((f) => f.id === id)!;
    expect(figure(forces, 'mass').pending).toBeUndefined();
    expect(figure(forces, 'utilisation').pending).toBeTrue();
    expect(summaryOf(forces, 'U1').status).toBe('pending');
    const checks = drain(advance(forces, 'checks'));
    expect(figure(checks, 'utilisation').value).toBeGreaterThan(0);
    expect(figure(checks, 'alpha-cr').pending).toBeTrue();
    const whole = drain(advance(checks, 'complete'));
    expect(figure(whole, 'alpha-cr').value).toBeGreaterThan(1);
    expect(summaryOf(whole, 'U1').status).toBe('pass');
    // A stage leaves the one before as it was
    expect([forces.reached, checks.reached, whole.reached]).toEqual(['forces', 'checks', 'complete']);
    expect(forces.evaluation!.checks).toBeUndefined();
  });

  it('reads forces at any place of a member', () => {
    const made = run('pinned', firstOrder(slipShed()));
    const member = (fraction: number) =>
      questions.reading(made, { member: 'shed.column.1', fraction: fraction }, 'S')!;
    expect(member(0).forces.My).toBeCloseTo(0, 3);
    expect(member(1).forces.My / member(0.5).forces.My).toBeCloseTo(2, 9);
    expect(member(1).x).toBeCloseTo(6.4, 12);
    expect(questions.reading(made, { member: 'nothing', fraction: 0 }, 'S')).toBeUndefined();
  });

  it('is plain data, whatever happens', () => {
    for (const id of ['fixed', 'haunched']) {
      const summary = summaryOf(run(id), 'U1');
      expect(structuredClone(summary)).toEqual(summary);
    }
    const broken = slipShedWith({ span: 'spann' });
    expect(structuredClone(summaryOf(run('fixed', broken), 'U1')).problems[0]!.code).toBe('unknown-name');
  });

  it('knows parameters although the frame cannot be built', () => {
    const design = slipShed();
    design.steps[0]!['bays'] = ['span - 22 m'];
    const { parameters, problems } = summaryOf(run('fixed', design), 'U1');
    expect(parameters['span']!.value).toBe(22);
    expect(problems[0]!.where['step']).toBe('shed');
  });
});

describe('every kind of figure', () => {
  // A cantilever column of 3 m with 10 kN across its head: δ = Fh³/3EI + Fh/GAv, M = Fh, V = F
  const column = designOf({
    format: 'hashira-design',
    version: 2,
    title: 'Cantilever',
    space: 'plane',
    steps: [
      {
        id: 'l',
        make: 'line',
        points: [
          ['0 m', '0 m'],
          ['0 m', '3 m'],
        ],
        role: 'column',
      },
    ],
    rules: [
      { id: 'c', members: 'true', section: 'HEB 200', material: 'S355' },
      { id: 's', nodes: 'z < 1 m', support: { ux: 'fixed', uz: 'fixed', ry: 'fixed' } },
      { id: 'p', nodes: 'z > 1 m', load: { case: 'Q', kind: 'node', F: ['10 kN', '0 kN', '0 kN'] } },
      { id: 'm', nodes: 'z > 1 m', mass: '1000 kg' },
    ],
    loadCases: [{ id: 'Q', title: 'Q', category: 'imposed' }],
    combinations: [
      { id: 'U', state: 'strength', factors: { Q: 1.5 } },
      { id: 'C', state: 'service', factors: { Q: 1 } },
    ],
    figures: [
      { id: 'ux', title: 'ux', kind: 'displacement', nodes: 'z > 1 m', component: 'ux' },
      { id: 'drift', title: 'drift', kind: 'drift' },
      { id: 'My', title: 'My', kind: 'moment', members: 'role == "column"', component: 'My' },
      { id: 'V', title: 'V', kind: 'shear', members: 'role == "column"', component: 'Vz' },
      { id: 'N', title: 'N', kind: 'axial' },
      { id: 'Rx', title: 'Rx', kind: 'reaction', nodes: 'z < 1 m', component: 'ux' },
      { id: 'mass', title: 'mass', kind: 'mass' },
      { id: 'surface', title: 'surface', kind: 'surface' },
      { id: 'f', title: 'f', kind: 'frequency' },
      { id: 'T', title: 'T', kind: 'period' },
    ],
    alternatives: [{ id: 'a', title: 'A', picks: {} }],
  });
  const all = figuresOf('a', column);
  // HEB 200: Iy 5696 cm⁴, Avz 24.83 cm², 61.3 kg/m, 1.151 m²/m (EN 10365)
  const k = 1 / (27 / (3 * 210e9 * 5696e-8) + 3 / (81e9 * 24.83e-4));

  it('agrees with the formulas of a cantilever', () => {
    expect(value(all, 'ux') / (10e3 / k)).toBeCloseTo(1, 2);
    expect(Math.abs(value(all, 'My'))).toBeCloseTo(45e3, 3);
    expect(Math.abs(value(all, 'V'))).toBeCloseTo(15e3, 3);
    expect(Math.abs(value(all, 'Rx'))).toBeCloseTo(15e3, 3);
    expect(value(all, 'mass') / (3 * 61.3)).toBeCloseTo(1, 2);
    expect(value(all, 'surface') / (3 * 1.151)).toBeCloseTo(1, 2);
  });

  it('the frequency is that of the mass on the cantilever, 33/140 of the beam’s own mass with it', () => {
    const f = Math.sqrt(k / (1000 + (33 / 140) * 3 * 61.3)) / (2 * Math.PI);
    expect(value(all, 'f') / f).toBeCloseTo(1, 2);
    expect(value(all, 'T') * value(all, 'f')).toBeCloseTo(1, 12);
  });
});

describe('differences', () => {
  it('compare magnitudes', () => {
    expect(difference(-110, 100)).toEqual(jasmine.objectContaining({ absolute: 10, relative: 0.1 }));
    expect(difference(5, 0)).toEqual(jasmine.objectContaining({ absolute: 5, relative: undefined }));
  });
});

describe('an alternative that is worked out in parts', () => {
  const design = designOf(
    JSON.parse(readFileSync(new URL('../../demo/lookout-tower.json', import.meta.url), 'utf8')) as object,
  );
  const alternative = design.alternatives[1]!;

  it('draws what is shown before the forces of the other combinations are known, and the same as then', () => {
    const parts = advance(notEvaluated(design, alternative), 'forces', { shown: 'U3' });
    expect(isShownFirst(parts.next().value)).toBeFalse();
    const early = parts.next().value;
    expect(isShownFirst(early)).toBeTrue();
    expect(summaryOf(early, 'U3').stage).toBe('frame');
    const { balance } = summaryOf(early, 'U3');
    const first = drawingOf(early, { result: 'U3', diagram: 'N' })!;
    const last = parts.next();
    expect(last.done).toBeTrue();
    expect(isShownFirst(last.value)).toBeFalse();
    const whole = evaluateAlternative(design, alternative, 'forces');
    const drawn = drawingOf(whole, { result: 'U3', diagram: 'N' })!;
    expect(first.legend).toEqual(drawn.legend);
    expect(first.drawing.strokes).toEqual(drawn.drawing.strokes);
    // In whatever order they were solved, they are listed in that of the design
    expect(summaryOf(last.value, 'U3')).toEqual(summaryOf(whole, 'U3'));
    expect(balance).toEqual(summaryOf(whole, 'U3').balance);
  });

  it('has nothing to show first where what is shown is no combination', () => {
    const parts = advance(notEvaluated(design, alternative), 'forces', { shown: 'mode.1' });
    parts.next();
    expect(parts.next().done).toBeTrue();
  });
});
