import type { Alternative, Design } from '../document/types.js';
import { failureInParts, type FailureFile, type FailureOptions } from './failure/index.js';
import { suggestInParts, type SuggestOptions, type Suggestions } from './suggestions/index.js';

/** How far long work is, and what can be told of it so far. */
export interface LongWorkPart<Result> {
  /** 0 … 1. */
  readonly done: number;
  /** In a few words. */
  readonly words: string;
  soFar(): Result;
}

type Begin<Options, Result> = (
  design: Design,
  alternative: Alternative,
  options: Options,
) => Generator<LongWorkPart<Result>, Result>;

const suggest: Begin<SuggestOptions, Suggestions> = function* (design, alternative, options) {
  const parts = suggestInParts(design, alternative, options);
  for (;;) {
    const { done, value } = parts.next();
    if (done) return value;
    const { analyses, sets } = value;
    const most = Math.min(sets, options.most ?? 2000);
    yield {
      done: analyses / most,
      words: `${analyses} of at most ${most} sets looked at`,
      soFar: () => value.soFar(),
    };
  }
};

const failure: Begin<FailureOptions, FailureFile> = function* (design, alternative, options) {
  const parts = failureInParts(design, alternative, options);
  for (;;) {
    const { done, value } = parts.next();
    if (done) return value;
    yield {
      done: value.done,
      words: `${Math.round(100 * value.done)} % of the path`,
      soFar: () => value.soFar(),
    };
  }
};

/** Work that takes long, can be stopped, and then tells what it found. A further kind is one line here. */
export const longWork = { suggest, failure };

export type LongWorkKinds = {
  [Kind in keyof typeof longWork]: (typeof longWork)[Kind] extends Begin<infer Options, infer Result>
    ? { readonly options: Options; readonly result: Result }
    : never;
};
