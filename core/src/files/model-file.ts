import { prepareFrame } from '../analysis/index.js';
import type { FrameModel } from '../model/types.js';
import { parseModel } from '../model/parse.js';
import { attempt, type Outcome } from '../base/problem.js';

/**
 * JSON text of a frame model → model that can be analysed: its schema, its references and numbers, and its names against
 * the library. All problems of one stage are reported at once, each with its path.
 */
export function readModel(text: string): Outcome<FrameModel> {
  const parsed = parseModel(text);
  if (!parsed.ok) return parsed;
  const prepared = attempt(() => prepareFrame(parsed.value));
  return prepared.ok ? parsed : prepared;
}
