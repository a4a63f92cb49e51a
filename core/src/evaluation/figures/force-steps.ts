import type { MemberField } from '../../analysis/index.js';
import type { CalculationStep } from '../../checks/index.js';
import { forceAt, forceFormula, type ForceName } from '../../results/index.js';
import type { FigureSource } from './figure.js';
import { resultSteps } from './superposition.js';
import { significant } from '../../units/significant.js';

/** A place along a piece of a member, m from its start; at a jump the value just before it. */
export interface ForcePlace {
  readonly member: number;
  readonly x: number;
  readonly before: boolean;
}

/** How an internal force follows from the analysis under a load case or combination. */
export const forceSteps = (
  source: FigureSource,
  result: string,
  name: ForceName,
  { member, x, before }: ForcePlace,
): CalculationStep[] =>
  resultSteps(source, result, {
    symbol: name,
    unit: ['T', 'My', 'Mz'].includes(name) ? 'N·m' : 'N',
    valueOf: (state) => forceAt(state.field(member), name, x, before),
    formulaOf: (state) => formula(state.field(member), name, x, before),
  });

/** A force along the segment that holds x, as a formula in kN or kN·m and m. */
function formula(field: MemberField, name: ForceName, x: number, before: boolean): string {
  const { from, coefficients } = forceFormula(field, name, x, before);
  const t = from === 0 ? 'x' : `(x − ${significant(from, 4)})`;
  const terms = coefficients
    .map((c, power) => ({ kilo: c / 1e3, power }))
    .filter(({ kilo }) => Math.abs(kilo) > 1e-9)
    .map(
      ({ kilo, power }) =>
        `${significant(kilo, 4)}${power === 0 ? '' : `·${t}${['', '', '²', '³', '⁴'][power] ?? `^${power}`}`}`,
    );
  return `K·u = F, then ${name}(x) = ${terms.join(' + ').replaceAll('+ −', '− ') || '0'} at x = ${significant(x, 4)} m`;
}
