import { MemberChecker } from '../capacity/index.js';
import { memberField } from '../results/index.js';
import type { FigureSource } from './figures/figure.js';

/** The checks of a calculated alternative, to be run again with their steps. */
export function memberChecker({
  built,
  frame,
  results,
  selections,
}: Pick<FigureSource, 'built' | 'frame' | 'results' | 'selections'>): MemberChecker {
  return new MemberChecker(built.model, frame, selections, ({ factors }, member) =>
    memberField(frame, results, member, factors),
  );
}
