import { fitView, metric, projected, standardViews, type DrawnScene } from '@hashira/core';
import { known, sheetOf } from '../../testing/slip-shed';
import { placeDimensions, textOf } from '../view/dimension-lines';
import { textsOn } from './texts';

describe('dimension lines', () => {
  const { scene } = known('fixed');
  const { view, size } = sheetOf(scene);
  const on = { view, size, units: metric };
  const placed = placeDimensions(scene, on);
  const named = (field: string) => placed.find(({ dimension }) => dimension.field === field)!;

  it('stand beside what they measure, each with its value', () => {
    expect(placed.map(({ dimension }) => textOf(dimension, metric))).toEqual([
      '22\u00a0m',
      '6.4\u00a0m',
      '9°',
    ]);
    // The span below the frame, the height to its left
    const [, ground] = projected(view, size, [0, 0, 0]);
    expect(named('bays/0').at[1]).toBeGreaterThan(ground + 50);
    expect(named('eaves').at[0]).toBeLessThan(100);
  });

  it('change by as much as the pointer moves along them', () => {
    // 22 m over the 600 px between the margins
    expect(named('bays/0').perPixel[0]).toBeCloseTo(22 / 600, 6);
    expect(named('bays/0').perPixel[1]).toBeCloseTo(0, 9);
    expect(Math.abs(named('eaves').perPixel[1])).toBeCloseTo(22 / 600, 6);
  });

  it('are left out under what lies over the sheet, but not while their number is dragged', () => {
    const { box, dimension } = named('bays/0');
    const fields = (dragged?: string) =>
      placeDimensions(scene, on, { taken: [box], dragged }).map((one) => one.dimension.field);
    expect(fields()).not.toContain('bays/0');
    expect(fields(dimension.id)).toContain('bays/0');
  });

  it('do not lie on each other, and leave out what is too short to read', () => {
    for (const [i, a] of placed.entries())
      for (const b of placed.slice(i + 1))
        expect(
          a.box.left + a.box.width <= b.box.left ||
            b.box.left + b.box.width <= a.box.left ||
            a.box.top + a.box.height <= b.box.top ||
            b.box.top + b.box.height <= a.box.top,
        ).toBeTrue();
    expect(placeDimensions(scene, { ...on, view: { ...view, scale: 0.5 } })).toEqual([]);
  });

  it('show no angle where it is not seen in its own plane', () => {
    const oblique = fitView(scene.points, standardViews.oblique, size, {
      left: 99,
      right: 99,
      top: 99,
      bottom: 99,
    });
    expect(
      placeDimensions(scene, { ...on, view: oblique }).some(({ dimension }) => dimension.kind === 'angle'),
    ).toBeFalse();
  });
});

describe('texts', () => {
  const { scene } = known('fixed');
  const sheet = sheetOf(scene);

  it('are those of the layers that are shown', () => {
    const tones = (layers: typeof sheet.layers) =>
      new Set(textsOn({ ...sheet, layers }).map(({ tone }) => tone));
    expect(tones(['reactions'])).toEqual(new Set(['moss']));
    expect(tones(['loads'])).toEqual(new Set(['ochre']));
    expect(tones([]).size).toBe(0);
  });

  it('move with the scale of their diagram', () => {
    const at = (diagram: number, drawn: DrawnScene = scene) =>
      textsOn({ ...sheet, scene: drawn, layers: ['diagram'], scales: { ...sheet.scales, diagram } }).map(
        (label) => label.at,
      );
    const [small, large] = [at(1e-6), at(2e-5)];
    expect(small.length).toBe(large.length);
    expect(small.some(([x, y], i) => Math.hypot(x - large[i]![0], y - large[i]![1]) > 20)).toBeTrue();
  });
});
