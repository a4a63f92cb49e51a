import type { QuantityName } from './quantities.js';
import { shownUnit } from './system.js';

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

/** SI value → text in the display unit without the unit. */
export function formatNumber(value: number, quantity: QuantityName, digits = 3): string {
  return significant(value * shownUnit(quantity).factor, digits);
}

/** SI value → text with its display unit, e.g. `formatWithUnit(12345, 'force')` → `12.3 kN`. */
export function formatWithUnit(value: number, quantity: QuantityName, digits = 3): string {
  const unit = shownUnit(quantity).unit;
  const gap = unit === '' || unit === '°' ? '' : '\u00a0';
  return formatNumber(value, quantity, digits) + gap + unit;
}

/** The same for a sentence: with a space at which a line may break. */
export function inSentence(value: number, quantity: QuantityName, digits = 3): string {
  return formatWithUnit(value, quantity, digits).replace('\u00a0', ' ');
}

/** SI value → text with its unit and without trailing zeros, up to `digits` significant digits: `22 m`, `0.45 kN/m²`. */
export function formatPlain(value: number, quantity: QuantityName, digits = 5): string {
  const { factor, unit } = shownUnit(quantity);
  const number = String(Number((value * factor).toPrecision(digits))).replace('-', minus);
  return number + (unit === '' || unit === '°' ? '' : '\u00a0') + unit;
}

/** SI value → text that keeps every digit of the double, for copying and for hovering. */
export function formatExact(value: number, quantity: QuantityName): string {
  const { factor, unit } = shownUnit(quantity);
  const shown = Number((value * factor).toPrecision(12));
  return `${String(shown).replace('-', minus)}${unit ? ` ${unit}` : ''}`;
}

/** What is typed for a quantity: a bare number, which may have a decimal comma, gets the unit that is shown; all else stays. */
export function withShownUnit(typed: string, quantity: QuantityName): string {
  const text = typed.trim();
  if (!/^[-+]?\d*[.,]?\d+$/.test(text)) return text;
  return `${text.replace(',', '.')} ${shownUnit(quantity).expressionUnit}`.trim();
}

/** SI value → expression text in the display unit, e.g. `22 m`, for parameters that are dragged. */
export function toExpression(value: number, quantity: QuantityName): string {
  const { factor, expressionUnit } = shownUnit(quantity);
  const number = String(Number((value * factor).toPrecision(10)));
  return expressionUnit ? `${number} ${expressionUnit}` : number;
}
