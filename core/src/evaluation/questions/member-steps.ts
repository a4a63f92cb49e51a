import type { CalculationStep } from '../../checks/index.js';
import { figureSourceOf } from '../figures/figure-table.js';
import { memberTrace } from '../figures/member-trace.js';
import type { Question } from './question.js';

/** The way to a physical member's utilisation, every condition of it, and the pieces that it consists of. */
export const memberSteps: Question<
  { readonly member: string },
  { readonly steps: CalculationStep[]; readonly of: readonly string[] }
> = (of, { member }) => {
  const source = figureSourceOf(of);
  return {
    steps: source ? memberTrace(source, member) : [],
    of: of.built?.geometry.lines.get(member)?.members ?? [],
  };
};
