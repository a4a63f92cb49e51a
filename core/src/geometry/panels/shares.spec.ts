import { built, designWith } from '../../testing/designs.js';
import type { Load } from '../../model/types.js';
import type { AreaRule, Step } from '../../document/types.js';

type Line = Extract<Load, { kind: 'distributed' }>;

/** A closed polygon of beams at 3 m above the ground. */
function loadsOn(corners: readonly (readonly [number, number])[], area: Partial<AreaRule> = {}) {
  const ring: Step = {
    id: 'p',
    make: 'line',
    points: corners.map(([x, y]) => [`${x} m`, `${y} m`, '3 m']),
    closed: true,
    role: 'edge',
  };
  const { model } = built(
    designWith([ring], {
      loadCases: [{ id: 'Q', title: 'Q', category: 'imposed' }],
      rules: [{ id: 'q', members: 'true', area: { case: 'Q', direction: 'z', q: '-1 kN/m^2', ...area } }],
    }),
  );
  const node = (id: string) => model.nodes.find((one) => one.id === id)!;
  const length = (member: string) => {
    const { start, end } = model.members.find(({ id }) => id === member)!;
    const [a, b] = [node(start), node(end)];
    return Math.hypot(b.x - a.x, (b.y ?? 0) - (a.y ?? 0), b.z - a.z);
  };
  const pieces = (model.loadCases![0]!.loads ?? []).filter((one): one is Line => one.kind === 'distributed');
  /** m² that each edge carries, in the order of the corners. */
  const shares = corners.map((_, i) => {
    const id = `p.edge.${i + 1}`;
    const own = pieces.filter(({ member }) => member === id);
    return own.reduce(
      (sum, { q, from = 0, to = 1 }) => sum - ((q[0] + q[1]) / 2e3) * (to - from) * length(id),
      0,
    );
  });
  return { pieces, shares, total: shares.reduce((sum, one) => sum + one, 0) };
}
const rounded = (values: readonly number[]) => values.map((value) => Number(value.toFixed(6)));

const rectangle = [
  [0, 0],
  [6, 0],
  [6, 4],
  [0, 4],
] as const;

describe('a panel shared two-way', () => {
  it('of 6 × 4 m: triangles of 4 m² on the short edges, trapezoids of 8 m² on the long ones', () => {
    const { shares, pieces } = loadsOn(rectangle);
    expect(rounded(shares)).toEqual([8, 4, 8, 4]);
    // The deepest strip is half the short side: 2 m of 1 kN/m²
    expect(Math.max(...pieces.flatMap(({ q }) => q.map(Math.abs)))).toBeCloseTo(2000, 6);
  });

  it('square: a quarter to each edge', () => {
    const side = [
      [0, 0],
      [5, 0],
      [5, 5],
      [0, 5],
    ] as const;
    expect(rounded(loadsOn(side).shares)).toEqual([6.25, 6.25, 6.25, 6.25]);
  });

  it('equilateral: a third to each edge', () => {
    const h = 3 * Math.sqrt(3);
    const { shares, total } = loadsOn([
      [0, 0],
      [6, 0],
      [3, h],
    ]);
    for (const share of shares) expect(share).toBeCloseTo((6 * h) / 2 / 3, 6);
    expect(total).toBeCloseTo((6 * h) / 2, 6);
  });

  it('of any outline: all of its area, none twice', () => {
    // Shoelace areas
    for (const [area, corners] of [
      [
        20,
        [
          [0, 0],
          [6, 0],
          [4, 4],
          [0, 4],
        ],
      ],
      [
        // An L, not convex: 6 × 4 less 3 × 2
        18,
        [
          [0, 0],
          [6, 0],
          [6, 2],
          [3, 2],
          [3, 4],
          [0, 4],
        ],
      ],
    ] as const)
      expect(loadsOn(corners).total).toBeCloseTo(area, 1);
  });
});

describe('a panel shared one way', () => {
  it('along x rests on the edges at both ends of x, the others carry nothing', () => {
    expect(rounded(loadsOn(rectangle, { share: 'x' }).shares)).toEqual([0, 12, 0, 12]);
    expect(rounded(loadsOn(rectangle, { share: 'y' }).shares)).toEqual([12, 0, 12, 0]);
  });

  it('along its long or its short side', () => {
    expect(rounded(loadsOn(rectangle, { share: 'long' }).shares)).toEqual([0, 12, 0, 12]);
    expect(rounded(loadsOn(rectangle, { share: 'short' }).shares)).toEqual([12, 0, 12, 0]);
  });

  it('of a trapezium: strips rest half on either of their ends', () => {
    const { shares, total } = loadsOn(
      [
        [0, 0],
        [6, 0],
        [4, 4],
        [0, 4],
      ],
      { share: 'x' },
    );
    expect(total).toBeCloseTo(20, 6);
    expect(shares[1]).toBeCloseTo(10, 6);
    expect(shares[3]).toBeCloseTo(10, 6);
  });
});
