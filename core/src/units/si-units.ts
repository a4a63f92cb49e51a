import type { QuantityName } from './quantities.js';

/** The SI unit that the core computes each quantity in, for files. */
export const siUnits: Readonly<Record<QuantityName, string>> = {
  length: 'm',
  dimension: 'm',
  deflection: 'm',
  angle: 'rad',
  force: 'N',
  moment: 'N·m',
  lineLoad: 'N/m',
  areaLoad: 'N/m²',
  stress: 'N/m²',
  mass: 'kg',
  rotationalSpring: 'N·m/rad',
  spring: 'N/m',
  area: 'm²',
  sectionModulus: 'm³',
  secondMoment: 'm⁴',
  temperature: 'K',
  temperatureGradient: 'K/m',
  frequency: 'Hz',
  time: 's',
  surface: 'm²',
  number: '',
};
