import { failureInParts, type FailureOptions } from '@hashira/core';
import { parseDesign, unwrapped } from '@hashira/core/validation';
import { findAlternative } from './build.js';
import { inParts } from '../in-parts.js';
import { readText, writeDocument } from '../output.js';
import type { CommandOptions } from '../progress.js';
import { useThreads } from '../threads.js';

/** `hashira failure`: design file → what happens while some loads of an alternative are raised. */
export async function failure(
  file: string,
  options: CommandOptions &
    Omit<FailureOptions, 'order'> & { readonly alternative?: string; readonly order?: string },
): Promise<void> {
  const design = unwrapped(parseDesign(await readText(file)));
  const alternative = findAlternative(design, options.alternative ?? design.reference);
  useThreads();
  const { out, progress, order, alternative: _, ...rest } = options;
  const asked: FailureOptions = { ...rest, ...(order === undefined ? {} : { order: order === '2' ? 2 : 1 }) };
  const document = await inParts(failureInParts(design, alternative, asked), {
    progress,
    stage: 'Load to failure',
    doneOf: ({ done }) => done,
    stopped: (part) => part.soFar(),
  });
  await writeDocument(document, out);
}
