import { evaluateAlternative, fail, memberFile } from '@hashira/core';
import { parseDesign, ProblemError, unwrapped } from '@hashira/core/validation';
import { findAlternative } from './build.js';
import { readText, writeDocument } from '../output.js';
import { progressOf, type CommandOptions } from '../progress.js';
import { useThreads } from '../threads.js';

/** `hashira member`: design file → all of one physical member of an alternative. */
export async function member(
  file: string,
  options: CommandOptions & {
    alternative?: string;
    member: string;
    combination?: string;
    stations: number;
  },
): Promise<void> {
  const design = unwrapped(parseDesign(await readText(file)));
  const alternative = findAlternative(design, options.alternative ?? design.reference);
  useThreads();
  const run = evaluateAlternative(design, alternative, 'checks', progressOf(options.progress));
  if (run.problems.length > 0) throw new ProblemError(run.problems);
  if (!run.evaluation!.forces.selections.some(({ state }) => state === 'strength'))
    fail(
      'nothing-to-check',
      'The design has no strength combination, so that nothing is checked; add one.',
      {},
    );
  const { combination, stations } = options;
  await writeDocument(
    memberFile(run, {
      member: options.member,
      stations,
      ...(combination === undefined ? {} : { combination }),
    }),
    options.out,
  );
}
