import { projected } from '@hashira/core';
import { known } from '../../testing/slip-shed';
import { fittedView } from './fitting';

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
});
