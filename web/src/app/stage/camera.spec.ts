import { extentOf, fitCamera, pan, project, union, unproject, zoomAt } from './camera';

describe('camera', () => {
  const size = { width: 800, height: 600 };
  const margins = { left: 100, right: 50, top: 40, bottom: 60 };
  const extent = { minX: 0, maxX: 22, minZ: 0, maxZ: 8 };

  it('fits an extent inside the margins, Z up', () => {
    const camera = fitCamera(extent, size, margins);
    const [left, bottom] = project(camera, size, 0, 0);
    const [right, top] = project(camera, size, 22, 8);
    expect(left).toBeCloseTo(100, 9);
    expect(right).toBeCloseTo(750, 9);
    expect(bottom).toBeGreaterThan(top);
    expect((bottom + top) / 2).toBeCloseTo((40 + 540) / 2, 9);
  });

  it('unprojects what it projects', () => {
    const camera = fitCamera(extent, size, margins);
    const { x, z } = unproject(camera, size, project(camera, size, 3.7, 5.1));
    expect(x).toBeCloseTo(3.7, 9);
    expect(z).toBeCloseTo(5.1, 9);
  });

  it('zooms about the pointer, and pans with it', () => {
    const camera = fitCamera(extent, size, margins);
    const at = [200, 300] as const;
    const before = unproject(camera, size, at);
    const after = unproject(zoomAt(camera, size, at, 1.7), size, at);
    expect(after.x).toBeCloseTo(before.x, 9);
    expect(after.z).toBeCloseTo(before.z, 9);
    const [x, y] = project(pan(camera, 10, -20), size, 0, 0);
    const [x0, y0] = project(camera, size, 0, 0);
    expect([x - x0, y - y0].map((d) => Math.round(d))).toEqual([10, -20]);
  });

  it('never zooms out of reach', () => {
    let camera = fitCamera(extent, size, margins);
    for (let i = 0; i < 200; i++) camera = zoomAt(camera, size, [0, 0], 2);
    expect(camera.scale).toBeLessThanOrEqual(2000);
  });

  it('joins extents', () => {
    expect(union(extentOf([0, 0, 1, 5, 0, 2]), extentOf([-1, 0, 0]))).toEqual({
      minX: -1,
      maxX: 5,
      minZ: 0,
      maxZ: 2,
    });
  });
});
