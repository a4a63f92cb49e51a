import { outlinePath } from './outline-path.js';

/** Area and ends of a path of straight lines, by the shoelace formula, mm. */
function areaOf(path: string): number {
  return path
    .split('Z')
    .filter((ring) => ring !== '')
    .reduce((sum, ring) => {
      const points = [...ring.matchAll(/[ML](-?[\d.]+) (-?[\d.]+)/g)].map(([, x, y]) => [
        Number(x),
        Number(y),
      ]);
      const ringArea = points.reduce((twice, [x0, y0], i) => {
        const [x1, y1] = points[(i + 1) % points.length]!;
        return twice + x0! * y1! - x1! * y0!;
      }, 0);
      return sum + ringArea / 2;
    }, 0);
}

describe('outlinePath', () => {
  it('of an I without fillets encloses its area, in the box of its dimensions', () => {
    const { path, width, height } = outlinePath({ type: 'i', h: 0.3, b: 0.15, tw: 0.007, tf: 0.01 });
    expect([width, height].map((v) => Math.round(1e6 * v) / 1e6)).toEqual([150, 300]);
    // 2·150·10 + 280·7
    expect(Math.abs(areaOf(path))).toBeCloseTo(4960, 6);
  });

  it('takes the hole of a hollow section out: its ring goes the other way round', () => {
    const { path } = outlinePath({ type: 'plate-box', h: 0.2, b: 0.1, tw: 0.005, tf: 0.008 });
    expect(path.split('M').length - 1).toBe(2);
    // 200·100 − 184·90
    expect(Math.abs(areaOf(path))).toBeCloseTo(3440, 6);
  });

  it('rounds corners by arcs that end where the straight sides begin', () => {
    const { path, width } = outlinePath({ type: 'circular-hollow', d: 0.1143, t: 0.005 });
    expect(width).toBeCloseTo(114.3, 9);
    expect([...path.matchAll(/A57.15 57.15/g)].length).toBe(4);
    expect([...path.matchAll(/A52.15 52.15/g)].length).toBe(4);
  });
});
