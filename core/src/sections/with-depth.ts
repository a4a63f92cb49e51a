import { fail } from '../base/problem.js';
import type { Shape } from '../model/types.js';
import { findProfile } from './profiles.js';
import { shapeProblem } from './shapes/index.js';

/**
 * An I of the library with another depth (m), its plates, radius and width kept: for plate girders and haunches.
 *
 * @throws ProblemError `unknown-profile`, or `invalid-shape` where the profile is no I or the depth does not fit
 */
export function iWithDepth(profile: string, h: number): Shape {
  const { shape, name } = findProfile(profile);
  if (shape.type !== 'i')
    return fail('invalid-shape', `${name} is no I section; name one that is.`, { profile: name });
  const deep: Shape = { ...shape, h };
  const wrong = shapeProblem(deep);
  return wrong ? fail('invalid-shape', `With this depth ${wrong}; choose another depth.`) : deep;
}
