/// <reference lib="webworker" />
import { calculateDesign } from './calculate-design';
import type { AlternativeResult, CalculationAnswer, CalculationRequest } from './calculation.messages';

addEventListener('message', ({ data }: MessageEvent<CalculationRequest>) => {
  const from = performance.now();
  const alternatives = calculateDesign(data.design);
  const answer: CalculationAnswer = {
    version: data.version,
    alternatives,
    duration: performance.now() - from,
  };
  postMessage(answer, { transfer: resultBuffers(alternatives) });
});

/** The results' arrays move to the page without a copy. */
function resultBuffers(alternatives: readonly AlternativeResult[]): ArrayBuffer[] {
  return alternatives.flatMap((alternative) => {
    if (!alternative.ok) return [];
    const { displacements, startStates, reactions } = alternative.value.results;
    return [...displacements, ...startStates, ...reactions].map((array) => array.buffer as ArrayBuffer);
  });
}
