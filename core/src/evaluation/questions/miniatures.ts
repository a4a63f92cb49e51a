import { stepMiniatures, type StepMiniature } from '../step-previews.js';
import type { Question } from './question.js';

/** A small picture of what each step did. */
export const miniatures: Question<object, StepMiniature[]> = ({ design, alternative }) =>
  stepMiniatures(design, alternative);
