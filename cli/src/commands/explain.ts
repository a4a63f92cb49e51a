import { evaluateAlternative, explain as explained } from '@hashira/core';
import { parseDesign, ProblemError, unwrapped } from '@hashira/core/validation';
import { findAlternative } from './build.js';
import { readText, writeDocument } from '../output.js';
import { progressOf, type CommandOptions } from '../progress.js';
import { useThreads } from '../threads.js';

/** `hashira explain`: design file → where a figure of an alternative comes from. */
export async function explain(
  file: string,
  options: CommandOptions & { alternative?: string; figure: string; combination?: string },
): Promise<void> {
  const design = unwrapped(parseDesign(await readText(file)));
  const alternative = findAlternative(design, options.alternative ?? design.reference);
  useThreads();
  const run = evaluateAlternative(design, alternative, 'checks', progressOf(options.progress));
  if (run.problems.length > 0) throw new ProblemError(run.problems);
  await writeDocument(explained(run, options.figure, options.combination), options.out);
}
