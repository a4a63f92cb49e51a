import {
  formatExact,
  formatWithUnit,
  significant,
  type CalculationStep,
  type QuantityName,
} from '@hashira/core';

/** Kind of quantity of an SI unit in a calculation step. */
const quantityOf: Record<string, QuantityName> = {
  N: 'force',
  'N·m': 'moment',
  'N/m2': 'stress',
  m2: 'area',
  m3: 'sectionModulus',
  m4: 'secondMoment',
  kg: 'mass',
  '': 'number',
};

/** A clause with its standard: EN 1993-1-1 unless it names another. */
export function clauseText(clause: string): string {
  return clause.startsWith('EN ') ? clause : `EN 1993-1-1 ${clause}`;
}

/** A step's value for reading, with its unit; displacements in mm, other lengths in m. */
export function stepValue(step: CalculationStep): string {
  const quantity = quantityFor(step);
  return quantity ? formatWithUnit(step.value, quantity, 4) : `${significant(step.value, 4)} ${step.unit}`;
}

/** A step's value with all its digits. */
export function stepExact(step: CalculationStep): string {
  const quantity = quantityFor(step);
  return quantity ? formatExact(step.value, quantity) : `${step.value} ${step.unit}`;
}

function quantityFor(step: CalculationStep): QuantityName | undefined {
  if (step.unit === 'm') return /^u[xyz]\b/.test(step.symbol) ? 'deflection' : 'length';
  return quantityOf[step.unit];
}
