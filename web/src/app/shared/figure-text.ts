import {
  difference,
  formatExact,
  formatWithUnit,
  significant,
  type Calculated,
  type Figure,
  type FigureResult,
} from '@hashira/core';
import type { Trace } from './trace.service';

/** A figure's value for reading: its magnitude, with the sign only where that says something. */
export function figureText(figure: Figure, result: FigureResult | undefined): string {
  if (!result) return '–';
  return formatWithUnit(figure.signed ? result.value : Math.abs(result.value), figure.quantity);
}

/** Every digit of a figure's value. */
export function figureExact(figure: Figure, result: FigureResult | undefined): string {
  return result ? formatExact(result.value, figure.quantity) : 'there is nothing to read it from';
}

/** Where a figure was found: member and place, or node, and under which loads. */
export function figurePlace(result: FigureResult | undefined): string {
  if (!result) return '';
  const place =
    result.member === undefined
      ? (result.node ?? '')
      : `${result.member}${result.x === undefined ? '' : `, x = ${significant(result.x)} m`}`;
  return [place, result.result].filter((part) => part !== undefined && part !== '').join(', ');
}

/** Difference to the reference in per cent of its magnitude; signs are not compared. */
export function differenceText(
  result: FigureResult | undefined,
  reference: FigureResult | undefined,
): string {
  if (!result || !reference) return '';
  const { absolute, relative } = difference(result.value, reference.value);
  if (relative === undefined) return Math.abs(absolute) < 1e-9 ? '±0 %' : 'new';
  const percent = relative * 100;
  if (Math.abs(percent) < 0.05) return '±0 %';
  const text =
    Math.abs(percent) >= 1000 ? `${significant(Math.abs(result.value / reference.value), 2)}×` : '';
  if (text) return text;
  return `${percent > 0 ? '+' : '−'}${significant(Math.abs(percent), Math.abs(percent) < 10 ? 2 : 3)} %`;
}

/** The way to a figure of an alternative. */
export function figureTrace(
  figure: Figure,
  title: string,
  calculated: Calculated,
  result: FigureResult,
): Trace {
  return {
    title: figure.title,
    about: [title, figurePlace(result)].filter((part) => part !== '').join(': '),
    value: figureText(figure, result),
    steps: figure.trace(calculated, result),
  };
}
