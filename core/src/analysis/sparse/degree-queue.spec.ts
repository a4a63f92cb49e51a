import { DegreeQueue } from './degree-queue.js';

describe('DegreeQueue', () => {
  it('gives the lowest degrees first, of equal ones the one added last', () => {
    const queue = new DegreeQueue(5, 9);
    [7, 3, 9, 3, 5].forEach((degree, vertex) => queue.add(vertex, degree));
    expect(Array.from({ length: 5 }, () => queue.take())).toEqual([3, 1, 4, 0, 2]);
  });

  it('forgets what is removed, at the front, in the middle and at the end of equal ones', () => {
    const queue = new DegreeQueue(6, 4);
    for (let vertex = 0; vertex < 6; vertex++) queue.add(vertex, 2);
    for (const vertex of [5, 2, 0]) queue.remove(vertex);
    expect([queue.take(), queue.take(), queue.take()]).toEqual([4, 3, 1]);
  });

  it('finds a vertex that comes back with a lower degree', () => {
    const queue = new DegreeQueue(3, 8);
    queue.add(0, 8);
    queue.add(1, 6);
    expect(queue.take()).toBe(1);
    queue.add(2, 1);
    expect(queue.take()).toBe(2);
    expect(queue.take()).toBe(0);
  });
});
