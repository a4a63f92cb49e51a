import {
  applyAlternative,
  attempt,
  buildFrame,
  calculateAlternative,
  evaluateParameters,
  type Design,
} from '@hashira/core';
import type { AlternativeResult } from './calculation.messages';

/** Calculates every alternative of a design; one that fails does not stop the others. */
export function calculateDesign(design: Design): AlternativeResult[] {
  return design.alternatives.map((alternative): AlternativeResult => {
    const outcome = calculateAlternative(design, alternative);
    if (outcome.ok) return { id: alternative.id, ok: true, value: outcome.value };
    const built = buildFrame(design, alternative);
    const parameters = attempt(() => evaluateParameters(applyAlternative(design, alternative)));
    return {
      id: alternative.id,
      ok: false,
      problems: outcome.problems,
      ...(built.ok ? { built: built.value } : {}),
      ...(parameters.ok ? { parameters: parameters.value } : {}),
    };
  });
}
