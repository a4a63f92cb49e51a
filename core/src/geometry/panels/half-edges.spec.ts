import type { GeometryMember } from '../geometry.js';
import { HalfEdges } from './half-edges.js';
import type { Point } from '../vector.js';

const places: Readonly<Record<string, Point>> = { a: [0, 0, 0], b: [4, 0, 0], c: [4, 0, 3], d: [0, 0, 3] };
const member = (id: string, start: string, end: string): GeometryMember => ({
  id,
  start,
  end,
  tags: {},
  line: id,
});
const ring = [member('ab', 'a', 'b'), member('bc', 'b', 'c'), member('cd', 'c', 'd'), member('da', 'd', 'a')];
const of = (members: readonly GeometryMember[]) => new HalfEdges(members, (node) => places[node]!);
/** Looking along +y, a → b → c turns to the left about −y. */
const normal: Point = [0, -1, 0];

describe('half edges', () => {
  it('are two for each member, the way back beside the way there', () => {
    const halves = of(ring);
    expect([...halves.from]).toEqual([0, 1, 1, 2, 2, 3, 3, 0]);
    expect(halves.place(0)).toEqual([0, 0, 0]);
    expect(halves.place(1)).toEqual([4, 0, 0]);
    expect(halves.directionOf(0)).toEqual([1, 0, 0]);
    expect(halves.directionOf(1).map((v) => v + 0)).toEqual([-1, 0, 0]);
    expect(halves.edge(3)).toEqual({ member: 'bc', from: 'c', to: 'b', length: 3, forward: false });
    // Two leave every node
    expect([...halves.first]).toEqual([0, 2, 4, 6, 8]);
  });

  it('leave out members that join the same two nodes once more', () => {
    expect(of([...ring, member('again', 'b', 'a')]).from.length).toBe(8);
  });

  it('are followed round by always turning left, in one plane', () => {
    const halves = of([...ring, member('up', 'a', 'c')]);
    const path = halves.follow(0, normal)!;
    // The diagonal is farther to the left than the post
    expect(path.map((half) => halves.edge(half).member)).toEqual(['ab', 'bc', 'up']);
    expect(halves.isPassed(0, normal)).toBeTrue();
    // The same face from its other side
    expect(halves.isPassed(1, [0, 1, 0])).toBeTrue();
    expect(halves.isPassed(0, [0, 1, 0])).toBeFalse();
  });

  it('go back where nothing else lies in the plane, and end where nothing does', () => {
    const halves = of([member('ab', 'a', 'b')]);
    expect(halves.leftmost(0, normal)).toBe(1);
    expect(halves.leftmost(0, [1, 0, 0])).toBe(-1);
  });
});
