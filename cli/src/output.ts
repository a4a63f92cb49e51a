import { readFile, writeFile } from 'node:fs/promises';
import { fail, problem, ProblemError, type Problem } from '@hashira/core/validation';

/**
 * Runs a command: problems go to standard error as `{ "errors": [...] }` with exit code 2; anything else is a bug and
 * passes through.
 */
export async function exitWith(run: () => Promise<void>): Promise<void> {
  try {
    await run();
  } catch (error) {
    if (isOutputGone(error)) process.exitCode = 2;
    else if (error instanceof ProblemError) refuse(error.problems);
    else throw error;
  }
}

/** Problems on standard error as `{ "errors": [...] }`, and exit code 2. */
export function refuse(problems: readonly Problem[]): void {
  process.stderr.write(`${JSON.stringify({ errors: problems }, null, 2)}\n`);
  process.exitCode = 2;
}

/** Whether whoever read the output has gone, or its disk is full: there is nobody to tell. */
export function isOutputGone(error: unknown): boolean {
  return ['EPIPE', 'ENOSPC', 'ECONNRESET'].includes((error as { code?: string }).code ?? '');
}

/** Text of a file. @throws ProblemError `no-file` when it cannot be read */
export async function readText(file: string): Promise<string> {
  try {
    // Some editors begin files with a byte order mark
    return (await readFile(file, 'utf8')).replace(/^\uFEFF/, '');
  } catch (error) {
    const reason = error instanceof Error ? error.message : String(error);
    return fail('no-file', `The file ${file} cannot be read: ${reason}.`, { path: file });
  }
}

/** Writes to standard output and waits until a pipe has taken everything. */
export function writeText(text: string): Promise<void> {
  return new Promise((resolve, reject) =>
    process.stdout.write(text, (error) => (error ? reject(error) : resolve())),
  );
}

/** Writes a document to a file, or to standard output and nothing else. */
export function writeDocument(document: unknown, out: string | undefined): Promise<void> {
  return writeTextTo(`${JSON.stringify(document, null, 2)}\n`, out);
}

/** Writes a text to a file, or to standard output. @throws ProblemError `no-file` when it cannot be written */
export async function writeTextTo(text: string, out: string | undefined): Promise<void> {
  if (out === undefined) return writeText(text);
  try {
    await writeFile(out, text);
  } catch (error) {
    const reason = error instanceof Error ? error.message : String(error);
    throw new ProblemError([
      problem('no-file', `The file ${out} cannot be written: ${reason}.`, { path: out }),
    ]);
  }
}

/** Notes as `{ "notes": [...] }` on standard error; nothing where there are none. */
export function writeNotes(notes: readonly unknown[]): void {
  if (notes.length > 0) process.stderr.write(`${JSON.stringify({ notes }, null, 2)}\n`);
}
