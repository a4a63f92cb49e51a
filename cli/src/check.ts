import { checkToFile, fail, readModel, type CheckOptions } from '@hashira/core/validation';
import { readText, valueOf, writeDocument } from './output.js';

/** `hashira check`: frame model file → checks document. */
export async function check(
  file: string,
  options: Omit<CheckOptions, 'code'> & { code?: string; out?: string },
): Promise<void> {
  const { code, out, ...rest } = options;
  if (code !== undefined && code !== 'EN1993' && code !== 'AISC360')
    fail('unknown-code', `There is no design code "${code}"; use EN1993 or AISC360.`, { code });
  const model = valueOf(readModel(await readText(file)));
  await writeDocument(valueOf(checkToFile(model, { ...rest, ...(code ? { code } : {}) })), out);
}
