import { attempt } from '../../base/problem.js';
import { applyAlternative } from '../../document/alternatives.js';
import { evaluateParameters, type ParameterValues } from '../../build/parameters.js';
import type { Alternative, Design } from '../../document/types.js';
import type { ParameterSummary } from './summary.js';
import { metric } from '../../units/units.js';

/** What is known of each parameter: its value, where it has a number, and its range; of those that could not be evaluated nothing. */
export function parameterSummaries(
  parameters: ParameterValues | undefined,
): Record<string, ParameterSummary> {
  const { scope, ranges } = parameters ?? {};
  const names = new Set([...(scope?.keys() ?? []), ...(ranges?.keys() ?? [])]);
  return Object.fromEntries(
    [...names].map((name) => {
      const value = scope?.get(name)?.value;
      return [name, { ...(typeof value === 'number' ? { value } : {}), ...ranges?.get(name) }];
    }),
  );
}

/** The parameters of an alternative as far as they can be evaluated; undefined where the alternative names what is not there. */
export function parametersOf(
  design: Design,
  alternative: Alternative,
  units = metric,
): ParameterValues | undefined {
  const outcome = attempt(() => evaluateParameters(applyAlternative(design, alternative), units));
  return outcome.ok ? outcome.value : undefined;
}
