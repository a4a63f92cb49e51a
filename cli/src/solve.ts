import { InvalidArgumentError } from 'commander';
import { parseModel, solveToFile } from '@hashira/core/validation';
import { readText, valueOf, writeDocument } from './output.js';

/** Reads the number of stations. */
export function stationsOf(text: string): number {
  const count = Number(text);
  if (!Number.isInteger(count) || count < 2 || count > 10_001)
    throw new InvalidArgumentError('Stations are a whole number from 2 to 10001.');
  return count;
}

/** `hashira solve`: frame model file → results document. */
export async function solve(file: string, options: { stations: number; out?: string }): Promise<void> {
  const model = valueOf(parseModel(await readText(file)));
  await writeDocument(valueOf(solveToFile(model, options.stations)), options.out);
}
