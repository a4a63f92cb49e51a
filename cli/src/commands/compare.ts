import { compare as compared, comparisonCsv } from '@hashira/core';
import { parseDesign, unwrapped } from '@hashira/core/validation';
import { findAlternative } from './build.js';
import { readText, writeDocument, writeTextTo } from '../output.js';
import { progressOf, type CommandOptions } from '../progress.js';
import { useThreads } from '../threads.js';

/** `hashira compare`: design file → alternatives beside the reference, as JSON or CSV. */
export async function compare(
  file: string,
  options: CommandOptions & { reference?: string; alternative?: string[]; modes?: number; csv?: boolean },
): Promise<void> {
  const design = unwrapped(parseDesign(await readText(file)));
  const { reference, alternative, modes, csv, out } = options;
  useThreads();
  const comparison = compared(design, {
    ...(reference === undefined ? {} : { reference: findAlternative(design, reference) }),
    ...(alternative ? { alternatives: alternative.map((name) => findAlternative(design, name)) } : {}),
    ...(modes === undefined ? {} : { modes }),
    progressOf: ({ title }) => progressOf(options.progress, title).progress,
  });
  if (csv) await writeTextTo(comparisonCsv(comparison), out);
  else await writeDocument(comparison, out);
}
