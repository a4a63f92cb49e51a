import type { Design } from './types.js';

/** Longest title that a document takes, characters. */
export const longestTitle = 200;

const characters = new Intl.Segmenter('en', { granularity: 'grapheme' });

/** A title with an ending, cut before it where both are too long, never inside a character. */
export function titleWith(title: string, ending: string): string {
  const room = longestTitle - Array.from(ending).length;
  let kept = '';
  let length = 0;
  for (const { segment } of characters.segment(title)) {
    length += Array.from(segment).length;
    if (length > room) break;
    kept += segment;
  }
  return kept + ending;
}

/** What the steps of a design are called, by their ids. */
export const stepTitles =
  ({ steps }: Pick<Design, 'steps'>) =>
  (id: string): string =>
    steps.find((step) => step.id === id)?.title ?? id;
