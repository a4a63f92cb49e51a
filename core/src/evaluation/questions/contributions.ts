import { attempt } from '../../base/problem.js';
import { explain, type Contributions } from '../contributions/index.js';
import type { Question } from './question.js';

/** Where a figure comes from; why that cannot be said where it cannot. */
export type ContributionsAnswer = { readonly contributions: Contributions } | { readonly problem: string };

/** Where a figure comes from, under one load case or combination only where `result` is given; undefined before the checks. */
export const contributions: Question<
  { readonly figure: string; readonly result?: string },
  ContributionsAnswer | undefined
> = (of, { figure, result }) => {
  if (!of.evaluation?.checks) return undefined;
  const outcome = attempt(() => explain(of, figure, result));
  return outcome.ok ? { contributions: outcome.value } : { problem: outcome.problems[0]!.message };
};
