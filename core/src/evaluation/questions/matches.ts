import type { Question } from './question.js';

/** Ids of the members or nodes that a rule matches. */
export const matches: Question<{ readonly rule: string }, readonly string[]> = ({ built }, { rule }) =>
  built?.matches.get(rule) ?? [];
