import { readModel, type SolveOptions, solveToFile, unwrapped } from '@hashira/core/validation';
import { readText, writeDocument } from '../output.js';
import { progressOf, type CommandOptions } from '../progress.js';
import { useThreads } from '../threads.js';

/** `hashira solve`: frame model file → results document. */
export async function solve(
  file: string,
  { progress, ...options }: Omit<SolveOptions, 'progress'> & CommandOptions,
): Promise<void> {
  useThreads();
  const model = unwrapped(readModel(await readText(file)));
  await writeDocument(unwrapped(solveToFile(model, { ...options, ...progressOf(progress) })), options.out);
}
