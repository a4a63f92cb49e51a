import type { CalculationStep } from './check.js';

/** A symbol as it stands in a formula: letters with their marks, digits and indices behind commas. */
const symbolPattern = /\p{L}[\p{L}\p{M}\p{Nd}_′]*(?:,[\p{L}\p{M}\p{Nd}′]+)*(?!\s*=)/gu;
/** The axis in the symbol of what is worked out: y of Φy, Mc,y,Rd and Ncr,y. */
const axisPattern = /(?:^|[,\p{L}\p{M}])([yzTuv])(?=$|,)/u;

/**
 * The formulas of a calculation with the values of its steps in place of their symbols, "663 kN·m / 1.00"; empty for steps whose formula
 * names none of them. A symbol that stands for both axes, as λ̄ in Φy, is that of the axis that is worked out.
 *
 * @param valueOf how a step's value is written, with its unit
 */
export function inNumbers(
  steps: readonly CalculationStep[],
  valueOf: (step: CalculationStep) => string,
): string[] {
  const known = new Map<string, string>();
  const later = new Map(steps.map((step) => [step.symbol, valueOf(step)]));
  let axis = '';
  return steps.map((step) => {
    // A resistance without an axis is of the one that was worked out before it
    axis = axisPattern.exec(step.symbol)?.[1] ?? axis;
    const find = (symbol: string): string | undefined => {
      for (const name of namesOf(symbol, axis)) {
        const value = known.get(name);
        if (value !== undefined) return value;
      }
      return symbol === step.symbol ? undefined : later.get(symbol);
    };
    const numbers = isFormula(step.from)
      ? step.from.replace(symbolPattern, (symbol, at: number) => {
          const value = find(symbol);
          const isRaised = /^[²³^]/.test(step.from.slice(at + symbol.length));
          return value === undefined ? symbol : isRaised && /\s/.test(value) ? `(${value})` : value;
        })
      : step.from;
    known.set(step.symbol, valueOf(step));
    return numbers === step.from ? '' : numbers;
  });
}

/** Under which symbols a value may have been worked out: as it is, or with its axis or modulus. */
function namesOf(symbol: string, axis: string): string[] {
  if (axis === '') return [symbol];
  const stem = symbol.endsWith(axis) ? symbol.slice(0, -axis.length) : symbol;
  return [symbol, ...['', ',', 'pl,', 'el,', 'eff,'].map((between) => `${stem}${between}${axis}`)];
}

/** Formulas have an operator; all else is words that say where a value is from. */
const isFormula = (from: string): boolean => /[·×/√²³^]|[\p{L}\p{N})] [+−–-] [\p{N}\p{L}(]/u.test(from);
