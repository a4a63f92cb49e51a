import { arcOf, byArcLength, circleThrough, graphOf, rootOf } from './curves.js';
import { closedSpline, crossesItself, doubleArea } from './spline.js';

describe('curves', () => {
  it('a circle through both ends and the point above mid-span', () => {
    const { centre, radius } = circleThrough(20, 2, 5);
    for (const [x, z] of [
      [0, 0],
      [20, 2],
      [10, 6],
    ] as const)
      expect(Math.hypot(x - centre[0], z - centre[1])).toBeCloseTo(radius, 10);
  });

  it('are divided at equal lengths of their own', () => {
    // The parabola z = x²/2 from 0 to 2: length (x√(1+x²) + asinh x)/2
    const curve = graphOf(
      2,
      (x) => (x * x) / 2,
      (x) => x,
    );
    const length = (x: number) => (x * Math.sqrt(1 + x * x) + Math.asinh(x)) / 2;
    const shares = [0.25, 0.5, 0.75];
    byArcLength(curve, shares).forEach((t, i) =>
      expect(length(2 * t) / length(2)).toBeCloseTo(shares[i]!, 9),
    );
    const arc = arcOf(circleThrough(20, 0, 5));
    byArcLength(arc, shares).forEach((t, i) => expect(t).toBeCloseTo(shares[i]!, 9));
  });

  it('a root lies where the function changes its sign', () => {
    expect(rootOf((x) => x * x - 2, 0, 2)).toBeCloseTo(Math.SQRT2, 12);
  });
});

describe('the closed spline', () => {
  const square = [
    [2, 0],
    [0, 2],
    [-2, 0],
    [0, -2],
  ] as const;

  it('passes its points, smooth where it closes', () => {
    const spline = closedSpline(square);
    square.forEach(([x, y], i) => {
      const [u, v] = spline.at(i / 4);
      expect(u).toBeCloseTo(x, 9);
      expect(v).toBeCloseTo(y, 9);
    });
    const h = 1e-5;
    const slope = (t: number) => spline.at(t + h)[1] - spline.at(t)[1];
    expect(slope(0) / (spline.at(1)[1] - spline.at(1 - h)[1])).toBeCloseTo(1, 3);
  });

  it('knows its sense and whether it crosses itself', () => {
    expect(doubleArea(square)).toBe(16);
    expect(crossesItself(square)).toBeFalse();
    expect(crossesItself([square[0], square[2], square[1], square[3]])).toBeTrue();
  });
});
