import { ProblemError, type Problem } from '../base/problem.js';
import { applyAlternative } from '../document/alternatives.js';
import { axisLookUp, evaluateAxes, type Axis } from './axes.js';
import type { Names } from '../language/compile.js';
import { evaluateParameters, type ParameterValues } from './parameters.js';
import { metric } from '../units/units.js';
import type { Alternative, Design } from '../document/types.js';

/** One alternative's design with the names that its steps and rules are written in. */
export interface ResolvedAlternative {
  /** The design as the alternative sees it. */
  readonly design: Design;
  readonly parameters: ParameterValues;
  readonly axes: readonly Axis[];
  readonly names: Names;
}

/** Values for an alternative's parameters and grid lines. @throws ProblemError for parameters that cannot be evaluated */
export function resolveAlternative(
  design: Design,
  alternative: Alternative,
  units = metric,
): ResolvedAlternative {
  const own = applyAlternative(design, alternative);
  const parameters = evaluateParameters(own, units);
  stopAt(parameters.problems);
  const axes = evaluateAxes(own, { parameters: parameters.scope, units });
  return {
    design: own,
    parameters,
    axes,
    names: { parameters: parameters.scope, units, axis: axisLookUp(axes) },
  };
}

/** @throws ProblemError where there is any */
export function stopAt(problems: readonly Problem[]): void {
  if (problems.length > 0) throw new ProblemError(problems);
}
