/** A kind of quantity: the core computes in SI base units, the interface shows `unit`. */
export interface Quantity {
  /** Unit shown beside the number. */
  readonly unit: string;
  /** Unit as the expression language spells it; empty for pure numbers. */
  readonly expressionUnit: string;
  /** SI value × `factor` = shown value. */
  readonly factor: number;
}

const degrees = 180 / Math.PI;

/** Every kind of quantity that the product shows. SI base unit → display unit. */
export const quantities = {
  length: { unit: 'm', expressionUnit: 'm', factor: 1 },
  dimension: { unit: 'mm', expressionUnit: 'mm', factor: 1e3 },
  deflection: { unit: 'mm', expressionUnit: 'mm', factor: 1e3 },
  angle: { unit: '°', expressionUnit: 'deg', factor: degrees },
  force: { unit: 'kN', expressionUnit: 'kN', factor: 1e-3 },
  moment: { unit: 'kN·m', expressionUnit: 'kN m', factor: 1e-3 },
  lineLoad: { unit: 'kN/m', expressionUnit: 'kN/m', factor: 1e-3 },
  areaLoad: { unit: 'kN/m²', expressionUnit: 'kN/m^2', factor: 1e-3 },
  stress: { unit: 'N/mm²', expressionUnit: 'N/mm^2', factor: 1e-6 },
  mass: { unit: 'kg', expressionUnit: 'kg', factor: 1 },
  rotationalSpring: { unit: 'kN·m/rad', expressionUnit: 'kN m/rad', factor: 1e-3 },
  spring: { unit: 'kN/m', expressionUnit: 'kN/m', factor: 1e-3 },
  area: { unit: 'cm²', expressionUnit: 'cm^2', factor: 1e4 },
  sectionModulus: { unit: 'cm³', expressionUnit: 'cm^3', factor: 1e6 },
  secondMoment: { unit: 'cm⁴', expressionUnit: 'cm^4', factor: 1e8 },
  temperature: { unit: 'K', expressionUnit: 'K', factor: 1 },
  temperatureGradient: { unit: 'K/m', expressionUnit: 'K/m', factor: 1 },
  frequency: { unit: 'Hz', expressionUnit: 'Hz', factor: 1 },
  time: { unit: 's', expressionUnit: 's', factor: 1 },
  surface: { unit: 'm²', expressionUnit: 'm^2', factor: 1 },
  number: { unit: '', expressionUnit: '', factor: 1 },
} as const satisfies Record<string, Quantity>;

/** Name of a kind of quantity. */
export type QuantityName = keyof typeof quantities;
