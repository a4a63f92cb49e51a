import type { CalculationStep } from '../../capacity/index.js';
import type { FigureSource } from './figure.js';

/**
 * Steps that show a linear result as the sum of its load cases.
 *
 * @param valueOf the result in one load case, by its number and factors that show it alone
 * @param formulaOf how it follows in one load case, in words or symbols
 */
export function superpositionSteps(
  source: FigureSource,
  symbol: string,
  unit: string,
  resultId: string,
  valueOf: (loadCase: number, factors: Float64Array) => number,
  formulaOf: (factors: Float64Array) => string = () => 'linear analysis of the load case, K·u = F',
): CalculationStep[] {
  const selection = source.selections.find((s) => s.id === resultId);
  if (!selection) return [];
  const steps: CalculationStep[] = [];
  const terms: string[] = [];
  let sum = 0;
  source.frame.loadCases.forEach((loadCase, c) => {
    const factor = selection.factors[c]!;
    if (factor === 0) return;
    const alone = new Float64Array(selection.factors.length);
    alone[c] = 1;
    const value = valueOf(c, alone);
    sum += factor * value;
    terms.push(`${factor}·${loadCase.id}`);
    steps.push({
      symbol: `${symbol}(${loadCase.id})`,
      value,
      unit,
      from: formulaOf(alone),
    });
  });
  if (selection.kind === 'combination')
    steps.push({ symbol: `${symbol}(${resultId})`, value: sum, unit, from: terms.join(' + ') });
  return steps;
}
