import type { QuantityName } from './quantities.js';

/** Greatest magnitudes that are worked with, SI: far beyond any frame, and such that no digit of what is worked out of them is lost. */
export const greatestMagnitudes: Readonly<Record<QuantityName, number>> = {
  length: 1e5,
  dimension: 1e5,
  deflection: 1e5,
  angle: 1e4,
  force: 1e12,
  moment: 1e12,
  lineLoad: 1e12,
  areaLoad: 1e12,
  stress: 1e15,
  mass: 1e12,
  rotationalSpring: 1e18,
  spring: 1e18,
  area: 1e6,
  sectionModulus: 1e9,
  secondMoment: 1e12,
  temperature: 1e5,
  temperatureGradient: 1e6,
  frequency: 1e9,
  time: 1e9,
  surface: 1e10,
  number: 1e9,
};
