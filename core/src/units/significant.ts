const minus = '\u2212';

/**
 * Rounds for reading: `digits` significant digits, whole numbers kept whole, a true minus sign, never an exponent
 * between 1e-4 and 1e7. Magnitudes below 1e-9 of the display unit are shown as 0.
 */
export function significant(value: number, digits = 3): string {
  if (!Number.isFinite(value)) return '–';
  const size = Math.abs(value);
  if (size < 1e-9) return '0';
  // Of the number as it is rounded: 0.9999 is 1.00
  const exponent = Math.floor(Math.log10(Number(size.toPrecision(digits))) + 1e-12);
  let text: string;
  if (exponent >= 7 || exponent < -4) text = size.toExponential(digits - 1);
  else text = size.toFixed(Math.max(0, digits - 1 - exponent));
  if (Number(text) === 0) return '0';
  return value < 0 ? minus + text : text;
}
