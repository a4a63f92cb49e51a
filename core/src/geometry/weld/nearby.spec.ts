import { PointGrid, PointOrder } from './nearby.js';
import { norm, type Point } from '../vector.js';
import { generator } from '../../testing/random.js';

describe('points by cells of space', () => {
  it('are found within reach, also across the border of a cell, the nearest first', () => {
    const grid = new PointGrid(1e-4);
    grid.add('a', [1, 2, 3]);
    grid.add('b', [1, 2, 3.00005]);
    expect(grid.firstAt([1, 2, 2.99995])).toBe('a');
    expect(grid.firstAt([1, 2, 3.00004])).toBe('b');
    expect(grid.firstAt([1, 2, 3.0002])).toBeUndefined();
  });

  it('are those that a look at all of them finds, however far out they lie', () => {
    const random = generator(5);
    const points = Array.from({ length: 400 }, (): Point => {
      const far = random() < 0.2 ? 1e7 : 2;
      return [far * (random() - 0.5), far * (random() - 0.5), far * (random() - 0.5)];
    });
    const grid = new PointGrid(0.2);
    points.forEach((at, k) => grid.add(`${k}`, at));
    for (let trial = 0; trial < 300; trial++) {
      const p: Point = [2 * (random() - 0.5), 2 * (random() - 0.5), 2 * (random() - 0.5)];
      const off = points.map((q) => Math.hypot(p[0] - q[0], p[1] - q[1], p[2] - q[2]));
      const least = Math.min(...off);
      expect(grid.firstAt(p)).toBe(least < 0.2 ? `${off.indexOf(least)}` : undefined);
    }
  });

  it('sorted along the axes give those in the box about a line', () => {
    const points = [0, 1, 2, 3].map((x) => ({ id: `${x}`, at: [x, 0, 0] as Point }));
    expect(new PointOrder(points).within([2.1, 0, 0], [0.9, 0, 0], 0.01).map(({ id }) => id)).toEqual([
      '1',
      '2',
    ]);
  });
});

describe('the length of a vector', () => {
  it('is that of Pythagoras, also where squares leave the range of numbers', () => {
    expect(norm(2, 3, 6)).toBe(7);
    expect(norm(2e200, 3e200, 6e200) / 1e200).toBeCloseTo(7, 12);
    expect(norm(2e-200, 3e-200, 6e-200) / 1e-200).toBeCloseTo(7, 12);
    expect(norm(0, 0, 0)).toBe(0);
  });
});
