import { quantities, type Quantity, type QuantityName } from './quantities.js';

/** US customary units. Factors by definition: 1 ft = 0.3048 m, 1 lb = 0.45359237 kg, g = 9.80665 m/s² (NIST SP 811, appendix B). */
const foot = 0.3048;
const inch = foot / 12;
const pound = 0.45359237;
const kip = 1000 * pound * 9.80665;

const usQuantities: Readonly<Record<QuantityName, Quantity>> = {
  ...quantities,
  length: { unit: 'ft', expressionUnit: 'ft', factor: 1 / foot },
  dimension: { unit: 'in', expressionUnit: 'in', factor: 1 / inch },
  deflection: { unit: 'in', expressionUnit: 'in', factor: 1 / inch },
  force: { unit: 'kip', expressionUnit: 'kip', factor: 1 / kip },
  moment: { unit: 'kip·ft', expressionUnit: 'kip ft', factor: 1 / (kip * foot) },
  lineLoad: { unit: 'kip/ft', expressionUnit: 'kip/ft', factor: foot / kip },
  areaLoad: { unit: 'psf', expressionUnit: 'lbf/ft^2', factor: (1000 * foot * foot) / kip },
  stress: { unit: 'ksi', expressionUnit: 'kip/in^2', factor: (inch * inch) / kip },
  mass: { unit: 'lb', expressionUnit: 'lbm', factor: 1 / pound },
  rotationalSpring: { unit: 'kip·ft/rad', expressionUnit: 'kip ft/rad', factor: 1 / (kip * foot) },
  spring: { unit: 'kip/ft', expressionUnit: 'kip/ft', factor: foot / kip },
  area: { unit: 'in²', expressionUnit: 'in^2', factor: 1 / inch ** 2 },
  sectionModulus: { unit: 'in³', expressionUnit: 'in^3', factor: 1 / inch ** 3 },
  secondMoment: { unit: 'in⁴', expressionUnit: 'in^4', factor: 1 / inch ** 4 },
  surface: { unit: 'ft²', expressionUnit: 'ft^2', factor: 1 / foot ** 2 },
};

const systems = { metric: quantities as Readonly<Record<QuantityName, Quantity>>, us: usQuantities };

/** The units in which numbers are read; documents keep what was typed, and the core computes in SI. */
export type UnitSystem = keyof typeof systems;
export const unitSystems = Object.keys(systems) as UnitSystem[];

let reader: UnitSystem = 'metric';

/** Chooses the reader's units, for all texts that are formed from now on in this thread. */
export function showUnits(system: UnitSystem): void {
  reader = system;
}

/** The unit in which a kind of quantity is shown, and that a bare number is taken in. */
export const shownUnit = (quantity: QuantityName): Quantity => systems[reader][quantity];

/** The reader's units now: what texts with numbers are kept by. */
export const shownSystem = (): UnitSystem => reader;
