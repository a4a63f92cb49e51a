import Database from 'better-sqlite3';
import { existsSync, mkdirSync } from 'node:fs';
import { dirname, resolve } from 'node:path';
import { DataSource } from 'typeorm';
import { DesignRecordSchema } from './design-record.js';
import { RevisionRecordSchema } from './revision-record.js';
import { migrations } from './migrations/index.js';

/** The database cannot be used; the message says why and what to do. The file was not changed. */
export class DatabaseProblem extends Error {}

/**
 * Opens the SQLite database file, creating and migrating it as needed: WAL, every commit synced to disk.
 *
 * @throws DatabaseProblem when the file is damaged, no database, not writable, or of a newer version
 */
export async function openDatabase(file: string): Promise<DataSource> {
  if (file === '' || file.includes(':memory:'))
    throw new DatabaseProblem(
      'Designs must outlive the server: give --database a file, such as data/hashira.sqlite.',
    );
  const path = resolve(file);
  if (existsSync(path)) await copyBefore(path, examine(path));
  else makeFolder(path);
  const source = new DataSource({
    type: 'better-sqlite3',
    database: path,
    entities: [DesignRecordSchema, RevisionRecordSchema],
    migrations,
    migrationsRun: true,
    synchronize: false,
    enableWAL: true,
    prepareDatabase: (db: unknown) => {
      const database = db as Database.Database;
      database.pragma('busy_timeout = 5000');
      // A save that was answered survives a power cut
      database.pragma('synchronous = FULL');
    },
  });
  try {
    return await source.initialize();
  } catch (error) {
    throw unusable(path, error);
  }
}

function makeFolder(path: string): void {
  try {
    mkdirSync(dirname(path), { recursive: true });
  } catch (error) {
    throw unusable(path, error);
  }
}

/** Copies a file that migrations will change, beside it: by the database itself, so that what is in its log is in the copy. */
async function copyBefore(path: string, applied: readonly string[]): Promise<void> {
  const pending = migrations.filter(({ name }) => !applied.includes(name));
  if (applied.length === 0 || pending.length === 0) return;
  const copy = `${path}.before-${pending[0]!.name}`;
  if (existsSync(copy)) return;
  const database = new Database(path, { readonly: true });
  try {
    await database.backup(copy);
  } catch (error) {
    throw unusable(path, error);
  } finally {
    database.close();
  }
}

/** Looks into an existing file before anything writes to it. Returns the migrations that it has seen. */
function examine(path: string): string[] {
  let database: Database.Database | undefined;
  try {
    database = new Database(path, { fileMustExist: true });
    const report = database.pragma('quick_check(1)', { simple: true }) as string;
    if (report !== 'ok') throw new Error(report);
    const tables = database
      .prepare("SELECT name FROM sqlite_master WHERE type = 'table' AND name IN ('migrations', 'designs')")
      .all();
    if (tables.length === 0) {
      const others = database.prepare('SELECT count(*) AS n FROM sqlite_master').get() as { n: number };
      if (others.n > 0) throw new Error('it belongs to another program');
      return [];
    }
    const known = new Set(migrations.map((migration) => migration.name));
    const applied = database.prepare('SELECT name FROM migrations').all() as { name: string }[];
    const newer = applied.find(({ name }) => !known.has(name));
    if (newer) throw new Error(`it was written by a newer version (${newer.name})`);
    return applied.map(({ name }) => name);
  } catch (error) {
    throw unusable(path, error);
  } finally {
    database?.close();
  }
}

function unusable(path: string, error: unknown): DatabaseProblem {
  const reason = error instanceof Error ? error.message : String(error);
  return new DatabaseProblem(
    `The database ${path} cannot be used: ${reason}. The file was left as it is; ` +
      'put a backup in its place, or name another file with --database.',
  );
}
