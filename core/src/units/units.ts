import { quantities, type Quantity, type QuantityName } from './quantities.js';
import { significant } from './significant.js';

type Quantities = Readonly<Record<QuantityName, Quantity>>;

/** The units in which a reader sees numbers and types them. Documents keep what was typed, and the core computes in SI. */
export class Units {
  constructor(
    readonly system: UnitSystem,
    private readonly quantities: Quantities,
  ) {}

  /** The unit in which a kind of quantity is shown, and that a bare number is taken in. */
  of(quantity: QuantityName): Quantity {
    return this.quantities[quantity];
  }

  /** SI value → text in the display unit without the unit. */
  number(value: number, quantity: QuantityName, digits = 3): string {
    return significant(value * this.of(quantity).factor, digits);
  }

  /** SI value → text with its display unit, e.g. `metric.withUnit(12345, 'force')` → `12.3 kN`. */
  withUnit(value: number, quantity: QuantityName, digits = 3): string {
    return joined(this.number(value, quantity, digits), this.of(quantity));
  }

  /** The same for a sentence: with a space at which a line may break. */
  inSentence(value: number, quantity: QuantityName, digits = 3): string {
    return this.withUnit(value, quantity, digits).replace('\u00a0', ' ');
  }

  /** SI value → text with its unit and without trailing zeros, up to `digits` significant digits: `22 m`, `0.45 kN/m²`. */
  plain(value: number, quantity: QuantityName, digits = 5): string {
    const number = Number((value * this.of(quantity).factor).toPrecision(digits));
    return joined(withMinus(number), this.of(quantity));
  }

  /** SI value → text that keeps every digit of the double, for copying and for hovering. */
  exact(value: number, quantity: QuantityName): string {
    const { factor, unit } = this.of(quantity);
    const number = withMinus(Number((value * factor).toPrecision(12)));
    return unit ? `${number} ${unit}` : number;
  }

  /** What is typed for a quantity: a bare number, which may have a decimal comma, gets the display unit; all else stays. */
  typed(typed: string, quantity: QuantityName): string {
    const text = typed.trim();
    if (!/^[-+]?\d*[.,]?\d+$/.test(text)) return text;
    return `${text.replace(',', '.')} ${this.of(quantity).expressionUnit}`.trim();
  }

  /** SI value → expression text in the display unit, e.g. `22 m`, for parameters that are dragged. */
  expression(value: number, quantity: QuantityName): string {
    const { factor, expressionUnit } = this.of(quantity);
    return `${Number((value * factor).toPrecision(10))} ${expressionUnit}`.trim();
  }
}

const withMinus = (value: number): string => String(value).replace('-', '\u2212');

const joined = (number: string, { unit }: Quantity): string =>
  number + (unit === '' || unit === '°' ? '' : '\u00a0') + unit;

/** US customary units. Factors by definition: 1 ft = 0.3048 m, 1 lb = 0.45359237 kg, g = 9.80665 m/s² (NIST SP 811, appendix B). */
const foot = 0.3048;
const inch = foot / 12;
const pound = 0.45359237;
const kip = 1000 * pound * 9.80665;

const usQuantities: Quantities = {
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

const systems = { metric: quantities as Quantities, us: usQuantities };

/** Systems of units by name. */
export type UnitSystem = keyof typeof systems;
export const unitSystems = Object.keys(systems) as UnitSystem[];

const known = new Map(unitSystems.map((name) => [name, new Units(name, systems[name])]));

/** The units of a system. */
export const unitsOf = (system: UnitSystem): Units => known.get(system)!;

/** Metres, kilonewtons and what goes with them. */
export const metric = unitsOf('metric');
