import type { EvaluatedAlternative } from '../alternative.js';

/**
 * What can be asked of an alternative where it was evaluated: question and answer are plain data, so that they come to a worker and back.
 * One a file, listed in `index.ts`. `shown` is the load case, combination, shape or envelope that the screen shows.
 */
export type Question<Ask, Answer> = (of: EvaluatedAlternative, ask: Ask, shown: string) => Answer;
