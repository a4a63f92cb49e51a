import { attempt } from '../../base/problem.js';
import { memberSheet as sheetOf, type MemberSheet, type SheetOptions } from '../member-sheet/index.js';
import type { Question } from './question.js';

/** All of one member; why there is no sheet where there is none. */
export type SheetAnswer = { readonly sheet: MemberSheet } | { readonly problem: string };

/** A member's sheet; undefined before its alternative is checked. */
export const memberSheet: Question<SheetOptions, SheetAnswer | undefined> = (of, options) => {
  if (!of.evaluation?.checker) return undefined;
  const outcome = attempt(() => sheetOf(of, options));
  return outcome.ok ? { sheet: outcome.value } : { problem: outcome.problems[0]!.message };
};
