import type { CalculationStep } from '../../checks/index.js';
import type { FrameState } from '../../analysis/index.js';
import type { FigureSource } from './figure.js';

/** A value of a result: its symbol and unit, its value in one state, and how it follows there, in words or symbols. */
export interface ResultValue {
  readonly symbol: string;
  readonly unit: string;
  readonly valueOf: (state: FrameState) => number;
  readonly formulaOf?: (state: FrameState) => string;
}

/**
 * Steps that show a result: as the sum of its load cases where the analysis is linear, else as the analysis of the combination.
 */
export function resultSteps(
  { forces }: FigureSource,
  resultId: string,
  { symbol, unit, valueOf, formulaOf = () => 'analysis, K·u = F' }: ResultValue,
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
