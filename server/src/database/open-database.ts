import Database from 'better-sqlite3';
import {
  existsSync,
  lstatSync,
  mkdirSync,
  readlinkSync,
  realpathSync,
  rmSync,
  statSync,
  truncateSync,
} from 'node:fs';
import { basename, dirname, resolve } from 'node:path';
import { DataSource } from 'typeorm';
import { DesignDatabase, isDiskFull } from './design-database.js';
import { DesignRecordSchema } from './design-record.js';
import { examineIntegrity } from './integrity.js';
import { holdAlone } from './lock.js';
import { migrations } from './migrations/index.js';
import { PreviewRecordSchema } from './preview-record.js';
import { RevisionRecordSchema } from './revision-record.js';
import { schemaProblem } from './schema.js';
import { logProblem } from './write-ahead-log.js';

/** The database cannot be used; the message says why and what to do. The file was not changed. */
export class DatabaseProblem extends Error {}

export interface OpenOptions {
  /** Opens a database whose log is missing or damaged, without what was in it. */
  readonly withoutLog?: boolean;
  /** Makes a new database of a file that is empty. */
  readonly ofEmptyFile?: boolean;
  /** Takes a line about work that takes a while. */
  readonly say?: (line: string) => void;
  /** Takes a line about what goes wrong while it is open and harms nothing that was saved. */
  readonly tell?: (line: string) => void;
}

/**
 * Opens the SQLite database file for this process alone, creating and migrating it as needed: WAL, every commit synced to disk.
 *
 * @throws DatabaseProblem when the file is damaged, no database, not writable, of a newer version, or open in another server;
 *   nothing that was not there before is left behind
 */
export async function openDatabase(file: string, options: OpenOptions = {}): Promise<DesignDatabase> {
  if (file === '' || file.includes(':memory:'))
    throw new DatabaseProblem(
      'Designs must outlive the server: give --database a file, such as data/hashira.sqlite.',
    );
  const path = withoutLinks(resolve(file));
  const isNew = !existsSync(path);
  const absent = (isNew ? ['', '-wal', '-shm'] : ['-wal', '-shm'])
    .map((ending) => path + ending)
    .filter((p) => !existsSync(p));
  const madeFolder = isNew ? makeFolder(path) : undefined;
  const letGo = hold(path);
  try {
    if (!isNew) await copyBefore(path, await examine(path, options));
    return new DesignDatabase(await connect(path), path, letGo, options.tell);
  } catch (error) {
    for (const left of absent) rmSync(left, { force: true });
    letGo();
    if (madeFolder !== undefined) rmSync(madeFolder, { recursive: true });
    throw error instanceof DatabaseProblem ? error : unusable(path, error);
  }
}

/** The file that a path names in the end, so that one file has one lock however it is named. */
function withoutLinks(path: string): string {
  for (let at = path, steps = 0; steps < 40; steps++) {
    const target = linkOf(at);
    if (target === undefined)
      return existsSync(dirname(at)) ? resolve(realpathSync(dirname(at)), basename(at)) : at;
    at = resolve(dirname(at), target);
  }
  throw new DatabaseProblem(
    `The database ${path} is a symbolic link that leads to itself; name a file with --database.`,
  );
}

function linkOf(path: string): string | undefined {
  return lstatSync(path, { throwIfNoEntry: false })?.isSymbolicLink() ? readlinkSync(path) : undefined;
}

/** Makes the folder of a file. Returns the topmost folder that was not there before. */
function makeFolder(path: string): string | undefined {
  try {
    return mkdirSync(dirname(path), { recursive: true });
  } catch (error) {
    throw unusable(path, error);
  }
}

function hold(path: string): () => void {
  let letGo: (() => void) | undefined;
  try {
    letGo = holdAlone(path);
  } catch (error) {
    throw unusable(path, error);
  }
  if (letGo) return letGo;
  throw new DatabaseProblem(
    `Another server has the database ${path} open. Use that one, stop it first, or name another file with --database.`,
  );
}

function connect(path: string): Promise<DataSource> {
  return new DataSource({
    type: 'better-sqlite3',
    database: path,
    entities: [DesignRecordSchema, RevisionRecordSchema, PreviewRecordSchema],
    migrations,
    migrationsRun: true,
    synchronize: false,
    enableWAL: true,
    prepareDatabase: (db: unknown) => {
      const database = db as Database.Database;
      // While it waits nobody is answered: what is held by others is asked for again apart
      database.pragma('busy_timeout = 20');
      // A save that was answered survives a power cut
      database.pragma('synchronous = FULL');
      // Saves in the log are taken over now, see write-ahead-log.ts
      if (database.pragma('user_version', { simple: true }) !== 0) database.pragma('user_version = 0');
    },
  }).initialize();
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
  } finally {
    database.close();
  }
}

/** A database begins with a header of so many bytes. */
const smallest = 100;

/** Looks into an existing file before anything writes to it. Returns the migrations that it has seen. */
async function examine(
  path: string,
  { withoutLog, ofEmptyFile, say = () => undefined }: OpenOptions,
): Promise<string[]> {
  const { size } = statSync(path);
  if (size < smallest) {
    if (ofEmptyFile) {
      truncateSync(path);
      return [];
    }
    throw new DatabaseProblem(
      `The file ${path} is empty (${size} bytes): what it held is gone. Put a backup in its place, name another file with --database, ` +
        'or start once with --of-empty-file to make a new database of it. The file was left as it is.',
    );
  }
  const log = withoutLog ? undefined : logProblem(path);
  if (log !== undefined)
    throw new DatabaseProblem(
      `The database ${path} is not whole: ${log}. Or start once with --without-log to go on without those saves. ` +
        'The file was left as it is.',
    );
  const report = await examineIntegrity(path, say);
  if (report !== 'ok') throw new Error(report);
  const database = new Database(path, { fileMustExist: true });
  try {
    const tables = database
      .prepare("SELECT name FROM sqlite_master WHERE name IN ('migrations', 'designs')")
      .all() as { name: string }[];
    if (tables.length === 0) {
      const others = database.prepare('SELECT count(*) AS n FROM sqlite_master').get() as { n: number };
      if (others.n > 0) throw new Error('it belongs to another program');
      return [];
    }
    if (!tables.some(({ name }) => name === 'migrations'))
      throw new Error('its table "migrations" is missing');
    const known = new Set(migrations.map((migration) => migration.name));
    const applied = (database.prepare('SELECT name FROM migrations').all() as { name: string }[]).map(
      ({ name }) => name,
    );
    const newer = applied.find((name) => !known.has(name));
    if (newer) throw new Error(`it was written by a newer version (${newer})`);
    const first = migrations.find(
      ({ name }, k) => k < Math.max(1, applied.length) && !applied.includes(name),
    );
    if (first) throw new Error(`its list of migrations lacks "${first.name}"`);
    const lacking = await schemaProblem(database, applied);
    if (lacking) throw new Error(lacking);
    return applied;
  } finally {
    database.close();
  }
}

function unusable(path: string, error: unknown): DatabaseProblem {
  const reason = error instanceof Error ? error.message : String(error);
  const { code } = error as { code?: unknown };
  if (code === 'ENOSPC' || code === 'SQLITE_FULL' || (existsSync(dirname(path)) && isDiskFull(path)))
    return new DatabaseProblem(
      `The disk that holds ${path} is full (${reason}). Make room on it and start again. The file was left as it is.`,
    );
  return new DatabaseProblem(
    `The database ${path} cannot be used: ${reason}. The file was left as it is; ` +
      'put a backup in its place, or name another file with --database. ' +
      'What can still be read is saved out by "hashira rescue <file> --out <folder>".',
  );
}
