import { greatestMagnitude, isZero } from './magnitude.js';

describe('magnitudes', () => {
  it('are the greatest of either sign, 0 of nothing, and not a number where a value is none', () => {
    expect(greatestMagnitude([1, -3, 2])).toBe(3);
    expect(greatestMagnitude(new Float64Array(0))).toBe(0);
    expect(greatestMagnitude([1, NaN, 2])).toBeNaN();
  });

  it('are all zero where no value is another', () => {
    expect(isZero([0, -0, 0])).toBeTrue();
    expect(isZero([])).toBeTrue();
    expect(isZero([0, 1e-300])).toBeFalse();
    expect(isZero([NaN])).toBeFalse();
  });
});
