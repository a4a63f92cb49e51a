import type { BucklingMode, VibrationMode } from '../../analysis/index.js';
import { attempt } from '../../base/problem.js';
import { shapesOf } from '../alternative.js';
import { placedBuckling, placedModes, shapeWords, type PlacedShapes } from '../comparison/index.js';
import type { Question } from './question.js';

/** Shapes with what each is in words. */
export interface NamedShapes {
  readonly placed: PlacedShapes;
  readonly words: readonly string[];
}

/**
 * So many elastic modes of a frame, or shapes in which it buckles under `combination`, to be paired with another frame's; undefined where
 * there are none.
 */
export const shapes: Question<
  { readonly count: number; readonly combination?: string },
  NamedShapes | undefined
> = (of, { count, combination }) => {
  const { evaluation, namer, built } = of;
  const known = shapesOf(of);
  if (!evaluation || !known || !namer || !built) return undefined;
  const outcome = attempt(() => {
    if (combination === undefined) {
      const found = upTo<VibrationMode>(count, (number) => known.mode(number));
      return placedModes(evaluation.forces, found);
    }
    const found = upTo<BucklingMode>(count, (number) => known.buckling(combination, number));
    return placedBuckling(evaluation.forces, found);
  });
  if (!outcome.ok || outcome.value.shapes.length === 0) return undefined;
  const titleOf = (line: string) => namer.member(line);
  return { placed: outcome.value, words: shapeWords(outcome.value, built.design.space === 'plane', titleOf) };
};

/** The last is asked for first: all of them are worked out at once. */
function upTo<T>(count: number, of: (number: number) => T | undefined): T[] {
  of(count);
  return Array.from({ length: count }, (_, i) => of(i + 1)).flatMap((one) =>
    one === undefined ? [] : [one],
  );
}
