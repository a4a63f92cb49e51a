import { suggestInParts, type SuggestOptions } from '@hashira/core';
import { parseDesign, unwrapped } from '@hashira/core/validation';
import { findAlternative } from './build.js';
import { inParts } from '../in-parts.js';
import { readText, writeDocument } from '../output.js';
import type { CommandOptions } from '../progress.js';
import { useThreads } from '../threads.js';

/** `hashira suggest`: design file → the lightest sections with which an alternative passes. */
export async function suggest(
  file: string,
  options: CommandOptions & {
    alternative?: string;
    group?: string[];
    family?: string[];
    target?: number;
    maxDepth?: number;
    most?: number;
  },
): Promise<void> {
  const design = unwrapped(parseDesign(await readText(file)));
  const alternative = findAlternative(design, options.alternative ?? design.reference);
  useThreads();
  const { group, family, target, maxDepth, most } = options;
  const asked: SuggestOptions = {
    ...(group ? { groups: group } : {}),
    ...(family ? { families: family } : {}),
    ...(target === undefined ? {} : { target }),
    ...(maxDepth === undefined ? {} : { maxDepth }),
    ...(most === undefined ? {} : { most }),
  };
  const document = await inParts(suggestInParts(design, alternative, asked), {
    progress: options.progress,
    stage: 'Suggestions',
    doneOf: ({ analyses, sets }) => analyses / Math.min(sets, most ?? 2000),
    stopped: (part) => part.soFar(),
  });
  await writeDocument(document, options.out);
}
