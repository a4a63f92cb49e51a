import type { CalculationStep } from '../../capacity/index.js';
import type { FrameState } from '../../analysis/index.js';
import type { FigureSource } from './figure.js';

/**
 * Steps that show a result: as the sum of its load cases where the analysis is linear, else as the analysis of the combination.
 *
 * @param valueOf the value in one state
 * @param formulaOf how it follows in one state, in words or symbols
 */
export function resultSteps(
  { forces }: FigureSource,
  symbol: string,
  unit: string,
  resultId: string,
  valueOf: (state: FrameState) => number,
  formulaOf: (state: FrameState) => string = () => 'analysis, K·u = F',
): CalculationStep[] {
  const selection = forces.selections.find(({ id }) => id === resultId);
  const whole = forces.states.get(resultId);
  if (!selection || !whole) return [];
  const value = valueOf(whole);
  const alone = (from: string): CalculationStep => ({ symbol: `${symbol}(${resultId})`, value, unit, from });
  if (selection.kind === 'case') return [alone(formulaOf(whole))];
  const parts = forces.frame.loadCases.flatMap(({ id }, c) => {
    const factor = selection.factors[c]!;
    const state = forces.states.get(id);
    return factor === 0 || !state ? [] : [{ id, factor, state }];
  });
  const sum = parts.reduce((total, { factor, state }) => total + factor * valueOf(state), 0);
  if (forces.order === 2)
    return [
      alone(
        `second-order analysis under ${resultId}, equilibrium on the displaced structure; ${formulaOf(whole)}`,
      ),
    ];
  // Tension-only members make the sum differ from the whole
  if (parts.length === 0 || Math.abs(sum - value) > 1e-6 * Math.max(Math.abs(value), 1e-9))
    return [alone(`analysis under ${resultId} with the members that act; ${formulaOf(whole)}`)];
  return [
    ...parts.map(({ id, state }) => ({
      symbol: `${symbol}(${id})`,
      value: valueOf(state),
      unit,
      from: formulaOf(state),
    })),
    alone(parts.map(({ id, factor }) => `${factor}·${id}`).join(' + ')),
  ];
}
