import { fitView, projected, standardViews, type View } from '@hashira/core';
import { drawnAxes, panned, PickIndex, spaceAt, turnedBy, zoomedAt } from './navigation';

describe('navigation', () => {
  const size = { width: 400, height: 300 };
  // A member along X on the ground, one upright, one away from the reader
  const ends = Float32Array.from([0, 0, 0, 10, 0, 0, 0, 0, 0, 0, 0, 6, 10, 0, 0, 10, 8, 0]);
  const margins = { left: 40, right: 40, top: 40, bottom: 40 };
  const front = fitView(ends, standardViews.front, size, margins);
  const oblique = fitView(ends, standardViews.oblique, size, margins);
  const on = (view: View, p: readonly [number, number, number]) => projected(view, size, p);

  it('pans what is under the pointer by the px it is dragged, whatever the view', () => {
    for (const view of [front, oblique]) {
      const before = on(view, [3, 0, 2]);
      const after = on(panned(view, 30, -12), [3, 0, 2]);
      expect(after[0] - before[0]).toBeCloseTo(30, 6);
      expect(after[1] - before[1]).toBeCloseTo(-12, 6);
    }
  });

  it('tells where a point of the sheet is in the plane that is seen best, through a place of the frame', () => {
    const back = (
      view: View,
      p: readonly [number, number, number],
      through: readonly [number, number, number],
    ) => {
      const [x, y] = on(view, p);
      return spaceAt({ at: [x, y], view, size }, through);
    };
    const plan = fitView(ends, standardViews.plan, size, margins);
    const side = fitView(ends, standardViews.side, size, margins);
    expect([front, side, plan].map(drawnAxes)).toEqual([
      [0, 2],
      [1, 2],
      [0, 1],
    ]);
    // From the front a place 5 m deep stays 5 m deep, from above one 3 m high stays 3 m high
    for (const [view, p, through] of [
      [front, [4, 5, 2], [0, 5, 0]],
      [side, [10, 3, 1], [10, 0, 0]],
      [plan, [4, 6, 3], [0, 0, 3]],
    ] as const)
      back(view, p, through).forEach((c, k) => expect(c).toBeCloseTo(p[k]!, 6));
  });

  it('zooms about a point that stays where it is', () => {
    const p = [3, 0, 2] as const;
    const at = on(oblique, p);
    const nearer = zoomedAt(oblique, size, at, 2);
    expect(nearer.scale).toBeCloseTo(2 * oblique.scale, 9);
    expect(on(nearer, p)[0]).toBeCloseTo(at[0], 6);
    expect(on(nearer, p)[1]).toBeCloseTo(at[1], 6);
    expect(zoomedAt(front, size, [0, 0], 1e9).scale).toBe(4000);
  });

  it('turns about the vertical, and never over the top', () => {
    const turned = turnedBy(oblique, 0.3, 9);
    expect(turned.turn).toBeCloseTo(oblique.turn + 0.3, 12);
    expect(turned.tilt).toBe(Math.PI / 2);
  });

  it('picks the nearest member and the fraction of its length', () => {
    const index = new PickIndex(ends, front, size);
    const [x, y] = on(front, [2.5, 0, 0]);
    const near = index.nearest([x, y + 5])!;
    expect(near.member).toBe(0);
    expect(near.fraction).toBeCloseTo(0.25, 6);
    expect(index.nearest([x, y + 40])).toBeUndefined();
    const upright = on(front, [0, 0, 3]);
    expect(index.nearest([upright[0] - 4, upright[1]])!.member).toBe(1);
  });

  it('picks members that are seen from their end', () => {
    const index = new PickIndex(ends.subarray(12), front, size);
    const [x, y] = on(front, [10, 4, 0]);
    expect(index.nearest([x, y])!.member).toBe(0);
  });

  it('picks along members far larger than the sheet', () => {
    const near = { ...front, scale: front.scale * 20 };
    const index = new PickIndex(ends, near, size);
    const p = on(near, [5, 0, 0]);
    const moved = panned(near, size.width / 2 - p[0], size.height / 2 - p[1]);
    const there = new PickIndex(ends, moved, size).nearest([size.width / 2, size.height / 2])!;
    expect(there.fraction).toBeCloseTo(0.5, 4);
    expect(index.nearest([-500, -500])).toBeUndefined();
  });
});
