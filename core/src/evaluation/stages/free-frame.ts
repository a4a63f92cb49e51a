import { prepareEquations, prepareFrame, vibrationModes } from '../../analysis/index.js';
import { fail } from '../../base/problem.js';
import { rigidMotions } from '../../model/free.js';
import type { FrameModel } from '../../model/types.js';
import type { Evaluation } from './evaluate.js';
import type { Analysed } from './forces.js';

/**
 * A frame without supports as far as it goes: no forces and no checks, but its mass and its elastic modes.
 *
 * @param wanted how many elastic modes
 */
export function freeEvaluation(model: FrameModel, wanted: number): Evaluation {
  const forces = withoutForces(model);
  if (wanted === 0) return { forces, checks: [] };
  // A few beyond those asked for, so that what is looked at next is of the same search
  const count = wanted + rigidMotions.solid;
  return { forces, checks: [], modes: vibrationModes(prepareEquations(forces.frame), count) };
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
    notes: [
      `The frame has no supports: it has no forces, and its modes are those of a free body, without its ${rigidMotions[model.space]} motions as a whole.`,
    ],
    said: new Map(),
    first: () => fail('mechanism', 'The frame has no supports and so no forces.', {}),
  };
}
