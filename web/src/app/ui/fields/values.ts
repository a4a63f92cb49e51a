import { difference, significant, type FigureSummary, type SummaryStatus, type Units } from '@hashira/core';

/**
 * A figure's value for reading: its magnitude, with the sign only where that says something. An outdated value is followed
 * by an ellipsis.
 */
export function figureText(
  { value, signed, quantity, pending, readsAs }: FigureSummary,
  units: Units,
): string {
  if (value === undefined) return pending ? '…' : '–';
  const text =
    readsAs?.of === 'h' && value !== 0
      ? shareText('h', value)
      : units.withUnit(signed ? value : Math.abs(value), quantity);
  return `${text}${pending ? ' …' : ''}`;
}

/** A deflection as a share of the member's length, "L/340"; nothing for other figures. */
export function lengthShareText({ value, readsAs }: FigureSummary): string {
  return readsAs?.of === 'L' && value !== undefined && value !== 0
    ? shareText('L', value / readsAs.length)
    : '';
}

/** A share of a length by its letter: 1/149 of h is "h/149". */
const shareText = (letter: 'h' | 'L', share: number): string =>
  `${letter}/${significant(1 / Math.abs(share), Math.abs(share) < 1e-3 ? 4 : 3)}`;

/** A formula as it is read: signs and powers in the place of what is typed for them, "roofing × spacing", "0.45 kN/m²", "9°". */
export const formulaText = (typed: string): string =>
  typed
    .replace(/\^([234])(?!\d)/g, (_, power: string) => '²³⁴'['234'.indexOf(power)]!)
    .replace(/\s*\*\s*/g, ' × ')
    .replace(/(\d) ?deg\b/g, '$1°');

/** Options from which something is, in words: "“pinned”"; nothing without one. */
export const optionWords = (titles: readonly string[]): string =>
  titles.map((title) => `“${title}”`).join(' and ');

/** Every digit of a figure's value. */
export function figureExact({ value, quantity, pending }: FigureSummary, units: Units): string {
  if (value === undefined) return pending ? 'being worked out' : 'there is nothing to read it from';
  return `${units.exact(value, quantity)}${pending ? ' before the last change; being worked out' : ''}`;
}

/** A figure's limit in words. */
export function limitText({ limit, limitIs, quantity, readsAs }: FigureSummary, units: Units): string {
  if (limit === undefined) return '';
  const text = readsAs?.of === 'h' && limit !== 0 ? shareText('h', limit) : units.withUnit(limit, quantity);
  return `${limitIs === 'most' ? 'at most' : 'at least'} ${text}`;
}

/** Difference to the reference in per cent; of magnitudes, which is said where the signs differ. @param digits of 10 % and more */
export function differenceText(
  figure: Pick<FigureSummary, 'value' | 'signed'> | undefined,
  reference: Pick<FigureSummary, 'value' | 'signed'> | undefined,
  digits = 3,
): string {
  if (figure?.value === undefined || reference?.value === undefined) return '';
  const { absolute, relative } = difference(figure.value, reference.value);
  const turned = figure.signed && figure.value * reference.value < 0 ? ' turned' : '';
  if (relative === undefined) return Math.abs(absolute) < 1e-9 ? '±0 %' : 'new';
  const percent = relative * 100;
  if (Math.abs(percent) < 0.05) return `±0 %${turned}`;
  if (Math.abs(percent) >= 1000)
    return `${significant(Math.abs(figure.value / reference.value), 2)}×${turned}`;
  return `${percent > 0 ? '+' : '−'}${significant(Math.abs(percent), Math.abs(percent) < 10 ? 2 : digits)} %${turned}`;
}

/** On which side of its limit a figure is wrong, after its value: " over", " under"; nothing where it keeps it. */
export function beyondText({ status, limitIs }: FigureSummary): string {
  if (status !== 'fail') return '';
  return limitIs === 'most' ? ' over' : ' under';
}

/** What an alternative comes to, in words. */
export const statusWords: Readonly<Record<SummaryStatus, string>> = {
  pass: 'passes',
  'beyond limits': 'checks pass, limits do not',
  fail: 'over',
  'not covered': 'not covered',
  'needs second order': 'needs second order',
  'no load': 'carries no load',
  'nothing to check': 'nothing to check',
  failed: 'cannot be calculated',
  pending: 'checking…',
};

/** Whether a status is said as loudly as a failure. */
export function isLoud(status: SummaryStatus): boolean {
  return status !== 'pass' && status !== 'pending' && status !== 'nothing to check';
}
