import { clauseText, stepExact, stepValue } from './step-format';
import { metric } from '@hashira/core';

describe('steps of a calculation', () => {
  const step = (value: number, unit: string, symbol = 'x') => ({ symbol, value, unit, from: '' });

  it('show their values in the units of the drawing office', () => {
    expect(stepValue(step(123_456, 'N·m'), metric)).toBe('123.5\u00a0kN·m');
    expect(stepValue(step(235e6, 'N/m2'), metric)).toBe('235.0\u00a0N/mm²');
    expect(stepValue(step(0.0123, 'm', 'uz'), metric)).toContain('mm');
    expect(stepValue(step(6.4, 'm', 'L'), metric)).toContain('\u00a0m');
    expect(stepValue(step(0, 'not covered'), metric)).toBe('not covered');
  });

  it('keep all digits for who wants them', () => {
    expect(stepExact(step(0.123456789, ''), metric)).toContain('0.123456789');
  });

  it('name the standard of a clause once', () => {
    expect(clauseText('6.3.3(4) eq. 6.61', 'EN1993')).toBe('EN 1993-1-1 6.3.3(4) eq. 6.61');
    expect(clauseText('H1-1a', 'AISC360')).toBe('ANSI/AISC 360-22 H1-1a');
    expect(clauseText('EN 1993-1-5 4.4', 'EN1993')).toBe('EN 1993-1-5 4.4');
  });
});
