import type { CalculationStep } from './check.js';
import { inNumbers } from './in-numbers.js';

const step = (symbol: string, value: number, from: string, unit = ''): CalculationStep => ({
  symbol,
  value,
  unit,
  from,
});
const text = ({ value, unit }: CalculationStep) => (unit === '' ? String(value) : `${value} ${unit}`);

describe('formulas in numbers', () => {
  it('have the values of the steps before in place of their symbols, and leave words and unknown symbols', () => {
    const steps = [
      step('fy', 355, 'S355, EN 1993-1-1 Table 3.1', 'N/mm²'),
      step('γM0', 1, 'partial factor'),
      step('Wpl,y', 1869, 'HEB 300', 'cm³'),
      step('Mc,y,Rd', 663, 'W·fy/γM0', 'kN·m'),
      step('My,Ed', 324, 'analysis', 'kN·m'),
      step('utilisation', 0.49, 'My,Ed / Mc,y,Rd ≤ 1'),
      step('Av', 47, 'A − 2·b·tf', 'cm²'),
    ];
    expect(inNumbers(steps, text)).toEqual([
      '',
      '',
      '',
      '1869 cm³·355 N/mm²/1',
      '',
      '324 kN·m / 663 kN·m ≤ 1',
      '',
    ]);
  });

  it('take a symbol for both axes as that of the axis worked out, with lengths in brackets where they are squared', () => {
    const steps = [
      step('Lcr,y', 6.4, 'given', 'm'),
      step('Lcr,z', 1.6, 'given', 'm'),
      step('Ncr,y', 12, 'π²·E·Iy/Lcr²', 'MN'),
      step('λ̄y', 0.645, '√(A·fy/Ncr)'),
      step('Φy', 0.78, '0.5·(1 + 0.34·(λ̄ − 0.2) + λ̄²)'),
      step('Ncr,z', 70, 'π²·E·Iz/Lcr²', 'MN'),
    ];
    const numbers = inNumbers(steps, text);
    expect(numbers[2]).toBe('π²·E·Iy/(6.4 m)²');
    expect(numbers[3]).toBe('√(A·fy/12 MN)');
    expect(numbers[4]).toBe('0.5·(1 + 0.34·(0.645 − 0.2) + 0.645²)');
    expect(numbers[5]).toBe('π²·E·Iz/(1.6 m)²');
  });

  it('find values that are told after the formula, and no part of a longer symbol', () => {
    const steps = [step('ε', 0.81, '√(235/fy)'), step('fy', 355, 'S355'), step('a', 1, 'fyw·2')];
    expect(inNumbers(steps, text)).toEqual(['√(235/355)', '', '']);
  });
});
