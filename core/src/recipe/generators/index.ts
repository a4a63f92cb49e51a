import type { Scope } from '../evaluate.js';
import type { Geometry } from '../geometry.js';
import type { Step } from '../types.js';
import { portal } from './portal.js';

/** Every generator, by the step's `make`. */
const generators: { [K in Step['make']]: (step: Extract<Step, { make: K }>, scope: Scope) => Geometry } = {
  portal,
};

/** Makes the geometry of one step. */
export function generate(step: Step, scope: Scope): Geometry {
  return generators[step.make](step, scope);
}
