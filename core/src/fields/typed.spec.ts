import { kindOf } from '../steps/index.js';
import type { Field, FieldForm } from './index.js';
import { metric } from '../units/units.js';
import { readTyped as readIn, writtenText } from './typed.js';

const readTyped = (typed: string, form: FieldForm) => readIn(typed, form, metric);

const formOf = (make: string, name: string) =>
  (kindOf({ make })!.fields as Record<string, Field<unknown>>)[name]!.form;
const text: FieldForm = { kind: 'text' };

describe('what is written in a field', () => {
  it('reads as text', () => {
    expect(writtenText(undefined, text)).toBe('');
    expect(writtenText('span / 2', text)).toBe('span / 2');
    expect(writtenText(['6 m', '8 m'], text)).toBe('6 m, 8 m');
    expect(writtenText(1.35, text)).toBe('1.35');
    expect(writtenText({ count: 4, each: '6 m' }, text)).toBe('4 × 6 m');
    const points: FieldForm = { kind: 'points', plane: 'xz', least: 2 };
    expect(writtenText([['0 m', '1 m'], 'eaves'], points)).toBe('0 m, 1 m; eaves');
  });

  it('is taken as it was typed; a bare number has the field’s unit', () => {
    expect(readTyped('6,5', formOf('arch', 'rise'))).toBe('6.5 m');
    expect(readTyped('span / 5', formOf('arch', 'rise'))).toBe('span / 5');
    expect(readTyped('12', formOf('portal', 'pitch'))).toBe('12 deg');
    expect(readTyped('8', formOf('arch', 'members'))).toBe(8);
    expect(readTyped('n + 2', formOf('arch', 'members'))).toBe('n + 2');
    expect(readTyped('6; 8 m, 7.5', formOf('portal', 'bays'))).toBe('6 m, 8 m, 7.5 m');
    expect(readTyped('4 * 6 m', formOf('portal', 'bays'))).toBe('4 * 6 m');
    expect(readTyped('{"count": 3, "each": "4 m"}', formOf('portal', 'bays'))).toEqual({
      count: 3,
      each: '4 m',
    });
    expect(readTyped('3 × 4', formOf('portal', 'bays'))).toEqual({ count: 3, each: '4 m' });
    expect(readTyped('n + 1 × storey_height', formOf('portal', 'bays'))).toEqual({
      count: 'n + 1',
      each: 'storey_height',
    });
    expect(readTyped('[not json', formOf('portal', 'bays'))).toBe('[not json');
    expect(readTyped('My, Mz', { kind: 'list', quantity: '', as: 'list' })).toEqual(['My', 'Mz']);
    expect(readTyped('  ', text)).toBeUndefined();
  });

  it('is a plain number only where it is one, written as people write it', () => {
    const read = (typed: string) => readTyped(typed, { kind: 'number' });
    expect(read('1,35')).toBe(1.35);
    expect(read('−2')).toBe(-2);
    expect(read('1e3')).toBe(1000);
    for (const none of ['much', 'Infinity', '1e999', '2 m', ''])
      expect(read(none)).withContext(none).toBeUndefined();
  });
});
