import { ShortArrays } from './short-arrays.js';

describe('short arrays', () => {
  it('are zeros of the asked length that share nothing, over many blocks', () => {
    const arrays = new ShortArrays();
    const taken = Array.from({ length: 3000 }, (_, i) => arrays.take(i % 7).fill(i));
    taken.forEach((array, i) => {
      expect(array.length).toBe(i % 7);
      expect(array.every((value) => value === i)).toBeTrue();
    });
  });

  it('may be longer than a block', () => {
    const arrays = new ShortArrays();
    const short = arrays.take(3).fill(1);
    const long = arrays.take(100_000);
    expect(long.length).toBe(100_000);
    expect(long.every((value) => value === 0)).toBeTrue();
    arrays.take(3).fill(2);
    expect([...short]).toEqual([1, 1, 1]);
  });
});
