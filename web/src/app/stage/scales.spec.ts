import { known } from '../testing/slip-shed';
import { commonScales, niceFactor } from './scales';

describe('scales', () => {
  const scenes = [known('fixed').scene, known('three-hinges').scene];
  const automatic = { kind: 'automatic' } as const;

  it('are common to all frames and go by the largest value of all', () => {
    const both = commonScales(scenes, 'My', automatic);
    const largest = Math.max(...scenes.map(({ most }) => most.diagram));
    // 0.13 of the frame's diagonal: 22 m wide, 8.142 m high
    expect(both.diagram * largest).toBeCloseTo(0.13 * Math.hypot(22, 6.4 + 11 * Math.tan(Math.PI / 20)), 6);
    expect(both.diagram).toBeLessThan(commonScales([scenes[0]!], 'My', automatic).diagram);
  });

  it('do not let ordinates tower above a long low frame: it counts as six times its height', () => {
    const [shed] = scenes;
    const row = (width: number, height: number) => ({
      ...shed!,
      points: Float32Array.of(0, 0, 0, width, 0, 0, width, 0, height, 0, 0, height),
    });
    const ordinate = (width: number, height: number) =>
      commonScales([row(width, height)], 'My', automatic).diagram * shed!.most.diagram;
    // Forty bays of 6 m, three storeys of 3.5 m
    expect(ordinate(240, 10.5)).toBeCloseTo(0.13 * 6 * 10.5, 6);
    expect(ordinate(22, 8)).toBeCloseTo(0.13 * Math.hypot(22, 8), 6);
    // A beam has no height
    expect(ordinate(12, 0)).toBeCloseTo(0.13 * 12, 6);
  });

  it('deform by a round factor found from the largest displacement, or by the one typed', () => {
    const found = commonScales(scenes, 'none', automatic).deformation;
    expect(found).toBe(niceFactor(found));
    const largest = Math.max(...scenes.map(({ most }) => most.deformation));
    expect(found * largest).toBeLessThanOrEqual(0.07 * 24);
    expect(found * largest).toBeGreaterThan(0.07 * 10);
    expect(commonScales(scenes, 'none', { kind: 'fixed', factor: 40 }).deformation).toBe(40);
  });

  it('are finite where there is nothing to draw', () => {
    expect(commonScales([], 'My', automatic)).toEqual({ diagram: 0, load: 0, deformation: 1 });
  });

  it('a round factor is never above its value', () => {
    for (const [value, round] of [
      [1, 1],
      [1.49, 1],
      [68, 50],
      [0.0031, 0.003],
      [999, 700],
    ] as const)
      expect(niceFactor(value)).toBeCloseTo(round, 9);
  });
});
