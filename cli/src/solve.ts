import { readModel, solveToFile, type SolveOptions } from '@hashira/core/validation';
import { readText, valueOf, writeDocument } from './output.js';

/** `hashira solve`: frame model file → results document. */
export async function solve(file: string, options: SolveOptions & { out?: string }): Promise<void> {
  const model = valueOf(readModel(await readText(file)));
  await writeDocument(valueOf(solveToFile(model, options)), options.out);
}
