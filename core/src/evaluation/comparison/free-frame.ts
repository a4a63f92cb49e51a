import { attempt } from '../../base/problem.js';
import { modesAskedFor, type EvaluatedAlternative } from '../alternative.js';
import { isFree } from '../../model/free.js';
import { freeEvaluation } from '../stages/index.js';

/** A frame without supports as far as it goes: no forces and no checks, but its mass and its elastic modes. Others as they are. */
export function evaluatedFree(of: EvaluatedAlternative): EvaluatedAlternative {
  const { built, design } = of;
  if (!built || !isFree(built.model)) return of;
  const outcome = attempt(() => freeEvaluation(built.model, modesAskedFor(design)));
  return outcome.ok ? { ...of, problems: [], reached: 'complete', evaluation: outcome.value } : of;
}
