import { problem, ProblemError } from '../base/problem.js';

/** A number that is not finite never reaches an output. */
export function assertFinite(value: unknown, path: () => string): void {
  if (typeof value === 'number') {
    if (!Number.isFinite(value))
      throw new ProblemError([
        problem(
          'not-finite',
          `The analysis overflowed at ${path()}; the model's stiffnesses or loads are too far apart.`,
          { path: path() },
        ),
      ]);
  } else if (value !== null && typeof value === 'object')
    for (const key in value) assertFinite((value as Record<string, unknown>)[key], () => `${path()}/${key}`);
}
