import { significant } from './significant.js';

describe('numbers for reading', () => {
  it('has three significant digits, whole numbers whole, a true minus', () => {
    expect(significant(1234.5)).toBe('1235');
    expect(significant(12.345)).toBe('12.3');
    expect(significant(0.012345)).toBe('0.0123');
    expect(significant(-5.678)).toBe('−5.68');
    expect(significant(1e9)).toBe('1.00e+9');
  });

  it('shows rounding noise as zero and what is not finite as a dash', () => {
    // As many digits where rounding leads into the next power
    expect([significant(0.9999), significant(99.96), significant(-0.99996, 4)]).toEqual([
      '1.00',
      '100',
      '−1.000',
    ]);
    expect(significant(1e-12)).toBe('0');
    expect(significant(-0)).toBe('0');
    expect(significant(NaN)).toBe('–');
    expect(significant(Infinity)).toBe('–');
  });
});
