import { significant, type CalculationStep, type QuantityName, type Units } from '@hashira/core';

/** Kind of quantity of an SI unit in a calculation step. */
const quantityOf: ReadonlyMap<string, QuantityName> = new Map([
  ['N', 'force'],
  ['N·m', 'moment'],
  ['N/m2', 'stress'],
  ['m2', 'area'],
  ['m3', 'sectionModulus'],
  ['m4', 'secondMoment'],
  ['kg', 'mass'],
  ['Hz', 'frequency'],
  ['s', 'time'],
  ['', 'number'],
]);

/** Names of the design codes. */
const codeNames: ReadonlyMap<string, string> = new Map([
  ['EN1993', 'EN 1993-1-1'],
  ['AISC360', 'ANSI/AISC 360-22'],
]);

/** A clause with its standard, unless it names one itself. */
export function clauseText(clause: string, code: string): string {
  return /^(EN|ANSI|AISC)\b/.test(clause) ? clause : `${codeNames.get(code) ?? code} ${clause}`;
}

/** A step's value for reading, with its unit; displacements in mm, other lengths in m. */
export function stepValue(step: CalculationStep, units: Units): string {
  if (step.unit === 'not covered') return 'not covered';
  const quantity = quantityFor(step);
  return quantity ? units.withUnit(step.value, quantity, 4) : `${significant(step.value, 4)} ${step.unit}`;
}

/** A step's value with all its digits. */
export function stepExact(step: CalculationStep, units: Units): string {
  const quantity = quantityFor(step);
  return quantity ? units.exact(step.value, quantity) : `${step.value} ${step.unit}`;
}

function quantityFor(step: CalculationStep): QuantityName | undefined {
  if (step.unit === 'm') return /^(u[xyz]|horizontal|w|Δu|u)\b/.test(step.symbol) ? 'deflection' : 'length';
  return quantityOf.get(step.unit);
}
