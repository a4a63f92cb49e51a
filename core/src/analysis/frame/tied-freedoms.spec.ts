import { addTied, type TiedFreedoms } from './tied-freedoms.js';

describe('tied freedoms', () => {
  // Two freedoms, u1 = q1 and u2 = 2 q1 − 3 q2, so that B = [[1, 0], [2, −3]]
  const tied: TiedFreedoms = {
    rowCount: 2,
    start: Int32Array.of(0, 2, 3),
    rows: Int32Array.of(0, 1, 1),
    factors: Float64Array.of(1, 2, -3),
    places: Float64Array.of(0, 1, 2),
  };

  it('add Bᵀ·K·B to what lies at their places', () => {
    const values = Float64Array.of(100, 0, 0);
    addTied(tied, Float64Array.of(5, 7, 7, 11), values);
    // By hand: KB = [[19, −21], [29, −33]], BᵀKB = [[77, −87], [−87, 99]]
    expect([...values]).toEqual([177, -87, 99]);
  });

  it('are clean of an earlier call that shared their workspace', () => {
    const work = Float64Array.of(8, 9);
    const values = new Float64Array(3);
    addTied(tied, Float64Array.of(5, 7, 7, 11), values, work);
    expect([...values]).toEqual([77, -87, 99]);
  });
});
