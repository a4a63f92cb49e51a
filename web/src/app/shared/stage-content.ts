import type { AlternativeResult } from '../workspace/calculation.messages';
import type { StageContent } from '../stage/stage.component';
import type { StageLayers, StageScales } from '../stage/scene';

/** What a stage shows of an alternative's outcome; undefined when not even its geometry could be built. */
export function stageContent(
  result: AlternativeResult | undefined,
  resultId: string,
  layers: StageLayers,
  scales: StageScales,
): StageContent | undefined {
  if (!result) return undefined;
  if (result.ok) {
    const calculated = result.value;
    const selection = calculated.selections.find((s) => s.id === resultId);
    return {
      geometry: calculated.built.geometry,
      model: calculated.built.model,
      calculated,
      ...(selection ? { selection } : {}),
      layers,
      scales,
    };
  }
  if (!result.built) return undefined;
  const { geometry, model } = result.built;
  const shape = result.problems.find((problem) => problem.code === 'mechanism')?.where['shape'];
  return {
    geometry,
    model,
    layers,
    scales,
    ...(shape ? { mechanism: shape as Record<string, number[]> } : {}),
  };
}
