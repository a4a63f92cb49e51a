import { parseModel, solveToFile } from '@hashira/core/validation';
import { readText, valueOf, writeDocument } from './output.js';

/** `hashira solve`: frame model file → results document. */
export async function solve(file: string, options: { stations: number; secondOrder?: boolean; out?: string }): Promise<void> {
  const model = valueOf(parseModel(await readText(file)));
  await writeDocument(valueOf(solveToFile(model, options)), options.out);
}
