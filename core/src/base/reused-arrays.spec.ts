import { ReusedArrays } from './reused-arrays.js';

describe('reused arrays', () => {
  const lengths = Array.from({ length: 5000 }, (_, i) => i % 29);

  it('are zeros of the asked length that share nothing until they are taken back', () => {
    const arrays = new ReusedArrays();
    for (let round = 0; round < 3; round++) {
      const taken = lengths.map((length) => arrays.take(length));
      expect(taken.every((array) => array.every((value) => value === 0))).toBeTrue();
      taken.forEach((array, i) => array.fill(i + 1));
      taken.forEach((array, i) => {
        expect(array.length).toBe(lengths[i]!);
        expect(array.every((value) => value === i + 1)).toBeTrue();
      });
      arrays.rewind();
    }
  });

  it('lie in the memory of those that were taken back', () => {
    const arrays = new ReusedArrays();
    const first = lengths.map((length) => arrays.take(length).buffer);
    arrays.rewind();
    expect(lengths.map((length) => arrays.take(length).buffer)).toEqual(first);
  });

  it('may be longer than a block, whatever was asked for before', () => {
    const arrays = new ReusedArrays();
    for (const length of [3, 100_000, 5, 200_000, 100_000, 3]) {
      arrays.rewind();
      const short = arrays.take(2).fill(7);
      const long = arrays.take(length);
      expect(long.length).toBe(length);
      expect(long.every((value) => value === 0)).toBeTrue();
      expect([...short]).toEqual([7, 7]);
    }
  });
});
