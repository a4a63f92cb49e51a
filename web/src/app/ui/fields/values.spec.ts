import { metric, type FigureSummary } from '@hashira/core';
import { known } from '../../testing/slip-shed';
import {
  beyondText,
  differenceText,
  figureText,
  isLoud,
  limitText,
  statusWords,
  formulaText,
} from './values';

const figure = (fields: Partial<FigureSummary>): FigureSummary => ({
  id: 'f',
  title: 'F',
  quantity: 'moment',
  signed: false,
  place: '',
  limitIs: 'most',
  status: 'none',
  ...fields,
});

describe('values for reading', () => {
  it('have their unit, and a sign only where it says something', () => {
    expect(figureText(figure({ value: -12_340 }), metric)).toBe('12.3\u00a0kN·m');
    expect(figureText(figure({ value: -0.0123, quantity: 'deflection', signed: true }), metric)).toBe(
      '−12.3\u00a0mm',
    );
    expect(figureText(figure({}), metric)).toBe('–');
    expect(figureText(figure({ pending: true }), metric)).toBe('…');
  });

  it('say on which side of the limit they are wrong', () => {
    expect(beyondText(figure({ status: 'fail' }))).toBe(' over');
    expect(beyondText(figure({ status: 'fail', limitIs: 'least' }))).toBe(' under');
    expect(beyondText(figure({ status: 'pass' }))).toBe('');
    expect(limitText(figure({ limit: 5000, limitIs: 'least' }), metric)).toContain('at least');
  });

  it('differ from the reference by magnitude, and say when they are turned', () => {
    expect(differenceText(figure({ value: 110 }), figure({ value: 100 }))).toMatch(/^\+10/);
    expect(
      differenceText(figure({ value: 110, signed: true }), figure({ value: -100, signed: true })),
    ).toContain('turned');
  });

  it('a passing check with figures beyond their limits is no pass, and said as loudly as a failure', () => {
    const { summary } = known('three-hinges');
    expect(summary.status).toBe('beyond limits');
    expect(statusWords[summary.status]).toContain('limits do not');
    expect(isLoud(summary.status)).toBeTrue();
    expect(isLoud(known('fixed').summary.status)).toBeFalse();
  });

  it('formulas are read with signs and powers; what is no sign of them stays', () => {
    expect(formulaText('roofing * spacing')).toBe('roofing × spacing');
    expect(formulaText('0.45 kN/m^2')).toBe('0.45 kN/m²');
    expect(formulaText('9 deg')).toBe('9°');
    expect(formulaText('a^25 / degree')).toBe('a^25 / degree');
  });
});
