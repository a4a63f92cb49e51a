import { slipShed, slipShedWith } from '../testing/designs.js';
import { calculateAlternative, difference, figures, type Calculated, type FigureId } from './index.js';

function calculated(id: string, design = slipShed()): Calculated {
  const outcome = calculateAlternative(
    design,
    design.alternatives.find((a) => a.id === id)!,
  );
  if (!outcome.ok) throw new Error(outcome.problems[0]!.message);
  return outcome.value;
}
const only = (source: Calculated, id: string) => source.selections.filter((s) => s.id === id);
const figure = (id: FigureId) => figures.find((f) => f.id === id)!;

describe('figures of the Slip shed', () => {
  const rise = 11 * Math.tan(Math.PI / 20);
  const rafter = Math.hypot(11, rise);

  it('snow on three hinges, by statics: H = wL²/8(h + f), V = wL/2, no base moment', () => {
    const source = calculated('three-hinges');
    const value = (id: FigureId) => figure(id).compute(source, only(source, 'S'))!.value;
    expect(value('horizontal-reaction')).toBeCloseTo((4400 * 22 ** 2) / (8 * (6.4 + rise)), 3);
    expect(value('vertical-reaction')).toBeCloseTo((4400 * 22) / 2, 3);
    expect(Math.abs(value('base-moment'))).toBeLessThan(1e-6);
    // The column's moment at the eaves is H·h
    expect(Math.abs(value('column-moment'))).toBeCloseTo(((4400 * 22 ** 2) / (8 * (6.4 + rise))) * 6.4, 2);
  });

  it('wind: the horizontal reactions carry both walls and the slopes of the roof', () => {
    const source = calculated('pinned');
    const w = 0.75e3 * 5.5;
    // Suctions of 0.6 and 0.4 act square to the slopes: their horizontal parts are rise × w
    const total = (0.7 + 0.3) * w * 6.4 - (0.6 - 0.4) * w * rise;
    const sum = source.results.reactions[2]!.reduce((s, value, i) => (i % 6 === 0 ? s + value : s), 0);
    expect(sum).toBeCloseTo(-total, 3);
  });

  it('steel mass is the sum of the members with published masses', () => {
    // HEB 300 117 kg/m, IPE 500 90.7 kg/m
    const mass = calculated('fixed').governing.mass!.value;
    expect(Math.abs(mass / (2 * 6.4 * 117 + 2 * rafter * 90.7) - 1)).toBeLessThan(2e-3);
  });

  it('says where and under what it was found', () => {
    const { governing } = calculated('fixed');
    expect(governing['rafter-moment']).toEqual(jasmine.objectContaining({ result: 'U1', x: 0 }));
    expect(governing.sway!.node).toContain('eaves');
    expect(governing.utilisation!.member).toContain('shed.');
  });

  it('every figure’s trace ends in its value', () => {
    const source = calculated('fixed');
    for (const f of figures) {
      const result = source.governing[f.id]!;
      const steps = f.trace(source, result);
      expect(steps.length).withContext(f.id).toBeGreaterThan(0);
      expect(Math.abs(steps.at(-1)!.value - result.value))
        .withContext(f.id)
        .toBeLessThan(1e-6 * Math.max(1, Math.abs(result.value)));
    }
  });

  it('a roof without apex is measured along its rafters', () => {
    const design = slipShed();
    design.steps[0]!.roof = 'flat';
    const deflection = calculated('pinned', design).governing.deflection!;
    expect(deflection.member).toBe('shed.rafter.span');
    expect(deflection.x).toBeCloseTo(11, 1);
  });

  it('a mechanism is an error of its alternative', () => {
    const design = slipShed();
    design.alternatives[2]!.picks['eaves-joint'] = 'hinged';
    const outcome = calculateAlternative(design, design.alternatives[2]!);
    expect(!outcome.ok && outcome.problems.map((p) => p.code)).toEqual(['mechanism', 'mechanism']);
  });

  it('symmetric frames give symmetric results for every span', () => {
    for (const span of ['9 m', '17.3 m', '38 m']) {
      const { results, frame } = calculated('fixed', slipShedWith({ span }));
      const at = (node: string) => results.reactions[1]!.subarray(6 * frame.nodeIndex.get(node)!);
      expect(at('shed.base.left')[2]! / at('shed.base.right')[2]!).toBeCloseTo(1, 9);
      expect(at('shed.base.left')[0]! / at('shed.base.right')[0]!).toBeCloseTo(-1, 9);
    }
  });
});

describe('differences', () => {
  it('compare magnitudes', () => {
    expect(difference(-110, 100)).toEqual({ absolute: 10, relative: 0.1 });
    expect(difference(5, 0)).toEqual({ absolute: 5, relative: undefined });
  });
});
