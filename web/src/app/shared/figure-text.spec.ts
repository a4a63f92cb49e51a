import { figures } from '@hashira/core';
import { calculatedSlipShed } from '../testing/slip-shed';
import { differenceText, figurePlace, figureText, figureTrace } from './figure-text';
import { stepExact, stepValue } from './step-format';

const figure = (id: string) => figures.find((f) => f.id === id)!;

describe('figures in words', () => {
  it('differ by magnitude, in per cent', () => {
    const of = (value: number) => ({ value });
    expect(differenceText(of(-110), of(100))).toBe('+10.0 %');
    expect(differenceText(of(95.5), of(-100))).toBe('−4.5 %');
    expect(differenceText(of(100), of(-100))).toBe('±0 %');
    expect(differenceText(of(5), of(0))).toBe('new');
    expect(differenceText(of(0), of(0))).toBe('±0 %');
    expect(differenceText(of(5000), of(100))).toBe('50×');
    expect(differenceText(undefined, of(1))).toBe('');
  });

  it('keep a sign only where it says something', () => {
    expect(figureText(figure('rafter-moment'), { value: -319e3 })).toBe('319\u00a0kN·m');
    expect(figureText(figure('sway'), { value: -0.00983 })).toBe('−9.83\u00a0mm');
    expect(figureText(figure('sway'), undefined)).toBe('–');
  });

  it('say where they were found', () => {
    expect(figurePlace({ value: 1, member: 'm', x: 2.5, result: 'U1' })).toBe('m, x = 2.50 m, U1');
    expect(figurePlace({ value: 1, node: 'n', result: 'C1' })).toBe('n, C1');
    expect(figurePlace({ value: 1 })).toBe('');
  });

  it('trace a moment to its load cases and its formula', () => {
    const [fixed] = calculatedSlipShed();
    const { steps } = figureTrace(
      figure('rafter-moment'),
      'Fixed bases',
      fixed!,
      fixed!.governing['rafter-moment']!,
    );
    expect(steps.map((s) => s.symbol)).toEqual([
      'My shed.rafter.left(G)',
      'My shed.rafter.left(S)',
      'My shed.rafter.left(U1)',
    ]);
    expect(steps[0]!.from).toContain('My(x) =');
    expect(steps[2]!.value).toBeCloseTo(1.35 * steps[0]!.value + 1.5 * steps[1]!.value, 6);
  });
});

describe('steps', () => {
  it('are shown in the units of the trade', () => {
    expect(stepValue({ symbol: 'fy', value: 355e6, unit: 'N/m2', from: '' })).toBe('355.0\u00a0N/mm²');
    expect(stepValue({ symbol: 'ux a', value: 0.0125, unit: 'm', from: '' })).toBe('12.50\u00a0mm');
    expect(stepValue({ symbol: 'Lcr,y', value: 6.4, unit: 'm', from: '' })).toBe('6.400\u00a0m');
    expect(stepValue({ symbol: 'm', value: 90.7, unit: 'kg/m', from: '' })).toBe('90.70 kg/m');
    expect(stepExact({ symbol: 'N', value: 123456.789, unit: 'N', from: '' })).toBe('123.456789 kN');
  });
});
