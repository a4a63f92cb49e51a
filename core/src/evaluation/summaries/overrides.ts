import type { BuiltFrame } from '../../build/build.js';
import type { AlternativeSummary } from './summary.js';

/** Which rules are overridden, by which others, and on how many parts of members. */
export function overridesOf({ assignment }: BuiltFrame): AlternativeSummary['overrides'] {
  return Object.fromEntries(
    [...assignment.overrides()].map(([rule, by]) => [
      rule,
      [...by].map(([id, parts]) => ({ by: id, parts })),
    ]),
  );
}
