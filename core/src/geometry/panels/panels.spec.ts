import type { Geometry, GeometryMember } from '../geometry.js';
import { emptyGeometry } from '../geometry.js';
import { panelsOf, sidesOf } from './panels.js';
import type { Point } from '../vector.js';

/** A frame of nodes by place and members between pairs of them, by number. */
function frame(places: readonly Point[], pairs: readonly (readonly [number, number])[]) {
  const nodes = new Map(places.map((at, n) => [`${n}`, { id: `${n}`, at, tags: {} }]));
  const members = pairs.map(([a, b], k): GeometryMember => {
    const id = `m${k}`;
    return { id, start: `${a}`, end: `${b}`, tags: {}, line: id };
  });
  const geometry: Geometry = {
    ...emptyGeometry,
    nodes,
    members: new Map(members.map((member) => [member.id, member])),
  };
  return panelsOf(geometry, members);
}
const areas = (faces: ReturnType<typeof frame>) =>
  faces.map(({ area }) => Number(area.toFixed(9))).sort((a, b) => a - b);

const box: Point[] = [0, 3].flatMap((z): Point[] => [
  [0, 0, z],
  [6, 0, z],
  [6, 4, z],
  [0, 4, z],
]);
const boxEdges = [0, 4].flatMap((k) =>
  [0, 1, 2, 3].map((i) => [k + i, k + ((i + 1) % 4)] as [number, number]),
);
const posts = [0, 1, 2, 3].map((i) => [i, i + 4] as [number, number]);

describe('panels that members bound', () => {
  it('of a box: its six faces, each once', () => {
    expect(areas(frame(box, [...boxEdges, ...posts]))).toEqual([12, 12, 18, 18, 24, 24]);
  });

  it('have edges in order round them, with their lengths, against the clock about the normal', () => {
    const [face] = frame(box.slice(0, 4), boxEdges.slice(0, 4));
    const { edges, corners, directions, normal } = face!;
    expect(edges.map(({ length }) => length).sort()).toEqual([4, 4, 6, 6]);
    edges.forEach(({ to }, i) => expect(edges[(i + 1) % 4]!.from).toBe(to));
    // Twice the area by the shoelace formula has the sign of the normal
    const twice = corners.reduce((sum, p, i) => {
      const q = corners[(i + 1) % 4]!;
      return sum + (p[0] * q[1] - p[1] * q[0]);
    }, 0);
    expect(twice / 2).toBeCloseTo(24 * Math.sign(normal[2]), 9);
    directions.forEach((d) => expect(Math.hypot(...d)).toBeCloseTo(1, 12));
  });

  it('know which way each member is passed', () => {
    const corners: Point[] = [
      [0, 0, 0],
      [1, 0, 0],
      [0, 1, 0],
    ];
    const round: [number, number][] = [
      [0, 1],
      [2, 1],
      [2, 0],
    ];
    const [face] = frame(corners, round);
    for (const { member, from, to, forward } of face!.edges) {
      const [start, end] = round[Number(member.slice(1))]!;
      expect([from, to]).toEqual(forward ? [`${start}`, `${end}`] : [`${end}`, `${start}`]);
    }
    // One of the three runs against the other two
    expect([1, 2]).toContain(face!.edges.filter(({ forward }) => forward).length);
  });

  it('are divided by members across them and not by members that end inside', () => {
    const places: Point[] = [...box.slice(0, 4), [2, 2, 0]];
    expect(areas(frame(places, [...boxEdges.slice(0, 4), [0, 4]]))).toEqual([24]);
    expect(areas(frame(places, [...boxEdges.slice(0, 4), [0, 4], [4, 2]]))).toEqual([10, 14]);
  });

  it('are found where two members lie between the same nodes', () => {
    expect(areas(frame(box.slice(0, 4), [...boxEdges.slice(0, 4), [0, 1]]))).toEqual([24]);
  });

  it('need a plane: four corners that are warped bound none', () => {
    const warped: Point[] = [[0, 0, 0.5], ...box.slice(1, 4)];
    expect(frame(warped, boxEdges.slice(0, 4))).toEqual([]);
  });

  it('of a grid of n × m fields: n m, whatever the plane is turned to', () => {
    const [c, s] = [Math.cos(0.4), Math.sin(0.4)];
    const places: Point[] = [];
    const pairs: [number, number][] = [];
    for (let i = 0; i < 5; i++)
      for (let j = 0; j < 4; j++) {
        places.push([2 * i * c, 3 * j, 2 * i * s]);
        if (i > 0) pairs.push([4 * i + j, 4 * (i - 1) + j]);
        if (j > 0) pairs.push([4 * i + j - 1, 4 * i + j]);
      }
    expect(areas(frame(places, pairs))).toEqual(Array.from({ length: 12 }, () => 6));
  });
});

describe('the sides of a panel', () => {
  it('join edges in one line', () => {
    const places: Point[] = [...box.slice(0, 4), [2, 0, 0]];
    const [face] = frame(places, [
      [0, 4],
      [4, 1],
      [1, 2],
      [2, 3],
      [3, 0],
    ]);
    const sides = sidesOf(face!);
    expect(sides.map(({ edges }) => edges.length).sort()).toEqual([1, 1, 1, 2]);
    for (const { from, to, edges } of sides)
      expect(Math.hypot(to[0] - from[0], to[1] - from[1], to[2] - from[2])).toBeCloseTo(
        edges.reduce((sum, { length }) => sum + length, 0),
        9,
      );
  });
});
