/** Exponents of kilogram, metre, second, kelvin and radian. */
export type Dimension = readonly number[];

/** Whether a unit takes the prefixes of the SI: as letters (k, m), as words (kilo, milli), or not at all. */
export type Prefixes = 'letters' | 'words' | 'none';

/** A unit under all its names. */
export interface UnitEntry {
  readonly names: readonly string[];
  /** How many SI base units it is. */
  readonly si: number;
  readonly dimension: Dimension;
  readonly prefixes: Prefixes;
  /** To which power a prefix counts: 2 for m2, where mm2 is 1e-6 m2. */
  readonly power: number;
}

const mass: Dimension = [1, 0, 0, 0, 0];
const length: Dimension = [0, 1, 0, 0, 0];
const area: Dimension = [0, 2, 0, 0, 0];
const volume: Dimension = [0, 3, 0, 0, 0];
const time: Dimension = [0, 0, 1, 0, 0];
const frequency: Dimension = [0, 0, -1, 0, 0];
const temperature: Dimension = [0, 0, 0, 1, 0];
const angle: Dimension = [0, 0, 0, 0, 1];
const force: Dimension = [1, 1, -2, 0, 0];
const pressure: Dimension = [1, -1, -2, 0, 0];
const energy: Dimension = [1, 2, -2, 0, 0];
const power: Dimension = [1, 2, -3, 0, 0];

/** m; the international foot and pound, and standard gravity, by NIST SP 811 appendix B. */
const foot = 0.3048;
const inch = foot / 12;
const yard = 3 * foot;
const mile = 5280 * foot;
/** kg */
const pound = 0.45359237;
/** m/s² */
const gravity = 9.80665;

function unit(
  names: string,
  si: number,
  dimension: Dimension,
  prefixes: Prefixes = 'none',
  prefixPower = 1,
): UnitEntry {
  return { names: names.split(' '), si, dimension, prefixes, power: prefixPower };
}

/** The units of the SI, and those that are used with it. Source: BIPM, The International System of Units. */
const metric: readonly UnitEntry[] = [
  unit('m', 1, length, 'letters'),
  unit('meter meters', 1, length, 'words'),
  unit('m2', 1, area, 'letters', 2),
  unit('hectare hectares', 1e4, area),
  unit('m3', 1, volume, 'letters', 3),
  unit('L', 1e-3, volume, 'letters'),
  unit('litre litres liter liters', 1e-3, volume, 'words'),
  unit('g', 1e-3, mass, 'letters'),
  unit('gram grams', 1e-3, mass, 'words'),
  unit('t', 1e3, mass, 'letters'),
  unit('tonne tonnes', 1e3, mass, 'words'),
  unit('N', 1, force, 'letters'),
  unit('newton', 1, force, 'words'),
  unit('kgf kilogramforce', gravity, force),
  unit('Pa', 1, pressure, 'letters'),
  unit('bar', 1e5, pressure, 'letters'),
  unit('atm', 101_325, pressure),
  unit('J', 1, energy, 'letters'),
  unit('joule joules', 1, energy, 'words'),
  unit('W', 1, power, 'letters'),
  unit('watt watts', 1, power, 'words'),
  unit('K', 1, temperature, 'letters'),
  unit('kelvin', 1, temperature, 'words'),
];

/** US customary units. Source: NIST SP 811, appendix B. */
const customary: readonly UnitEntry[] = [
  unit('in inch inches', inch, length),
  unit('ft foot feet', foot, length),
  unit('yd yard yards', yard, length),
  unit('mi mile miles', mile, length),
  unit('mil', inch / 1000, length),
  unit('acre acres', 43_560 * foot ** 2, area),
  unit('lb lbs lbm', pound, mass),
  unit('oz ounce ounces', pound / 16, mass),
  unit('ton tons', 2000 * pound, mass, 'letters'),
  unit('lbf poundforce', pound * gravity, force),
  unit('kip kips', 1000 * pound * gravity, force, 'words'),
  unit('psi', (pound * gravity) / inch ** 2, pressure),
  unit('hp', 550 * foot * pound * gravity, power),
  unit('degR', 5 / 9, temperature, 'letters'),
  unit('rankine', 5 / 9, temperature, 'words'),
];

/** Time and angles, which both share. */
const common: readonly UnitEntry[] = [
  unit('s', 1, time, 'letters'),
  unit('sec secs second seconds', 1, time, 'words'),
  unit('min mins minute minutes', 60, time),
  unit('h hr hrs hour hours', 3600, time),
  unit('day days', 86_400, time),
  unit('year years', 31_557_600, time),
  unit('Hz', 1, frequency, 'letters'),
  unit('hertz', 1, frequency, 'words'),
  unit('rad', 1, angle, 'letters'),
  unit('radian radians', 1, angle, 'words'),
  unit('deg', Math.PI / 180, angle, 'letters'),
  unit('degree degrees', Math.PI / 180, angle, 'words'),
  unit('grad', Math.PI / 200, angle, 'letters'),
  unit('gradian gradians', Math.PI / 200, angle, 'words'),
  unit('cycle cycles', 2 * Math.PI, angle),
  unit('arcmin arcminute arcminutes', Math.PI / 10_800, angle),
  unit('arcsec arcsecond arcseconds', Math.PI / 648_000, angle),
];

/** The units that can be written. */
export const unitTable: readonly UnitEntry[] = [...metric, ...customary, ...common];

/** The prefixes of the SI: letters and word, and the power of ten. */
export const siPrefixes: readonly (readonly [letters: string, word: string, power: number])[] = [
  ['Q', 'quetta', 30],
  ['R', 'ronna', 27],
  ['Y', 'yotta', 24],
  ['Z', 'zetta', 21],
  ['E', 'exa', 18],
  ['P', 'peta', 15],
  ['T', 'tera', 12],
  ['G', 'giga', 9],
  ['M', 'mega', 6],
  ['k', 'kilo', 3],
  ['h', 'hecto', 2],
  ['da', 'deca', 1],
  ['d', 'deci', -1],
  ['c', 'centi', -2],
  ['m', 'milli', -3],
  ['u', 'micro', -6],
  ['n', 'nano', -9],
  ['p', 'pico', -12],
  ['f', 'femto', -15],
  ['a', 'atto', -18],
  ['z', 'zepto', -21],
  ['y', 'yocto', -24],
  ['r', 'ronto', -27],
  ['q', 'quecto', -30],
];
