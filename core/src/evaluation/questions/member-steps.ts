import { checkedSteps, type CalculationStep } from '../../checks/index.js';
import type { Question } from './question.js';

/** Every condition of a physical member, the worst first, and the steps of the worst. */
export const memberSteps: Question<{ readonly member: string }, CalculationStep[]> = (
  { evaluation },
  { member },
) => (evaluation?.checker ? checkedSteps(evaluation.checker, member) : []);
