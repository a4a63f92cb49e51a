import { drain } from '../../base/drain.js';
import { attempt, fail, problem, ProblemError, unwrapped } from '../../base/problem.js';
import { buildFrame } from '../../build/build.js';
import type { Alternative, Design } from '../../document/types.js';
import type { Geometry } from '../../geometry/geometry.js';
import { namerOf } from '../../build/namer.js';
import type { Namer } from '../../geometry/names.js';
import { inWords } from '../summaries/problem-words.js';
import { elasticPath } from './elastic-path.js';
import type { FailureFile, FailureOptions, FailureProgress } from './failure-file.js';
import { raisedLoads } from './loads.js';
import { plasticPath } from './plastic-path.js';

/** Notes name members as people do. */
function withNames(file: FailureFile, geometry: Geometry, namer: Namer): FailureFile {
  const worded = (message: string) => inWords(problem('note', message), geometry, namer).message;
  return { ...file, notes: file.notes.map(worded) };
}

/** Greatest factor where none is given. */
const usualMost = 20;

/** Raises some loads of an alternative until it fails. @throws ProblemError as `failureInParts` */
export const failure = (design: Design, alternative: Alternative, options: FailureOptions): FailureFile =>
  drain(failureInParts(design, alternative, options));

/**
 * The same with a pause after each step: whoever drives it can stop and take what is known.
 *
 * @throws ProblemError `unknown-case`, `no-load`, `unknown-node`, `mechanism`, `diverged`, `not-supported` for plastic hinges in space
 */
export function* failureInParts(
  design: Design,
  alternative: Alternative,
  options: FailureOptions,
): Generator<FailureProgress, FailureFile> {
  const built = unwrapped(buildFrame(design, alternative));
  const namer = namerOf(built);
  const { path = 'elastic', order = design.analysis.order, most = usualMost } = options;
  const loads = raisedLoads(built, options);
  if (path === 'plastic' && design.space !== 'plane')
    fail(
      'not-supported',
      'Plastic hinges are followed in plane frames only; follow this one by the elastic path.',
      {
        path: 'plastic',
      },
    );
  const asked = { ...options, order, most, alternative: alternative.id };
  const parts = (path === 'plastic' ? plasticPath : elasticPath)(built.model, namer, loads, asked);
  for (;;) {
    const next = attempt(() => parts.next());
    if (!next.ok) throw new ProblemError(next.problems.map((one) => inWords(one, built.geometry, namer)));
    if (next.value.done) return withNames(next.value.value, built.geometry, namer);
    yield next.value.value;
  }
}
