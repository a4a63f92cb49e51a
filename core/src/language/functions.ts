import { combined, dimensionOf, isPure, pureNumber, sameDimension } from './dimension.js';
import { fits, numberOf, type ValueType } from './types.js';

/** A function of the language: its type from those of its arguments (or what is wrong), and its value in SI. */
export interface LanguageFunction {
  readonly least: number;
  readonly most: number;
  type(args: readonly ValueType[]): ValueType | string;
  value(args: readonly number[]): number;
}

const plain: ValueType = numberOf(pureNumber);
const radians: ValueType = { kind: 'number', dimension: pureNumber, radians: true };
const dimensionIn = (type: ValueType) => (type.kind === 'number' ? type.dimension : pureNumber);

function ofPure(value: (x: number) => number, result: ValueType = plain): LanguageFunction {
  return {
    least: 1,
    most: 1,
    type: ([x]) => (isPure(dimensionIn(x!)) ? result : 'its argument must be a pure number'),
    value: ([x]) => value(x!),
  };
}

function ofAngle(value: (x: number) => number): LanguageFunction {
  return {
    least: 1,
    most: 1,
    type: ([x]) =>
      fits(x!, dimensionOf('angle')) || isPure(dimensionIn(x!)) ? plain : 'its argument must be an angle',
    value: ([x]) => value(x!),
  };
}

/** Any number, its unit kept to a power. */
function ofAny(value: (x: number) => number, power = 1): LanguageFunction {
  return {
    least: 1,
    most: 1,
    type: ([x]) => numberOf(combined(pureNumber, dimensionIn(x!), power)),
    value: ([x]) => value(x!),
  };
}

/** The type that all arguments share; a zero goes with any. */
function shared(args: readonly ValueType[]): ValueType | undefined {
  const first = args.find((type) => type.kind === 'number' && !type.zero) ?? args[0]!;
  return args.every((type) => fits(type, dimensionIn(first))) ? first : undefined;
}

function ofAlike(value: (args: readonly number[]) => number, least: number, most: number): LanguageFunction {
  return {
    least,
    most,
    type: (args) => shared(args) ?? 'its arguments must have the same unit',
    value,
  };
}

/** Rounding has a meaning for pure numbers only. */
function rounding(value: (x: number) => number): LanguageFunction {
  const one = ofPure(value);
  return {
    ...one,
    most: 2,
    type: (args) =>
      args.every((type) => isPure(dimensionIn(type)))
        ? plain
        : 'its argument must be a pure number; divide by a unit',
    value: ([x, digits = 0]) => value(x! * 10 ** digits) / 10 ** digits,
  };
}

/** Every function that expressions may call, by name. */
export const functions: ReadonlyMap<string, LanguageFunction> = new Map(
  Object.entries({
    abs: ofAny(Math.abs),
    sqrt: ofAny(Math.sqrt, 0.5),
    cbrt: ofAny(Math.cbrt, 1 / 3),
    min: ofAlike((args) => Math.min(...args), 1, 20),
    max: ofAlike((args) => Math.max(...args), 1, 20),
    hypot: ofAlike((args) => Math.hypot(...args), 1, 20),
    round: rounding((x) => Math.sign(x) * Math.round(Math.abs(x))),
    floor: rounding(Math.floor),
    ceil: rounding(Math.ceil),
    fix: rounding(Math.trunc),
    sign: { ...ofAny(Math.sign), type: () => plain },
    sin: ofAngle(Math.sin),
    cos: ofAngle(Math.cos),
    tan: ofAngle(Math.tan),
    asin: ofPure(Math.asin, radians),
    acos: ofPure(Math.acos, radians),
    atan: ofPure(Math.atan, radians),
    atan2: {
      least: 2,
      most: 2,
      type: (args: readonly ValueType[]) =>
        shared(args) ? radians : 'its arguments must have the same unit',
      value: ([y, x]: readonly number[]) => Math.atan2(y!, x!),
    },
    sinh: ofPure(Math.sinh),
    cosh: ofPure(Math.cosh),
    tanh: ofPure(Math.tanh),
    exp: ofPure(Math.exp),
    log: {
      least: 1,
      most: 2,
      type: (args: readonly ValueType[]) =>
        args.every((type) => isPure(dimensionIn(type))) ? plain : 'its argument must be a pure number',
      value: ([x, base]: readonly number[]) => Math.log(x!) / (base === undefined ? 1 : Math.log(base)),
    },
    log10: ofPure(Math.log10),
    log2: ofPure(Math.log2),
  } satisfies Record<string, LanguageFunction>),
);

/** Whether two numbers can be added or compared, and the type of their sum. */
export function summed(a: ValueType, b: ValueType): ValueType | undefined {
  if (a.kind !== 'number' || b.kind !== 'number') return undefined;
  if (sameDimension(a.dimension, b.dimension)) return a.zero ? b : a;
  return shared([a, b]);
}
