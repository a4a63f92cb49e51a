import { gapsBehind } from './behind.js';

type Line = readonly [x0: number, y0: number, z0: number, x1: number, y1: number, z1: number];

/** Lines of 2 px between two places on the sheet, px, each with how near it is to the reader, m. */
const laid = (...lines: readonly Line[]) =>
  Float64Array.from(lines.flatMap(([x0, y0, z0, x1, y1, z1]) => [x0, y0, x1, y1, z0, z1, 1]));

describe('what passes behind', () => {
  it('is the farther of two lines that cross, as far as the nearer one and what it keeps free reach', () => {
    const [far, near] = gapsBehind(laid([0, 50, 0, 100, 50, 0], [40, 0, 2, 40, 100, 2]), 1, 3);
    // 40 ± (1 + 1 + 3) of 100 px: the ends of the far one are half its width longer
    expect(far!.map((share) => Number(share.toFixed(9)))).toEqual([0.35, 0.45]);
    expect(near).toEqual([]);
  });

  it('goes by how near both are where they cross, not at their ends', () => {
    const sloped = laid([0, 50, 0, 100, 50, 10], [20, 0, 5, 20, 100, 5], [80, 0, 5, 80, 100, 5]);
    const [first, second, third] = gapsBehind(sloped, 1, 3);
    // 2 m at the first, 8 m at the second
    expect(first!.length).toBe(2);
    expect(second).toEqual([]);
    expect(third!.length).toBe(2);
  });

  it('is nothing at a joint, nor where lines run almost alike or do not meet', () => {
    const corner = laid([0, 50, 0, 100, 50, 0], [50, 50, 0.5, 50, 100, 4]);
    expect(gapsBehind(corner, 1, 3)).toEqual([[], []]);
    const alike = laid([0, 50, 0, 100, 50, 0], [0, 45, 4, 100, 55, 4], [50, 60, 4, 50, 90, 4]);
    expect(gapsBehind(alike, 1, 3)).toEqual([[], [], []]);
  });

  it('of several that overlap, or leave a speck between them, is one', () => {
    const [far] = gapsBehind(
      laid([0, 50, 0, 100, 50, 0], [53, 0, 2, 53, 100, 2], [40, 0, 2, 40, 100, 2]),
      1,
      3,
    );
    expect(far!.map((share) => Number(share.toFixed(9)))).toEqual([0.35, 0.58]);
  });
});
