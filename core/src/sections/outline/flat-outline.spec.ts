import { flattened } from './flat-outline.js';

describe('outlines with straight lines for arcs', () => {
  it('of an I have its twelve corners, fillets as chords inside them', () => {
    const [ring] = flattened({ type: 'i', h: 0.3, b: 0.15, tw: 0.0071, tf: 0.0107, r: 0.015 });
    expect(ring!.corners.length).toBe(12);
    const zs = ring!.points.map(([, z]) => z);
    expect([Math.min(...zs), Math.max(...zs)]).toEqual([0, 0.3]);
    // Two points on each of the four fillets, none at the corner that they round
    expect(ring!.points.length).toBe(8 + 4 * 3);
  });

  it('of a tube lie on its two circles; its edges are seen where the circles are highest and widest', () => {
    const [outer, inner] = flattened({ type: 'circular-hollow', d: 0.2, t: 0.01 });
    const radius = ([y, z]: readonly [number, number]) => Math.hypot(y, z - 0.1);
    for (const point of outer!.points) expect(radius(point)).toBeCloseTo(0.1, 12);
    for (const point of inner!.points) expect(radius(point)).toBeCloseTo(0.09, 12);
    expect(outer!.corners.length).toBe(4);
    for (const corner of outer!.corners) expect(radius(corner)).toBeCloseTo(0.1, 12);
  });

  it('are found once for a shape', () => {
    const shape = { type: 'rectangle', h: 0.2, b: 0.1 } as const;
    expect(flattened(shape)).toBe(flattened(shape));
  });
});
