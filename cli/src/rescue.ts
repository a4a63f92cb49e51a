import Database from 'better-sqlite3';
import { copyFileSync, existsSync, mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { attempt, fail, parseDesign } from '@hashira/core/validation';
import { writeDocument } from './output.js';

/** What came out of a database. */
interface Rescue {
  readonly format: 'hashira-rescue';
  readonly version: 1;
  /** Files written, with the design's title and the table that it came from. */
  readonly designs: { file: string; title: string; from: 'designs' | 'revisions'; deleted: boolean }[];
  /** What is there and cannot be read as a design; what there is of its text is kept beside the others. */
  readonly unreadable: { id: string; file?: string; reason: string }[];
}

interface Row {
  readonly id: string;
  readonly document: unknown;
  readonly deleted?: unknown;
}

/** Rows behind the last readable one that are still looked for, one by one. */
const lookedFor = 5000;

/** `hashira rescue`: saves every design that a damaged database still gives into files; the database is not touched. */
export async function rescue(file: string, { out }: { out: string }): Promise<void> {
  const folder = mkdtempSync(join(tmpdir(), 'hashira-rescue-'));
  try {
    const database = openCopy(file, folder);
    try {
      await writeDocument(rescued(database, out), undefined);
    } finally {
      database.close();
    }
  } finally {
    rmSync(folder, { recursive: true });
  }
}

/** Opens a copy of the file and its log: opening would write to the originals. */
function openCopy(file: string, folder: string): Database.Database {
  const copy = join(folder, 'copy.sqlite');
  const where = { path: file };
  try {
    copyFileSync(file, copy);
  } catch (error) {
    return fail('no-file', `The file ${file} cannot be read: ${messageOf(error)}.`, where);
  }
  if (existsSync(`${file}-wal`)) copyFileSync(`${file}-wal`, `${copy}-wal`);
  try {
    const database = new Database(copy);
    database.unsafeMode(true);
    database.pragma('schema_version');
    return database;
  } catch (error) {
    return fail(
      'no-database',
      `Nothing can be rescued from ${file}: ${messageOf(error)}. Take a backup, or the designs exported as files.`,
      where,
    );
  }
}

const messageOf = (error: unknown): string => (error instanceof Error ? error.message : String(error));

function rescued(database: Database.Database, out: string): Rescue {
  const folder = attempt(() => mkdirSync(out, { recursive: true }));
  if (!folder.ok) return fail('no-file', `The folder ${out} cannot be made.`, { path: out });
  const result: Rescue = { format: 'hashira-rescue', version: 1, designs: [], unreadable: [] };
  const lost = new Map<string, string>();
  const saved = new Set<string>();
  const take = (row: Row, from: 'designs' | 'revisions'): void => {
    const text = textOf(row.document);
    const design = parseDesign(text);
    if (design.ok) {
      saved.add(row.id);
      lost.delete(row.id);
      const { title } = design.value;
      const file = freeName(out, title, 'json');
      writeFileSync(join(out, file), `${JSON.stringify(design.value, null, 2)}\n`);
      result.designs.push({ file, title, from, deleted: row.deleted === 1 });
    } else if (from === 'designs') {
      lost.set(row.id, design.problems[0]!.message);
      if (text === '') return;
      const file = freeName(out, row.id, 'txt');
      writeFileSync(join(out, file), text);
      result.unreadable.push({ id: row.id, file, reason: design.problems[0]!.message });
    }
  };
  for (const row of rows(database, 'designs', '"id", "document", "deletedAt" IS NOT NULL AS "deleted"'))
    take(row, 'designs');
  // The latest revision that can be read stands in for a design that cannot
  const latest = new Map<string, Row & { revision: number }>();
  for (const row of rows<Row & { revision: number }>(
    database,
    'revisions',
    '"designId" AS "id", "document", "revision"',
  ))
    if (
      !saved.has(row.id) &&
      row.revision >= (latest.get(row.id)?.revision ?? 0) &&
      parseDesign(textOf(row.document)).ok
    )
      latest.set(row.id, row);
  for (const row of latest.values()) take(row, 'revisions');
  for (const [id, reason] of lost)
    if (!result.unreadable.some((one) => one.id === id)) result.unreadable.push({ id, reason });
  return result;
}

const textOf = (document: unknown): string =>
  Buffer.isBuffer(document) ? document.toString('utf8') : typeof document === 'string' ? document : '';

/** All rows of a table that can be read: past a damaged place they are asked for one by one. */
function* rows<T extends Row = Row>(
  database: Database.Database,
  table: string,
  columns: string,
): Generator<T> {
  // A column that is missing is asked for as a text by its own name; then documents are all that counts
  const wanted = [columns, `rowid AS "id", "document"`];
  let last = 0;
  for (const list of wanted) {
    const from = `SELECT rowid AS "at", ${list} FROM "${table}" NOT INDEXED`;
    try {
      for (const row of database.prepare(`${from} ORDER BY rowid`).iterate() as Iterable<
        T & { at: number }
      >) {
        last = row.at;
        yield row;
      }
      return;
    } catch (error) {
      if (last === 0 && isSchema(error)) continue;
    }
    for (const row of oneByOne<T>(database, `${from} WHERE rowid = ?`, last + 1)) yield row;
    return;
  }
}

function* oneByOne<T>(database: Database.Database, sql: string, from: number): Generator<T> {
  let statement: Database.Statement;
  try {
    statement = database.prepare(sql);
  } catch {
    // Nothing of the table is left to ask
    return;
  }
  for (let at = from; at < from + lookedFor; at++) {
    const row = attemptGet(statement, at);
    if (row) yield row as T;
  }
}

/** A row, or undefined where it is not there or its place is damaged. */
function attemptGet(statement: Database.Statement, at: number): unknown {
  try {
    return statement.get(at);
  } catch {
    return undefined;
  }
}

const isSchema = (error: unknown): boolean => (error as { code?: string }).code === 'SQLITE_ERROR';

/** A file name from a title that is not taken yet. */
function freeName(folder: string, title: string, ending: string): string {
  const base =
    title
      .normalize('NFKD')
      .toLowerCase()
      .replace(/[^a-z0-9]+/g, '-')
      .replace(/^-|-$/g, '')
      .slice(0, 80) || 'design';
  let name = `${base}.${ending}`;
  for (let n = 2; existsSync(join(folder, name)); n++) name = `${base}-${n}.${ending}`;
  return name;
}
