import type { QuantityName } from '../units/quantities.js';
import type { FieldForm } from './field.js';
import type { Units } from '../units/units.js';

/** What is written in a field, as it is shown for typing: lists with commas, points with semicolons between, other things as JSON. */
export function writtenText(written: unknown, form: FieldForm): string {
  return form.kind === 'points' && Array.isArray(written)
    ? written.map((item) => plainText(item)).join('; ')
    : plainText(written);
}

function plainText(written: unknown): string {
  if (written === undefined || written === null) return '';
  if (typeof written === 'string' || typeof written === 'number' || typeof written === 'boolean')
    return String(written);
  if (Array.isArray(written) && written.every((item) => typeof item === 'string' || typeof item === 'number'))
    return written.join(', ');
  if (isRepeated(written)) return `${written.count} × ${written.each}`;
  return JSON.stringify(written);
}

/** The same value several times, as lists are written. */
function isRepeated(
  written: unknown,
): written is { readonly count: string | number; readonly each: string | number } {
  return (
    typeof written === 'object' &&
    written !== null &&
    Object.keys(written).sort().join() === 'count,each' &&
    Object.values(written).every((value) => typeof value === 'string' || typeof value === 'number')
  );
}

/** "3 × 4 m" with a count that a list can write; undefined for anything else. */
function readRepeated(text: string, quantity: QuantityName | '', units: Units): unknown {
  const [, count = '', each = ''] = /^([^,;×]+)×([^,;×]+)$/.exec(text) ?? [];
  if (each.trim() === '') return undefined;
  const typed = each.trim();
  return {
    count: plainNumber(count.trim()) ?? count.trim(),
    each: quantity === '' ? typed : units.typed(typed, quantity),
  };
}

/**
 * Typed text as a field is written: a bare number of a field with a unit has the reader's, numbers may have a decimal comma.
 *
 * @returns undefined where nothing is typed, or no number where a plain one is due
 */
export function readTyped(typed: string, form: FieldForm, units: Units): unknown {
  const text = typed.trim();
  if (text === '') return undefined;
  if (/^[[{]/.test(text)) return readJson(text);
  switch (form.kind) {
    case 'number':
      return plainNumber(text);
    case 'count':
      return plainNumber(text) ?? text;
    case 'quantity':
      return form.quantity === '' ? text : units.typed(text, form.quantity);
    case 'list': {
      const { quantity } = form;
      const repeated = form.as === 'list' ? undefined : readRepeated(text, quantity, units);
      if (repeated !== undefined) return repeated;
      const parts = text
        .split(/\s*[,;]\s*/)
        .filter((part) => part !== '')
        .map((part) => (quantity === '' ? part : units.typed(part, quantity)));
      return form.as === 'list' ? parts : parts.join(', ');
    }
    case 'points':
      return text
        .split(/\s*;\s*/)
        .filter((item) => item !== '')
        .map((item) => pointOf(item, units));
    case 'point':
      return text.split(/\s*[,;]\s*/).map((part) => units.typed(part, 'length'));
    default:
      return text;
  }
}

/** A number as people write it: with a comma or a point, and with either minus sign. */
function plainNumber(text: string): number | undefined {
  if (!/^[-+−]?\d*[.,]?\d+(e[-+]?\d+)?$/i.test(text)) return undefined;
  const number = Number(text.replace(',', '.').replace('−', '-'));
  return Number.isFinite(number) ? number : undefined;
}

/** What is not JSON is kept as text, and the calculation says what is wrong with it. */
function readJson(text: string): unknown {
  try {
    return JSON.parse(text) as unknown;
  } catch (error) {
    if (!(error instanceof SyntaxError)) throw error;
    return text;
  }
}

/** A point of a list: coordinates with commas between, or the name of a place. */
function pointOf(item: string, units: Units): string | string[] {
  return item.includes(',') ? item.split(/\s*,\s*/).map((part) => units.typed(part, 'length')) : item;
}
