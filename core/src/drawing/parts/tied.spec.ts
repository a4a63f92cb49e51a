import type { Point } from '../../geometry/vector.js';
import { strokesOn } from '../../testing/strokes.js';
import { Draughtsman } from '../drawing.js';
import { drawTied } from './tied.js';

const drawn = (points: Readonly<Record<string, Point>>) => {
  const pen = new Draughtsman();
  drawTied(pen, Object.keys(points), (id) => points[id]);
  return pen.finish();
};

describe('nodes that are tied', () => {
  it('of one level are a floor: the outline of its corners, without the node within', () => {
    const floor = drawn({ a: [0, 0, 3], b: [4, 0, 3], c: [4, 5, 3], d: [0, 5, 3], inside: [2, 2, 3] });
    expect(strokesOn(floor, 'axes').length).toBe(4);
    expect(strokesOn(floor, 'members')).toEqual([]);
  });

  it('of several levels, or in one line, are linked to the first, with a square of four sides at each', () => {
    const linked = drawn({ a: [0, 0, 0], b: [1, 0, 1] });
    // A line and its light core
    expect(strokesOn(linked, 'members').length).toBe(2);
    expect(strokesOn(linked, 'hinges').length).toBe(2 * 4);
    expect(strokesOn(drawn({ a: [0, 0, 3], b: [4, 0, 3], c: [8, 0, 3] }), 'members').length).toBe(2 * 2);
  });
});
