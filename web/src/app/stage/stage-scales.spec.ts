import { calculatedSlipShed } from '../testing/slip-shed';
import { commonScales, niceFactor } from './stage-scales';

describe('scales', () => {
  const all = calculatedSlipShed();

  it('are the same whichever alternative has the largest value', () => {
    const together = commonScales(all, 'U1', 'M', { kind: 'automatic' });
    const hinged = commonScales([all[2]!], 'U1', 'M', { kind: 'automatic' });
    expect(together).toEqual(hinged);
    expect(commonScales([all[0]!], 'U1', 'M', { kind: 'automatic' }).diagram).toBeGreaterThan(
      together.diagram,
    );
  });

  it('take a typed factor as it is', () => {
    expect(commonScales(all, 'U1', 'M', { kind: 'fixed', factor: 1 }).deformation).toBe(1);
  });

  it('are finite without loads, without results, without frames', () => {
    for (const scales of [
      commonScales(all, 'none', 'M', { kind: 'automatic' }),
      commonScales([], 'U1', 'N', { kind: 'automatic' }),
    ])
      for (const value of Object.values(scales)) expect(Number.isFinite(value)).toBeTrue();
  });

  it('are round', () => {
    expect([1, 1.9, 4.2, 6.9, 99, 0.034].map((x) => Number(niceFactor(x).toPrecision(3)))).toEqual([
      1, 1.5, 3, 5, 70, 0.03,
    ]);
  });
});
