import { evaluateAlternative, type Alternative, type Design, type EvaluatedAlternative } from '@hashira/core';

/** Alternatives that specs have asked for, by what was asked: most begin from the same design. */
const known = new Map<string, EvaluatedAlternative>();
const most = 100;

/** An alternative of a design, worked out; the same again where nothing has changed. */
export function workedOut(design: Design, alternative: Alternative): EvaluatedAlternative {
  const key = JSON.stringify([design, alternative.id]);
  const one = known.get(key) ?? evaluateAlternative(structuredClone(design), structuredClone(alternative));
  // What was asked for last is kept longest
  known.delete(key);
  known.set(key, one);
  if (known.size > most) known.delete(known.keys().next().value!);
  return one;
}
