import { phaseOf, swingAt, swingPeriod, swingSteps } from './swing';

describe('the swing of the moving picture', () => {
  it('goes from rest to one side, back, and to the other', () => {
    expect([0, 0.25, 0.5, 0.75].map((fraction) => Math.round(phaseOf(fraction) * 1e9) / 1e9)).toEqual([
      0, 1, 0, -1,
    ]);
  });

  it('begins anew after its period, whenever that is', () => {
    expect(swingAt(0)).toBe(0);
    expect(swingAt(swingPeriod / 4)).toBe(0.25);
    expect(swingAt(7 * swingPeriod + swingPeriod / 2)).toBeCloseTo(0.5, 9);
  });

  it('stands at its greatest in one of its steps', () => {
    const phases = Array.from({ length: swingSteps }, (_, k) => phaseOf(k / swingSteps));
    expect(Math.max(...phases)).toBe(1);
  });
});
