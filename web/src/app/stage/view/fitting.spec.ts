import { projected } from '@hashira/core';
import { known, sheetOf } from '../../testing/slip-shed';
import { textsOn } from '../labels/texts';
import { fittedView } from './fitting';
import { commonScales } from './scales';

describe('a fitted view', () => {
  const { scene } = known('fixed');
  const corners = [
    [0, 0, 0],
    [22, 0, 0],
    [0, 0, 6.4],
    [11, 0, 6.4 + 11 * Math.tan(Math.PI / 20)],
  ] as const;
  const span = (size: { width: number; height: number }, dimensions: boolean) => {
    const view = fittedView(scene, 'oblique', size, dimensions);
    const places = corners.map((corner) => projected(view, size, corner));
    const [xs, ys] = [0, 1].map((k) => places.map((place) => place[k]!)) as [number[], number[]];
    return {
      left: Math.min(...xs),
      right: size.width - Math.max(...xs),
      top: Math.min(...ys),
      bottom: size.height - Math.max(...ys),
      width: Math.max(...xs) - Math.min(...xs),
    };
  };

  it('looks at a plane frame from the front, whatever direction is asked for', () => {
    expect(fittedView(scene, 'oblique', { width: 700, height: 600 }, true)).toEqual(
      fittedView(scene, 'front', { width: 700, height: 600 }, true),
    );
  });

  it('leaves more room round a frame where dimensions are written', () => {
    const size = { width: 700, height: 600 };
    const [written, bare] = [span(size, true), span(size, false)];
    expect(written.left).toBeGreaterThan(130);
    expect(written.bottom).toBeGreaterThan(110);
    expect(bare.width).toBeGreaterThan(written.width);
  });

  it('gives a small sheet to the frame first', () => {
    const small = span({ width: 320, height: 200 }, true);
    for (const side of ['left', 'right', 'top', 'bottom'] as const) expect(small[side]).toBeGreaterThan(20);
    expect(small.width).toBeGreaterThan(0.3 * 320);
  });

  it('keeps diagrams and their values on sheets of every size: they grow with the frame', () => {
    const scales = commonScales([scene], 'My', { kind: 'automatic' });
    for (const size of [
      { width: 700, height: 460 },
      { width: 1900, height: 1050 },
      { width: 3800, height: 900 },
    ]) {
      const view = fittedView(scene, 'front', size, true);
      const values = textsOn({ ...sheetOf(scene), scales, view, size }).filter(({ of }) => of);
      expect(values.length).toBeGreaterThan(4);
      for (const { text, of: tip } of values) {
        expect(Math.min(tip![0], size.width - tip![0]))
          .withContext(text)
          .toBeGreaterThan(60);
        expect(Math.min(tip![1], size.height - tip![1]))
          .withContext(text)
          .toBeGreaterThan(20);
      }
    }
  });

  it('fills the sheet as far as frame and diagrams allow', () => {
    // The diagram may reach 0.13 of the diagonal to either side, and its value 75 px further; places are of single precision
    const size = { width: 3000, height: 3000 };
    const { left, right, width } = span(size, true);
    const reach = 0.13 * Math.hypot(22, 6.4 + 11 * Math.tan(Math.PI / 20));
    expect(left).toBeCloseTo((reach / 22) * width + 75, 4);
    expect(right).toBeCloseTo(left, 4);
  });
});
