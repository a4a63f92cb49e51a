import { analysed } from './stages/index.js';
import { built, slipShed } from '../testing/designs.js';
import { ShapesOnDemand } from './shapes.js';

describe('shapes on demand', () => {
  const { model } = built({ ...slipShed(), analysis: { order: 1, imperfections: false } });
  const forces = analysed(model);

  it('are in order: each buckling factor above the last, each mode no slower', () => {
    const shapes = new ShapesOnDemand(forces);
    const factors = [1, 2, 3].map((number) => shapes.buckling('U1', number)!.factor);
    expect([...factors].sort((a, b) => a - b)).toEqual(factors);
    const frequencies = [1, 2, 3, 4].map((number) => shapes.mode(number)!.frequency);
    expect([...frequencies].sort((a, b) => a - b)).toEqual(frequencies);
    expect(frequencies[0]).toBeGreaterThan(0);
  });

  it('take what is known already, and work out once what is not', () => {
    const shapes = new ShapesOnDemand(forces);
    const first = shapes.buckling('U1', 1)!;
    const known = new ShapesOnDemand(forces);
    known.learn({ buckling: new Map([['U1', [first]]]), modes: undefined });
    expect(known.buckling('U1', 1)).toBe(first);
    const second = known.buckling('U1', 2)!;
    expect(second.factor).toBeGreaterThan(first.factor);
    expect(known.buckling('U1', 2)).toBe(second);
    expect(shapes.mode(1)).toBe(shapes.mode(1));
  });

  it('end where there are no more, and with what has no forces', () => {
    const shapes = new ShapesOnDemand(forces);
    shapes.buckling('U1', 1);
    expect(shapes.buckling('U1', 99)).toBeUndefined();
    expect(shapes.buckling('nobody', 1)).toBeUndefined();
    shapes.mode(1);
    expect(shapes.mode(99)).toBeUndefined();
  });
});
