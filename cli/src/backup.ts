import Database from 'better-sqlite3';
import { existsSync, rmSync } from 'node:fs';
import { fail } from '@hashira/core/validation';
import { writeDocument } from './output.js';

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
    await database.backup(out);
  } catch (error) {
    rmSync(out, { force: true });
    return fail(
      'no-database',
      `The database ${file} cannot be copied to ${out}: ${error instanceof Error ? error.message : String(error)}.`,
      { path: file },
    );
  } finally {
    database?.close();
  }
  const copy = new Database(out);
  // One file, whole by itself; what the header said of the original's log does not hold for the copy
  copy.pragma('journal_mode = DELETE');
  copy.pragma('user_version = 0');
  const { designs } = copy.prepare('SELECT count(*) AS designs FROM designs').get() as { designs: number };
  copy.close();
  return writeDocument({ format: 'hashira-backup', version: 1, file: out, designs }, undefined);
}
