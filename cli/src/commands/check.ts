import { type CheckOptions, checkToFile, fail, readModel, unwrapped } from '@hashira/core/validation';
import { readText, writeDocument } from '../output.js';
import { progressOf, type CommandOptions } from '../progress.js';
import { useThreads } from '../threads.js';

/** `hashira check`: frame model file → checks document. */
export async function check(
  file: string,
  options: Omit<CheckOptions, 'code' | 'progress'> & CommandOptions & { code?: string },
): Promise<void> {
  const { code, out, progress, ...rest } = options;
  if (code !== undefined && code !== 'EN1993' && code !== 'AISC360')
    fail('unknown-code', `There is no design code "${code}"; use EN1993 or AISC360.`, { code });
  useThreads();
  const model = unwrapped(readModel(await readText(file)));
  await writeDocument(
    unwrapped(checkToFile(model, { ...rest, ...(code ? { code } : {}), ...progressOf(progress) })),
    out,
  );
}
