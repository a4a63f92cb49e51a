import {
  formatExact,
  formatNumber,
  formatPlain,
  formatWithUnit,
  significant,
  toExpression,
  withShownUnit,
} from './format.js';

describe('a typed number', () => {
  it('gets the unit that is shown where it is bare, and stays as it is where it is not', () => {
    expect(['24', ' 6,4 ', '-.5'].map((text) => withShownUnit(text, 'length'))).toEqual([
      '24 m',
      '6.4 m',
      '-.5 m',
    ]);
    expect(withShownUnit('9', 'angle')).toBe('9 deg');
    expect(withShownUnit('3', 'number')).toBe('3');
    expect(['24 ft', 'span', '2 * 3', ''].map((text) => withShownUnit(text, 'length'))).toEqual([
      '24 ft',
      'span',
      '2 * 3',
      '',
    ]);
  });
});

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

  it('goes from SI to the display unit', () => {
    expect(formatNumber(12345, 'force')).toBe('12.3');
    expect(formatWithUnit(2.55e-2, 'deflection')).toBe('25.5\u00a0mm');
    expect(formatWithUnit(Math.PI / 20, 'angle')).toBe('9.00°');
    expect(formatPlain(0.45e3, 'areaLoad')).toBe('0.45\u00a0kN/m²');
    expect(formatExact(0.1 + 0.2, 'length')).toBe('0.3 m');
  });

  it('writes expressions that mean the same value', () => {
    expect(toExpression(22, 'length')).toBe('22 m');
    expect(toExpression(Math.PI / 20, 'angle')).toBe('9 deg');
    expect(toExpression(450, 'areaLoad')).toBe('0.45 kN/m^2');
    expect(toExpression(0.7, 'number')).toBe('0.7');
  });
});
