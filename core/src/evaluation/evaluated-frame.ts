import { drain } from '../base/drain.js';
import type { BuiltFrame } from '../build/build.js';
import { namerOf } from '../build/namer.js';
import { advance, notEvaluated, type EvaluatedAlternative } from './alternative.js';
import { evaluate } from './stages/index.js';

/** An alternative with another frame, evaluated wholly. */
export function evaluatedFrame(of: EvaluatedAlternative, built: BuiltFrame): EvaluatedAlternative {
  const { design, alternative } = of;
  const begun = { ...notEvaluated(design, alternative), built, namer: namerOf(built) };
  const outcome = evaluate(built.model, { secondOrder: design.analysis.order === 2, upTo: 'checks' });
  if (!outcome.ok) return { ...begun, problems: outcome.problems };
  return drain(advance({ ...begun, reached: 'checks', evaluation: outcome.value }, 'complete'));
}
