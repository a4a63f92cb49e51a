import { memberAxes } from './axes.js';

/** x, y and z of a member along d, turned by roll, as rows. */
function axesOf(d: readonly [number, number, number], roll = 0): number[][] {
  const out = new Float64Array(9);
  memberAxes(d, roll, out, 0);
  return [0, 3, 6].map((at) => [...out.slice(at, at + 3)]);
}

const expectRows = (rows: number[][], wanted: number[][]) =>
  rows.forEach((row, r) => row.forEach((value, k) => expect(value).toBeCloseTo(wanted[r]![k]!, 12)));

describe('the local axes of a member', () => {
  it('of a level one: z points up, y to the left of its way', () => {
    expectRows(axesOf([3, 0, 0]), [[1, 0, 0], [0, 1, 0], [0, 0, 1]]); // oxfmt-ignore
    expectRows(axesOf([0, 2, 0]), [[0, 1, 0], [-1, 0, 0], [0, 0, 1]]); // oxfmt-ignore
  });

  it('of a vertical one: y is +Y, up and down', () => {
    expectRows(axesOf([0, 0, 5]), [[0, 0, 1], [0, 1, 0], [-1, 0, 0]]); // oxfmt-ignore
    expectRows(axesOf([0, 0, -5]), [[0, 0, -1], [0, 1, 0], [1, 0, 0]]); // oxfmt-ignore
  });

  it('are turned about x right-handed: a quarter turn brings z to where −y was', () => {
    expectRows(axesOf([3, 0, 0], Math.PI / 2), [[1, 0, 0], [0, 0, 1], [0, -1, 0]]); // oxfmt-ignore
  });

  it('are a right-handed set of unit vectors for any member', () => {
    for (const [d, roll] of [
      [[1, 2, 3], 0.3],
      [[-4, 0.1, 0.2], -1.1],
      [[0.001, 0, -7], 2],
    ] as const) {
      const [x, y, z] = axesOf(d, roll) as [number[], number[], number[]];
      const dot = (a: number[], b: number[]) => a.reduce((sum, v, k) => sum + v * b[k]!, 0);
      for (const axis of [x, y, z]) expect(dot(axis, axis)).toBeCloseTo(1, 12);
      const cross = [0, 1, 2].map(
        (k) => x[(k + 1) % 3]! * y[(k + 2) % 3]! - x[(k + 2) % 3]! * y[(k + 1) % 3]!,
      );
      cross.forEach((value, k) => expect(value).toBeCloseTo(z[k]!, 12));
    }
  });

  it('come with the length', () => {
    expect(memberAxes([3, 4, 12], 0, new Float64Array(9), 0)).toBe(13);
  });
});
