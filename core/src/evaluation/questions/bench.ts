import { attempt } from '../../base/problem.js';
import { benchOf, type Bench } from '../bench/index.js';
import type { Question } from './question.js';

/** A member taken out of its frame; why it cannot be where it cannot. Undefined before its alternative is checked. */
export const bench: Question<
  { readonly member: string },
  { readonly bench: Bench } | { readonly problem: string } | undefined
> = (of, { member }) => {
  if (!of.evaluation?.checker) return undefined;
  const outcome = attempt(() => benchOf(of, member));
  return outcome.ok ? { bench: outcome.value } : { problem: outcome.problems[0]!.message };
};
