import { readModel, solveToFile, type SolveOptions } from '@hashira/core/validation';
import { readText, valueOf, writeDocument } from './output.js';
import { progressOf, type CommandOptions } from './progress.js';
import { useThreads } from './threads.js';

/** `hashira solve`: frame model file → results document. */
export async function solve(
  file: string,
  { progress, ...options }: Omit<SolveOptions, 'progress'> & CommandOptions,
): Promise<void> {
  useThreads();
  const model = valueOf(readModel(await readText(file)));
  await writeDocument(valueOf(solveToFile(model, { ...options, ...progressOf(progress) })), options.out);
}
