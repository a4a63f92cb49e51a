import Database from 'better-sqlite3';
import { existsSync, rmSync } from 'node:fs';
import { fail, ProblemError } from '@hashira/core/validation';
import { writeDocument } from '../output.js';

/** `hashira backup`: a consistent copy of the database, also while the server runs. */
export async function backup(file: string, { out }: { out: string }): Promise<void> {
  if (!existsSync(file)) return fail('no-file', `There is no file ${file}.`, { path: file });
  if (existsSync(out))
    return fail('no-file', `There is a file ${out} already; name another, or remove it first.`, {
      path: out,
    });
  let database: Database.Database | undefined;
  try {
    database = new Database(file, { readonly: true });
    database.pragma('busy_timeout = 5000');
    if (!database.prepare("SELECT 1 FROM sqlite_master WHERE type = 'table' AND name = 'designs'").get())
      fail('no-database', `The file ${file} is no database of designs; nothing was copied.`, { path: file });
    await database.backup(out);
    const designs = wholeByItself(out);
    await writeDocument({ format: 'hashira-backup', version: 1, file: out, designs }, undefined);
  } catch (error) {
    for (const ending of ['', '-wal', '-shm', '-journal']) rmSync(out + ending, { force: true });
    if (error instanceof ProblemError) throw error;
    fail(
      'no-database',
      `The database ${file} cannot be copied to ${out}: ${error instanceof Error ? error.message : String(error)}.`,
      { path: file },
    );
  } finally {
    database?.close();
  }
}

/** Makes a copy one file that is whole by itself. Returns how many designs it has. */
function wholeByItself(path: string): number {
  const copy = new Database(path);
  try {
    copy.pragma('journal_mode = DELETE');
    // What the header said of the original's log does not hold for the copy
    copy.pragma('user_version = 0');
    const { designs } = copy.prepare('SELECT count(*) AS designs FROM designs').get() as { designs: number };
    return designs;
  } finally {
    copy.close();
  }
}
