import { prepareEquations, prepareFrame, vibrationModes } from '../../analysis/index.js';
import { attempt, fail } from '../../base/problem.js';
import type { EvaluatedAlternative } from '../alternative.js';
import type { FrameModel } from '../../model/types.js';
import { figureKindOf } from '../figures/index.js';
import type { Analysed } from '../stages/index.js';

/** Whether an alternative has a frame that nothing holds. */
export const isFree = ({ built }: EvaluatedAlternative): boolean =>
  built !== undefined && (built.model.supports ?? []).length === 0;

/** Motions of a body that strain nothing, at the most. */
const rigidMotions = 6;

/** A frame without supports as far as it goes: no forces and no checks, but its mass and its elastic modes. Others as they are. */
export function evaluatedFree(of: EvaluatedAlternative): EvaluatedAlternative {
  if (!isFree(of)) return of;
  const numbers = of.design.figures
    .filter((spec) => figureKindOf(spec).needs === 'modes')
    .map(({ number = 1 }) => number);
  const outcome = attempt(() => {
    const forces = withoutForces(of.built!.model);
    const wanted = Math.max(0, ...numbers);
    if (wanted === 0) return { forces, checks: [] };
    return {
      forces,
      checks: [],
      modes: vibrationModes(prepareEquations(forces.frame), wanted + rigidMotions),
    };
  });
  return outcome.ok ? { ...of, problems: [], reached: 'complete', evaluation: outcome.value } : of;
}

/** A frame without any state, for what needs none. */
function withoutForces(given: FrameModel): Analysed {
  const model = { ...given, loadCases: [], combinations: [], trains: [] };
  const frame = prepareFrame(model);
  return {
    given,
    model,
    frame,
    order: 1,
    selections: [],
    states: new Map(),
    frameOf: () => frame,
    resultants: [],
    notes: ['The frame has no supports: it has no forces, and its modes are those of a free body.'],
    said: new Map(),
    first: () => fail('mechanism', 'The frame has no supports and so no forces.', {}),
  };
}
